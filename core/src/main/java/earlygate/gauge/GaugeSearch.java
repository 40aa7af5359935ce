package earlygate.gauge;

import earlygate.network.Network;
import earlygate.solve.Outcome;
import earlygate.solve.Solver;
import earlygate.solve.SteadyState;
import earlygate.unit.Engine;
import earlygate.unit.Positioned;
import earlygate.unit.PowerUnit;
import earlygate.unit.ReliefValve;
import earlygate.unit.Setting;
import earlygate.unit.Situation;
import earlygate.unit.Target;
import earlygate.unit.TestPoint;
import earlygate.unit.Throttle;
import earlygate.unit.UnloadingValve;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Predicate;
import java.util.function.ToDoubleFunction;

/** Searches situations of a unit for those in which a setting has the gauge. Holds a solver; one per thread. */
public final class GaugeSearch {
    private static final int MOST_RAISED = 6;
    private static final double MID_STROKE = 0.5;
    /** A pump between these strokes shows its margin; at either stop another thing decides. */
    private static final double LEAST_STROKE = 0.2;

    private static final double MOST_STROKE = 0.9;

    /** Share of its band that a plain unloading valve has opened while its pump still feeds the load. */
    private static final double TRANSFER = 0.05;

    private final PowerUnit unit;
    private final Network network;
    private final Solver solver;
    private final List<Situation> aids;

    public GaugeSearch(PowerUnit unit) {
        this.unit = unit;
        network = new Network(unit);
        solver = new Solver(network);
        aids = aids();
    }

    public PowerUnit unit() {
        return unit;
    }

    /** Before anything is chosen: engines at their middle speed, which is the one stated for tests. */
    public static Situation base(PowerUnit unit) {
        Situation base = Situation.AS_THE_FILE;
        for (Engine e : unit.all(Engine.class)) {
            base = base.withSpeed(e.id(), e.mid());
        }
        return base;
    }

    /** The setting, Pa, at which a relief that is set at flow stands at its target; other targets are the setting. */
    public double settingFor(Target target, Situation from, Predicate<String> mayRaise) {
        if (target.defined() != Target.Defined.FULL_FLOW
                || !(unit.partOf(target.setting()) instanceof ReliefValve relief)) {
            return target.pressurePa();
        }
        double crack = target.pressurePa();
        for (int i = 0; i < 3; i++) {
            Optional<Arrangement> reach = find(relief.id(), from.withSetting(relief.id(), crack), mayRaise);
            if (reach.isPresent()) {
                double flow = reach.get().state().valve(relief.id()).flow();
                crack = target.pressurePa() - relief.fullFlowPressure(0, flow);
            }
        }
        return crack;
    }

    /** Every setting at what is asked of it. */
    public static Situation atTargets(PowerUnit unit) {
        Situation s = base(unit);
        for (var t : unit.targets()) {
            s = s.withSetting(t.setting(), t.pressurePa());
        }
        return s;
    }

    /** The way with the fewest screws raised, then with the fewest valves moved; raising only what may be. */
    public Optional<Arrangement> find(String setting, Situation from, Predicate<String> mayRaise) {
        Setting sought = unit.setting(setting);
        List<Arrangement> found = new ArrayList<>();
        for (Situation aid : aids) {
            attempt(sought, from.over(aid), mayRaise).ifPresent(found::add);
            if (!found.isEmpty()
                    && found.get(found.size() - 1).raised().isEmpty()
                    && !found.get(found.size() - 1).gauges().isEmpty()) {
                break;
            }
        }
        return found.stream()
                .min(Comparator.comparing((Arrangement r) -> r.gauges().isEmpty())
                        .thenComparing(r -> r.raised().size()));
    }

    private Optional<Arrangement> attempt(Setting sought, Situation from, Predicate<String> mayRaise) {
        Situation s = from;
        List<String> raised = new ArrayList<>();
        while (raised.size() <= MOST_RAISED) {
            Optional<Situation> loaded = loaded(sought, s);
            if (loaded.isEmpty()) {
                return Optional.empty();
            }
            SteadyState state = solve(loaded.get()).orElse(null);
            if (state == null) {
                return Optional.empty();
            }
            List<TestPoint> gauges = gauges(sought, state);
            if (shows(sought, state) && (!gauges.isEmpty() || has(sought, sought.line(), state))) {
                return Optional.of(new Arrangement(sought.id(), loaded.get(), state, gauges, List.copyOf(raised)));
            }
            Optional<String> holder = state.limiterOf(sought.line());
            if (holder.isEmpty()
                    || holder.get().equals(sought.id())
                    || raised.contains(holder.get())
                    || !mayRaise.test(holder.get())) {
                return Optional.empty();
            }
            raised.add(holder.get());
            s = s.withSetting(holder.get(), unit.setting(holder.get()).screw().maxPa());
        }
        return Optional.empty();
    }

