package earlygate.ladder;

import earlygate.explain.Reason;
import earlygate.ladder.Finding.Severity;
import earlygate.ladder.Finding.Suggestion;
import earlygate.unit.DirectionalValve;
import earlygate.unit.Leak;
import earlygate.unit.Line;
import earlygate.unit.PowerUnit;
import earlygate.unit.Pump;
import earlygate.unit.ReducingValve;
import earlygate.unit.Screw;
import earlygate.unit.Target;
import earlygate.unit.Throttle;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** L8: standby high enough for what it feeds, margin inside the control's range, one bleed on the signal. */
final class LoadSenseInPlace implements Rule {
    @Override
    public List<Finding> check(LadderInput stage) {
        List<Finding> findings = new ArrayList<>();
        for (Pump pump : stage.unit().all(Pump.class)) {
            pump.loadSense().ifPresent(control -> {
                bleeds(stage, pump, control).ifPresent(findings::add);
                stage.unit().target(pump.loadSenseId()).ifPresent(t -> {
                    range(pump, control.screw(), t).ifPresent(findings::add);
                    standby(stage, pump, t, findings);
                });
            });
        }
        return findings;
    }

    private static Optional<Finding> range(Pump pump, Screw screw, Target t) {
        if (t.pressurePa() >= screw.minPa() && t.pressurePa() <= screw.maxPa()) {
            return Optional.empty();
        }
        Reason message = Reason.of("ladder.L8.range")
                .name("control", pump.loadSenseId())
                .pressure("margin", t.pressurePa())
                .pressure("min", screw.minPa())
                .pressure("max", screw.maxPa());
        return Optional.of(new Finding(
                Rung.L8,
                Severity.STOP,
                pump.loadSenseId(),
                message,
                Optional.of(new Suggestion.SetTarget(pump.loadSenseId(), screw.clamp(t.pressurePa())))));
    }

    private static void standby(LadderInput stage, Pump pump, Target margin, List<Finding> findings) {
        for (ReducingValve valve : stage.unit().all(ReducingValve.class)) {
            double needed =
                    stage.unit().target(valve.id()).map(Target::pressurePa).orElse(valve.settingPa());
            boolean fed = stage.paths().reached(pump.outlet()).contains(valve.inlet());
            if (fed && margin.pressurePa() < needed) {
                findings.add(new Finding(
                        Rung.L8,
                        Severity.STOP,
                        pump.loadSenseId(),
                        Reason.of("ladder.L8.standby-low")
                                .name("control", pump.loadSenseId())
                                .name("valve", valve.id())
                                .pressure("standby", margin.pressurePa())
                                .pressure("needed", needed),
                        Optional.of(new Suggestion.SetTarget(
                                pump.loadSenseId(), LadderInput.ceilBar(needed + valve.bandPa())))));
            }
        }
    }

    /** None traps the signal, so that standby never falls; two cost margin. */
    private static Optional<Finding> bleeds(LadderInput stage, Pump pump, Pump.LoadSense control) {
        long bleeds = bleeds(stage.unit(), control.signal());
        if (bleeds == 1) {
            return Optional.empty();
        }
        return Optional.of(new Finding(
                Rung.L8,
                bleeds == 0 ? Severity.STOP : Severity.WARN,
                pump.loadSenseId(),
                Reason.of(bleeds == 0 ? "ladder.L8.no-bleed" : "ladder.L8.two-bleeds")
                        .name("line", control.signal())
                        .number("bleeds", bleeds),
                Optional.empty()));
    }

    /** Of any kind that the drawing shows: an orifice, a leak, a lever at rest that drains the signal. */
    private static long bleeds(PowerUnit unit, String signal) {
        long orifices = unit.all(Throttle.class).stream()
                .filter(t -> t.atRest() > 0)
                .filter(t -> drains(t.a(), t.b(), signal) || drains(t.b(), t.a(), signal))
                .count();
        long leaks = unit.all(Leak.class).stream()
                .filter(l -> drains(l.a(), l.b(), signal) || drains(l.b(), l.a(), signal))
                .count();
        long levers = unit.all(DirectionalValve.class).stream()
                .filter(v -> v.positions().getOrDefault(v.rest(), List.of()).stream()
                        .anyMatch(p -> drains(p.from(), p.to(), signal) || drains(p.to(), p.from(), signal)))
                .count();
        return orifices + leaks + levers;
    }

    private static boolean drains(String from, String to, String signal) {
        return from.equals(signal) && to.equals(Line.TANK);
    }
}
