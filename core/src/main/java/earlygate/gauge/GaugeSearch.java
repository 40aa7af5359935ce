package earlygate.gauge;

import earlygate.network.Network;
import earlygate.quantity.Si;
import earlygate.solve.Outcome;
import earlygate.solve.Solver;
import earlygate.solve.SteadyState;
import earlygate.unit.Engine;
import earlygate.unit.PowerUnit;
import earlygate.unit.ReliefValve;
import earlygate.unit.Setting;
import earlygate.unit.Situation;
import earlygate.unit.Target;
import earlygate.unit.TestPoint;
import earlygate.unit.UnloadingValve;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Predicate;
import java.util.function.ToDoubleFunction;

/** Searches situations of a unit for those in which a setting has the gauge. Holds a solver; one per thread. */
public final class GaugeSearch {
    private static final int MOST_RAISED = 6;
    /** Ways of the hands that are kept for a setting, and that are tried for it. */
    private static final int ENOUGH = 3;

    private static final int MOST_TRIED = 1500;
    /** How far above what is set now another limiter is put, at least. */
    private static final double GAP = 14 * Si.BAR;

    private static final double GAP_SHARE = 0.1;
    private static final double[] DEGREES = {0.01, 0.02, 0.05, 0.1, 0.2, 0.35, 0.6, 1};
    private static final double MID_STROKE = 0.5;
    /** A pump between these strokes shows its margin; at either stop another thing decides. */
    private static final double LEAST_STROKE = 0.2;

    private static final double MOST_STROKE = 0.9;

    /** Share of its band that a plain unloading valve has opened while its pump still feeds the load. */
    private static final double TRANSFER = 0.05;

    private final PowerUnit unit;
    private final Network network;
    private final Solver solver;
    private final Hands hands;
    private final Map<String, List<Candidate>> known = new HashMap<>();

