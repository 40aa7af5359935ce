package earlygate.target;

import earlygate.gauge.Arrangement;
import earlygate.gauge.GaugeSearch;
import earlygate.gauge.SheetState;
import earlygate.network.ComponentState.DriverState;
import earlygate.network.ComponentState.PumpState;
import earlygate.quantity.Keyed;
import earlygate.solve.Model;
import earlygate.solve.SteadyState;
import earlygate.unit.Driver;
import earlygate.unit.Positioned;
import earlygate.unit.PowerUnit;
import earlygate.unit.Pump;
import earlygate.unit.ReliefValve;
import earlygate.unit.Situation;
import earlygate.unit.Throttle;
import earlygate.unit.UnloadingValve;
import earlygate.unit.Work;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** What the unit must show with all settings at target: without load, at each work, at cut-off, over the relief. */
public final class WorkingPoints {
    private final PowerUnit unit;
    private final GaugeSearch search;
    private final Situation base;

    public enum Kind implements Keyed {
        NO_LOAD,
        WORK,
        CUT_OFF,
        RELIEF
    }

    /**
     * @param subject the work, control or valve; empty for no-load
     * @param pressure on the line at work, Pa
     * @param flow delivered by the pumps that are not unloaded, m3/s; {@code asked} by the work, 0 where nothing is asked
     */
    public record Point(
            Kind kind,
            String subject,
            String line,
            double pressure,
            double flow,
            double asked,
            List<Drive> drives,
            Situation situation) {}

    /** rev/s, W, A (0 for an engine), fraction of rating. */
    public record Drive(String driver, double speed, double power, double current, double load) {}

    private WorkingPoints(PowerUnit unit) {
        this.unit = unit;
        search = new GaugeSearch(Model.of(unit));
        base = SheetState.targets(unit);
    }

    public static List<Point> of(PowerUnit unit) {
        WorkingPoints w = new WorkingPoints(unit);
        List<Point> points = new ArrayList<>();
        w.noLoad().ifPresent(points::add);
        unit.work().forEach(work -> w.at(work).ifPresent(points::add));
        for (Pump p : unit.all(Pump.class)) {
            p.compensator()
                    .flatMap(c -> w.limited(Kind.CUT_OFF, p.compensatorId()))
                    .ifPresent(points::add);
        }
        unit.all(ReliefValve.class).stream()
                .filter(r -> r.role() == ReliefValve.Role.MAIN)
                .forEach(r -> w.limited(Kind.RELIEF, r.id()).ifPresent(points::add));
        return points;
    }

    private Optional<Point> noLoad() {
        Situation open = base;
        for (Throttle t : unit.all(Throttle.class)) {
            if (t.purpose() == Throttle.Purpose.LOAD && t.atRest() == 0) {
                open = open.withOpening(t.id(), 1);
            }
        }
        Situation s = open;
        return unit.all(Pump.class).stream()
                .findFirst()
                .flatMap(p -> search.model().solve(s).map(state -> point(Kind.NO_LOAD, "", p.outlet(), 0, s, state)));
    }

    /** The line held at what the work needs, valves as they let most oil get there. */
    private Optional<Point> at(Work work) {
        Optional<Point> best = Optional.empty();
        for (Situation s : ways()) {
            Situation held = s.withPressure(work.line(), work.pressurePa());
            Optional<Point> found = search.model()
                    .solve(held)
                    .map(state -> point(Kind.WORK, work.id(), work.line(), work.flow(), held, state));
            if (found.isPresent()
                    && (best.isEmpty() || found.get().flow() > best.get().flow() + 1e-7)) {
                best = found;
            }
        }
        return best;
    }

    private List<Situation> ways() {
        List<Situation> ways = new ArrayList<>(List.of(base));
        for (Positioned v : unit.all(Positioned.class)) {
            v.positionNames().forEach(p -> ways.add(base.withPosition(v.id(), p)));
        }
        return ways;
    }

    private Optional<Point> limited(Kind kind, String setting) {
        Optional<Arrangement> reach = search.find(setting, base, any -> true);
        return reach.map(r -> point(kind, setting, unit.setting(setting).line(), 0, r.situation(), r.state()));
    }

    private Point point(Kind kind, String subject, String line, double asked, Situation s, SteadyState state) {
        double pumped = unit.all(Pump.class).stream()
                .mapToDouble(p -> ((PumpState) state.components().get(p.id())).flow())
                .sum();
        // What an unloading valve sends home never gets to the work.
        double unloaded = unit.all(UnloadingValve.class).stream()
                .mapToDouble(v -> state.valve(v.id()).flow())
                .sum();
        List<Drive> drives = unit.all(Driver.class).stream()
                .map(d -> {
                    DriverState at = state.driver(d.id());
                    return new Drive(d.id(), at.speed(), at.power(), at.current(), at.load());
                })
                .toList();
        return new Point(kind, subject, line, state.pressure(line), pumped - unloaded, asked, drives, s);
    }
}
