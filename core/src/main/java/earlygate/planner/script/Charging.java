package earlygate.planner.script;

import earlygate.explain.Reason;
import earlygate.plan.Note;
import earlygate.plan.Step.Kind;
import earlygate.unit.Accumulator;
import earlygate.unit.Line;
import earlygate.unit.PowerUnit;
import earlygate.unit.Pump;
import earlygate.unit.Situation;
import earlygate.unit.TestPoint;
import earlygate.unit.Throttle;
import earlygate.unit.UnloadingValve;
import java.util.Comparator;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;

/**
 * An accumulator's unloading valve can only be read with the accumulator on the line: shut off, the line has next to no
 * volume and saws between cut-out and cut-in. Oil is drawn, so that one cycle follows the other.
 */
final class Charging {
    /**
     * Share of what the pump delivers that is drawn, the rest charges: a cycle lasts 1/(d (1 - d)), so by halves it is the
     * shortest, and a hand that turned the screw waits no longer than it must for the next highest.
     */
    private static final double DRAWN = 0.5;

    private Charging() {}

    static Situation of(Site site, Situation s, UnloadingValve valve) {
        Situation charging = undrawn(site, site.running(s).freed());
        Optional<Throttle> way = way(site.unit(), valve);
        return way.isEmpty() ? charging : charging.withOpening(way.get().id(), drawing(site.unit(), way.get(), valve));
    }

    /** The same with nothing drawn. */
    static Situation undrawn(Site site, Situation s) {
        Situation shut = s;
        for (Throttle t : site.handValves()) {
            shut = shut.withOpening(t.id(), t.purpose() == Throttle.Purpose.ISOLATE ? 1 : 0);
        }
        return shut;
    }

    /** By which oil is drawn: a load on the charged line, else the bleed of the accumulator. */
    private static Optional<Throttle> way(PowerUnit unit, UnloadingValve valve) {
        Set<String> stores =
                unit.all(Accumulator.class).stream().map(Accumulator::line).collect(Collectors.toSet());
        return unit.handValves().stream()
                .filter(t -> t.b().equals(Line.TANK))
                .filter(t -> switch (t.purpose()) {
                    case ISOLATE -> false;
                    case LOAD -> t.a().equals(valve.pilot());
                    case BLEED -> t.a().equals(valve.pilot()) || stores.contains(t.a());
                })
                .min(Comparator.comparing(t -> t.purpose() != Throttle.Purpose.LOAD));
    }

    /** In whole per cent, by the orifice law at what the valve stands at. */
    private static double drawing(PowerUnit unit, Throttle t, UnloadingValve valve) {
        double pressure = unit.target(valve.id()).map(x -> x.pressurePa()).orElse(valve.settingPa());
        double flow = unit.pumpsInto(valve.inlet()).stream()
                .mapToDouble(p -> p.displacement() * unit.driverOf(p).noLoadSpeed())
                .sum();
        double open = t.ratedFlow() * Math.sqrt(pressure / t.ratedDrop());
        return Math.max(0.01, Math.min(1, Math.round(100 * DRAWN * flow / open) / 100.0));
    }

    static String pumpOf(PowerUnit unit, UnloadingValve valve) {
        return String.join(
                ", ", unit.pumpsInto(valve.inlet()).stream().map(Pump::id).toList());
    }

    /** Charged with nothing drawn, until whatever limits the line above the valve holds it. */
    static void write(Site site, Situation charging, TestPoint gauge) {
        site.rehearsal().go(undrawn(site, charging));
        site.script()
                .step(Kind.TEST, Reason.of("plan.charge").name("gauge", gauge.id()))
                .why(Reason.of("plan.why.charge"))
                .expect(site.readings().roughly(gauge))
                .note(Note.CHARGE_TIME)
                .ifNot(Reason.of("plan.if-not.no-pressure"))
                .caution("stored-pressure")
                .minutes(2)
                .add();
    }
}
