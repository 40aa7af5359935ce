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
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Predicate;

/** Searches situations of a unit for those in which a setting has the gauge. Holds a solver; one per thread. */
public final class GaugeSearch {
    private static final int MOST_RAISED = 6;
    /** Ways of the hands that are kept for a setting, and that are tried for it. */
    private static final int ENOUGH = 3;

    private static final int MOST_TRIED = 1200;
    private static final int MOST_LOADED = 250;
    /** More work than this above the first that was found is not looked at. */
    private static final double WORSE = 2;

    /** How far above what is set now another limiter is put, at least. */
    private static final double GAP = 14 * Si.BAR;

    private static final double GAP_SHARE = 0.1;
    /** So often one and the same limiter is put clear for one step. */
    private static final int MOST_ROUNDS = 3;

    private final PowerUnit unit;
    private final Network network;
    private final Solver solver;
    private final Hands hands;
    private final Sight sight;
    private final Loading loading;
    private final Map<String, List<Hands.Candidate>> known = new HashMap<>();

    public GaugeSearch(PowerUnit unit) {
        this.unit = unit;
        network = new Network(unit);
        solver = new Solver(network);
        hands = new Hands(unit);
        sight = new Sight(unit);
        loading = new Loading(sight, this::solve);
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
        for (Hands.Candidate candidate : candidates(sought, value)) {
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

    /** Who has a setting's line where hands would let it be seen best; empty where nobody does. */
    public Optional<String> holder(String setting, Situation from) {
        Setting sought = unit.setting(setting);
        double value = from.settings().getOrDefault(setting, sought.present());
        return candidates(sought, value).stream()
                .map(c -> stand(sought, c, from).orElseGet(() -> hands.apply(c.way(), from)))
                .findFirst()
                .or(() -> Optional.of(from))
                .flatMap(this::solve)
                .flatMap(s -> s.limiterOf(sought.line()));
    }

    private static boolean better(Arrangement one, Arrangement other) {
        return one.gauges().isEmpty() == other.gauges().isEmpty()
                ? one.lifted().size() < other.lifted().size()
                : !one.gauges().isEmpty();
    }

    private List<Hands.Candidate> candidates(Setting sought, double value) {
        return known.computeIfAbsent(sought.id(), id -> discover(sought, value));
    }

    /** All other limiters out of the way, or all at their targets: in which ways of the hands does it show? */
    private List<Hands.Candidate> discover(Setting sought, double value) {
        List<Hands.Candidate> found = new ArrayList<>();
        Situation aside = base(unit).withSetting(sought.id(), value);
        for (Setting s : unit.settings()) {
            if (!s.id().equals(sought.id()) && s.isPressure()) {
                double margin = unit.target(s.id()).map(Target::pressurePa).orElse(s.present());
                aside = aside.withSetting(s.id(), s.limitsPressure() ? s.screw().maxPa() : margin);
            }
        }
        Situation targets = atTargets(unit).withSetting(sought.id(), value);
        for (boolean byDegrees : new boolean[] {false, true}) {
            if (!byDegrees && sight.needsFlow(sought)) {
                continue;
            }
            discover(sought, aside, byDegrees, found);
            discover(sought, targets, byDegrees, found);
            if (!found.isEmpty()) {
                break;
            }
        }
        if (found.isEmpty()) {
            unseen(sought, targets).ifPresent(found::add);
        }
        return found.stream().distinct().toList();
    }

    /** It would have its line, but no gauge stands there. */
    private Optional<Hands.Candidate> unseen(Setting sought, Situation others) {
        return hands.plain().stream()
                .limit(MOST_TRIED)
                .filter(c -> stand(sought, c, others)
                        .flatMap(this::solve)
                        .filter(state -> sight.has(sought, sought.line(), state))
                        .isPresent())
                .findFirst();
    }

    private void discover(Setting sought, Situation others, boolean byDegrees, List<Hands.Candidate> into) {
        double first = Double.POSITIVE_INFINITY;
        int found = 0;
        int tried = 0;
        for (Hands.Candidate candidate : byDegrees ? hands.loaded() : hands.plain()) {
            if (found >= ENOUGH
                    || candidate.cost() > first + WORSE
                    || ++tried > (byDegrees ? MOST_LOADED : MOST_TRIED)) {
                return;
            }
            Optional<SteadyState> state = stand(sought, candidate, others).flatMap(this::solve);
            if (state.isPresent()
                    && sight.shows(sought, state.get())
                    && !sight.gauges(sought, state.get()).isEmpty()) {
                into.add(candidate);
                first = Math.min(first, candidate.cost());
                found++;
            }
        }
    }

    /** The candidate's hands put on a situation, its load opened as this setting needs it. */
    private Optional<Situation> stand(Setting sought, Hands.Candidate candidate, Situation s) {
        Situation put = hands.apply(candidate.way(), s);
        return candidate.opener().isEmpty()
                ? Optional.of(put)
                : loading.byDegrees(sought, put, candidate.opener().get());
    }

    private Optional<Arrangement> attempt(
            Setting sought, double value, Hands.Candidate candidate, Situation from, Predicate<String> mayRaise) {
        Situation s = from;
        Map<String, Double> lifted = new LinkedHashMap<>();
        Map<String, Integer> rounds = new HashMap<>();
        while (lifted.size() <= MOST_RAISED) {
            Optional<Situation> there = stand(sought, candidate, s);
            Optional<SteadyState> state = there.flatMap(this::solve);
            if (state.isPresent() && sight.shows(sought, state.get())) {
                List<TestPoint> gauges = sight.gauges(sought, state.get());
                if (!gauges.isEmpty() || sight.has(sought, sought.line(), state.get())) {
                    return Optional.of(new Arrangement(sought.id(), there.get(), state.get(), gauges, lifted));
                }
            }
            Optional<String> holder = state.or(() -> solve(hands.apply(candidate.way(), from)))
                    .flatMap(at -> at.limiterOf(sought.line()));
            if (holder.isEmpty()
                    || holder.get().equals(sought.id())
                    || !mayRaise.test(holder.get())
                    || rounds.merge(holder.get(), 1, Integer::sum) > MOST_ROUNDS) {
                return allAside(sought, value, candidate, from, mayRaise);
            }
            // Where a gap was not enough, for what the valve passes over its crack, another one.
            double up = lifted.containsKey(holder.get())
                    ? unit.setting(holder.get()).screw().clamp(lifted.get(holder.get()) + GAP)
                    : level(holder.get(), value, from);
            lifted.put(holder.get(), up);
            s = s.withSetting(holder.get(), up);
        }
        return Optional.empty();
    }

    /** Where nobody is seen to hold the line: everything that may go up does, and comes down again where it need not. */
    private Optional<Arrangement> allAside(
            Setting sought, double value, Hands.Candidate candidate, Situation from, Predicate<String> mayRaise) {
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
        return Optional.of(new Arrangement(sought.id(), there, state, sight.gauges(sought, state), lifted));
    }

    private boolean seen(Setting sought, Hands.Candidate candidate, Situation from, Map<String, Double> lifted) {
        return stand(sought, candidate, with(from, lifted))
                .flatMap(this::solve)
                .filter(state -> sight.shows(sought, state)
                        && !sight.gauges(sought, state).isEmpty())
                .isPresent();
    }

    private static Situation with(Situation s, Map<String, Double> settings) {
        Situation all = s;
        for (Map.Entry<String, Double> e : settings.entrySet()) {
            all = all.withSetting(e.getKey(), e.getValue());
        }
        return all;
    }

    /** No further up than its own target, or a gap above what is set now; never down. */
    private double level(String other, double value, Situation from) {
        Setting s = unit.setting(other);
        double above = value + Math.max(GAP, GAP_SHARE * value);
        double own = unit.target(other).map(Target::pressurePa).orElse(above);
        double stands = from.settings().getOrDefault(other, s.present());
        return Math.max(stands, s.screw().clamp(Math.max(own, above)));
    }

    /** From the cold guess each time, so that an answer does not depend on what was asked before. */
    public Optional<SteadyState> solve(Situation s) {
        return solver.steady(network.conditions(s)) instanceof Outcome.Converged c
                ? Optional.of(c.state())
                : Optional.empty();
    }
}