    public GaugeSearch(PowerUnit unit) {
        this.unit = unit;
        network = new Network(unit);
        solver = new Solver(network);
        hands = new Hands(unit);
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

    /** The way with the fewest screws raised, then with the least work for hands; raising only what may be. */
    public Optional<Arrangement> find(String setting, Situation from, Predicate<String> mayRaise) {
        Setting sought = unit.setting(setting);
        double value = from.settings().getOrDefault(setting, sought.present());
        Arrangement best = null;
        for (Candidate candidate : candidates(sought, value)) {
            Optional<Arrangement> found = attempt(sought, value, candidate, from, mayRaise);
            if (found.isPresent() && (best == null || better(found.get(), best))) {
                best = found.get();
                if (best.lifted().isEmpty() && !best.gauges().isEmpty()) {
                    break;
                }
            }
        }
        return Optional.ofNullable(best);
    }

    private static boolean better(Arrangement one, Arrangement other) {
        return one.gauges().isEmpty() == other.gauges().isEmpty()
                ? one.lifted().size() < other.lifted().size()
                : !one.gauges().isEmpty();
    }

    /** Hands in a way that lets a setting be seen when nothing else is in its way. */
    private record Candidate(Hands.Way way, Optional<Hands.Opener> opener) {}

    private List<Candidate> candidates(Setting sought, double value) {
        return known.computeIfAbsent(sought.id(), id -> discover(sought, value));
    }

    /** All other limiters out of the way, or all at their targets: in which ways of the hands does it show? */
    private List<Candidate> discover(Setting sought, double value) {
        List<Candidate> found = new ArrayList<>();
        Situation aside = base(unit).withSetting(sought.id(), value);
        for (Setting s : unit.settings()) {
            if (!s.id().equals(sought.id()) && s.isPressure()) {
                double margin = unit.target(s.id()).map(Target::pressurePa).orElse(s.present());
                aside = aside.withSetting(s.id(), s.limitsPressure() ? s.screw().maxPa() : margin);
            }
        }
        Situation targets = atTargets(unit).withSetting(sought.id(), value);
        for (boolean byDegrees : new boolean[] {false, true}) {
            if (byDegrees == false && needsFlow(sought)) {
                continue;
            }
            discover(sought, aside, byDegrees, found);
            discover(sought, targets, byDegrees, found);
            if (!found.isEmpty()) {
                break;
            }
        }
        return found.stream().distinct().toList();
    }

    private void discover(Setting sought, Situation others, boolean byDegrees, List<Candidate> into) {
        int enough = into.size() + ENOUGH;
        int tried = 0;
        for (Hands.Way way : hands.all()) {
            List<Optional<Hands.Opener>> openers =
                    byDegrees ? hands.openers(way).stream().map(Optional::of).toList() : List.of(Optional.empty());
            for (Optional<Hands.Opener> opener : openers) {
                if (into.size() >= enough || ++tried > MOST_TRIED) {
                    return;
                }
                Candidate candidate = new Candidate(way, opener);
                Optional<SteadyState> state = stand(sought, candidate, others).flatMap(this::solve);
                if (state.isPresent()
                        && shows(sought, state.get())
                        && !gauges(sought, state.get()).isEmpty()) {
                    into.add(candidate);
                }
            }
        }
    }

    /** The candidate's hands put on a situation, its load opened as this setting needs it. */
    private Optional<Situation> stand(Setting sought, Candidate candidate, Situation s) {
        Situation put = hands.apply(candidate.way(), s);
        return candidate.opener().isEmpty()
                ? Optional.of(put)
                : byDegrees(sought, put, candidate.opener().get());
    }

    private Optional<Arrangement> attempt(
            Setting sought, double value, Candidate candidate, Situation from, Predicate<String> mayRaise) {
        Situation s = from;
        Map<String, Double> lifted = new LinkedHashMap<>();
        while (lifted.size() <= MOST_RAISED) {
            Optional<Situation> there = stand(sought, candidate, s);
            Optional<SteadyState> state = there.flatMap(this::solve);
            if (state.isPresent() && shows(sought, state.get())) {
                List<TestPoint> gauges = gauges(sought, state.get());
                if (!gauges.isEmpty() || has(sought, sought.line(), state.get())) {
                    return Optional.of(new Arrangement(sought.id(), there.get(), state.get(), gauges, lifted));
                }
            }
            Optional<String> holder = state.or(() -> solve(hands.apply(candidate.way(), from)))
                    .flatMap(at -> at.limiterOf(sought.line()));
            if (holder.isEmpty()
                    || holder.get().equals(sought.id())
                    || !mayRaise.test(holder.get())
                    || lifted.getOrDefault(holder.get(), 0.0) >= top(holder.get())) {
                return allAside(sought, value, candidate, from, mayRaise);
            }
            double up = lifted.containsKey(holder.get()) ? top(holder.get()) : level(holder.get(), value, from);
            lifted.put(holder.get(), up);
            s = s.withSetting(holder.get(), up);
        }
        return Optional.empty();
    }

    /** Where nobody is seen to hold the line: everything that may go up does, and comes down again where it need not. */
    private Optional<Arrangement> allAside(
            Setting sought, double value, Candidate candidate, Situation from, Predicate<String> mayRaise) {
        Map<String, Double> lifted = new LinkedHashMap<>();
        for (Setting other : unit.settings()) {
            if (!other.id().equals(sought.id()) && mayRaise.test(other.id())) {
                double up = level(other.id(), value, from);
                if (up > from.settings().getOrDefault(other.id(), other.present()) + 1) {
                    lifted.put(other.id(), up);
                }
            }
        }
        if (lifted.isEmpty() || !seen(sought, candidate, from, lifted)) {
            return Optional.empty();
        }
        for (String id : List.copyOf(lifted.keySet())) {
            Map<String, Double> without = new LinkedHashMap<>(lifted);
            without.remove(id);
            if (seen(sought, candidate, from, without)) {
                lifted.remove(id);
            }
        }
        Situation there = stand(sought, candidate, with(from, lifted)).orElseThrow();
        SteadyState state = solve(there).orElseThrow();
        return Optional.of(new Arrangement(sought.id(), there, state, gauges(sought, state), lifted));
    }

    private boolean seen(Setting sought, Candidate candidate, Situation from, Map<String, Double> lifted) {
        return stand(sought, candidate, with(from, lifted))
                .flatMap(this::solve)
                .filter(state -> shows(sought, state) && !gauges(sought, state).isEmpty())
                .isPresent();
    }

    private static Situation with(Situation s, Map<String, Double> settings) {
        Situation all = s;
        for (Map.Entry<String, Double> e : settings.entrySet()) {
            all = all.withSetting(e.getKey(), e.getValue());
        }
        return all;
    }

    private double top(String setting) {
        return unit.setting(setting).screw().maxPa();
    }

    /** No further up than its own target, or a gap above what is set now; never down. */
    private double level(String other, double value, Situation from) {
        Setting s = unit.setting(other);
        double above = value + Math.max(GAP, GAP_SHARE * value);
        double own = unit.target(other).map(Target::pressurePa).orElse(above);
        double stands = from.settings().getOrDefault(other, s.present());
        return Math.max(stands, s.screw().clamp(Math.max(own, above)));
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

    /** A margin, and the transfer of a plain unloading valve, are only there at one flow. */
    private boolean needsFlow(Setting sought) {
        return sought.kind() == Setting.Kind.LOAD_SENSE || plain(sought);
    }

    private boolean plain(Setting sought) {
        return unit.partOf(sought.id()) instanceof UnloadingValve v
                && v.differential().isEmpty();
    }

    /** What must pass zero, growing with the opening, for the setting to be seen best; empty where any opening is as good. */
    private Optional<ToDoubleFunction<SteadyState>> measure(Setting sought, Situation s) {
        if (sought.kind() == Setting.Kind.LOAD_SENSE) {
            return Optional.of(state -> stroke(sought, state) - MID_STROKE);
        }
        if (plain(sought)) {
            UnloadingValve v = (UnloadingValve) unit.partOf(sought.id());
            double transfer = s.settings().getOrDefault(sought.id(), sought.present()) + TRANSFER * v.bandPa();
            return Optional.of(state -> transfer - state.pressure(v.pilot()));
        }
        return Optional.empty();
    }

    /** A load opened by degrees until the setting is seen, as well as may be. */
    private Optional<Situation> byDegrees(Setting sought, Situation s, Hands.Opener load) {
        Optional<ToDoubleFunction<SteadyState>> measure = measure(sought, s);
        double low = 0;
        Optional<Situation> seen = Optional.empty();
        double off = Double.POSITIVE_INFINITY;
        for (double opening : DEGREES) {
            Situation at = load.at(s, opening);
            Optional<SteadyState> state = solve(at);
            if (state.isEmpty()) {
                continue;
            }
            double by = measure.map(m -> m.applyAsDouble(state.get())).orElse(0.0);
            if (shows(sought, state.get()) && !gauges(sought, state.get()).isEmpty() && Math.abs(by) < off) {
                seen = Optional.of(at);
                off = Math.abs(by);
            }
            if (measure.isPresent() && by > 0) {
                Optional<Situation> exact = between(s, load, measure.get(), low, opening);
                return exact.flatMap(this::solve)
                                .filter(x ->
                                        shows(sought, x) && !gauges(sought, x).isEmpty())
                                .isPresent()
                        ? exact
                        : seen;
            }
            low = opening;
        }
        return seen;
    }

    private Optional<Situation> between(
            Situation s, Hands.Opener load, ToDoubleFunction<SteadyState> measure, double from, double to) {
        double low = from;
        double high = to;
        for (int i = 0; i < 20; i++) {
            double mid = (low + high) / 2;
            Optional<SteadyState> found = solve(load.at(s, mid));
            if (found.isEmpty()) {
                return Optional.empty();
            }
            if (measure.applyAsDouble(found.get()) < 0) {
                low = mid;
            } else {
                high = mid;
            }
        }
        return Optional.of(load.at(s, Math.round(high * 1e4) / 1e4));
    }

    /** From the cold guess each time, so that an answer does not depend on what was asked before. */
    public Optional<SteadyState> solve(Situation s) {
        return solver.steady(network.conditions(s)) instanceof Outcome.Converged c
                ? Optional.of(c.state())
                : Optional.empty();
    }
}