    private List<TestPoint> gauges(Setting sought, SteadyState state) {
        return unit.testPoints().stream()
                .filter(t -> has(sought, t.line(), state))
                .sorted(Comparator.comparing((TestPoint t) -> !t.line().equals(sought.line()))
                        .thenComparing(TestPoint::errorPa))
                .toList();
    }

    private static boolean has(Setting sought, String line, SteadyState state) {
        return state.limiterOf(line).filter(sought.id()::equals).isPresent();
    }

    /** A margin is there only while oil flows, the pump between its stops. */
    private boolean shows(Setting sought, SteadyState state) {
        return sought.kind() != Setting.Kind.LOAD_SENSE || between(stroke(sought, state));
    }

    private static boolean between(double stroke) {
        return stroke >= LEAST_STROKE && stroke <= MOST_STROKE;
    }

    private static double stroke(Setting sought, SteadyState state) {
        return state.pump(sought.part()).stroke();
    }

    /** The load as this setting needs it: shut, or open just so far that margin or transfer can be seen. */
    private Optional<Situation> loaded(Setting sought, Situation s) {
        if (sought.kind() == Setting.Kind.LOAD_SENSE) {
            return byLoad(s, state -> stroke(sought, state) - MID_STROKE);
        }
        if (unit.partOf(sought.id()) instanceof UnloadingValve v
                && v.differential().isEmpty()) {
            double transfer = s.settings().getOrDefault(sought.id(), sought.present()) + TRANSFER * v.bandPa();
            return byLoad(s, state -> transfer - state.pressure(v.pilot()));
        }
        return Optional.of(s);
    }

    /** Opens one load until a measure that grows with its opening passes zero. */
    private Optional<Situation> byLoad(Situation s, ToDoubleFunction<SteadyState> measure) {
        for (Throttle load : loads()) {
            double low = 0;
            double high = 1;
            Optional<SteadyState> open = solve(s.withOpening(load.id(), 1));
            Optional<SteadyState> shut = solve(s.withOpening(load.id(), 0));
            if (open.isEmpty()
                    || shut.isEmpty()
                    || measure.applyAsDouble(open.get()) < 0
                    || measure.applyAsDouble(shut.get()) > 0) {
                continue;
            }
            for (int i = 0; i < 24; i++) {
                double mid = (low + high) / 2;
                Optional<SteadyState> found = solve(s.withOpening(load.id(), mid));
                if (found.isEmpty()) {
                    return Optional.empty();
                }
                if (measure.applyAsDouble(found.get()) < 0) {
                    low = mid;
                } else {
                    high = mid;
                }
            }
            return Optional.of(s.withOpening(load.id(), Math.round(high * 1e4) / 1e4));
        }
        return Optional.empty();
    }

    private List<Throttle> loads() {
        return unit.all(Throttle.class).stream()
                .filter(t -> t.purpose() == Throttle.Purpose.LOAD && t.atRest() == 0)
                .toList();
    }

    /** From the cold guess each time, so that an answer does not depend on what was asked before. */
    public Optional<SteadyState> solve(Situation s) {
        return solver.steady(network.conditions(s)) instanceof Outcome.Converged c
                ? Optional.of(c.state())
                : Optional.empty();
    }

    /** All valves at rest; then each one in each of its other positions; each with isolating valves shut and open. */
    private List<Situation> aids() {
        List<Map<String, String>> positions = new ArrayList<>(List.of(Map.of()));
        for (Positioned v : unit.all(Positioned.class)) {
            v.moved().forEach(p -> positions.add(Map.of(v.id(), p)));
        }
        List<Situation> all = new ArrayList<>();
        for (boolean open : new boolean[] {false, true}) {
            Situation isolated = Situation.AS_THE_FILE;
            for (Throttle t : unit.all(Throttle.class)) {
                if (t.purpose() == Throttle.Purpose.ISOLATE) {
                    isolated = isolated.withOpening(t.id(), open ? 1 : 0);
                }
            }
            if (open && isolated.openings().isEmpty()) {
                break;
            }
            for (Map<String, String> p : positions) {
                Situation s = isolated;
                for (Map.Entry<String, String> e : new LinkedHashMap<>(p).entrySet()) {
                    s = s.withPosition(e.getKey(), e.getValue());
                }
                all.add(s);
            }
        }
        return List.copyOf(all);
    }
}
