package earlygate.gauge;

import earlygate.quantity.Si;
import earlygate.solve.Model;
import earlygate.solve.SteadyState;
import earlygate.unit.PowerUnit;
import earlygate.unit.Setting;
import earlygate.unit.Situation;
import earlygate.unit.Target;
import earlygate.unit.TestPoint;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Predicate;

/** Other limiters put clear of a setting, only as far as it needs to be seen. */
final class LimiterClearance {
    private static final int MOST_RAISED = 6;
    /** How far above what is set now another limiter is put, at least. */
    private static final double GAP = 14 * Si.BAR;

    private static final double GAP_SHARE = 0.1;
    /** So often one and the same limiter is put clear for one step. */
    private static final int MOST_ROUNDS = 3;

    private final PowerUnit unit;
    private final ManualSetups hands;
    private final Observability sight;
    private final LoadDegrees loading;
    private final Model model;

    LimiterClearance(ManualSetups hands, Observability sight, LoadDegrees loading, Model model) {
        this.unit = model.unit();
        this.hands = hands;
        this.sight = sight;
        this.loading = loading;
        this.model = model;
    }

    /** Empty where the candidate can't be made to show the setting so. */
    Optional<Arrangement> attempt(
            Setting sought,
            double value,
            ManualSetups.Candidate candidate,
            Situation from,
            Predicate<String> mayRaise) {
        Situation s = from;
        Map<String, Double> lifted = new LinkedHashMap<>();
        Map<String, Integer> rounds = new HashMap<>();
        while (lifted.size() <= MOST_RAISED) {
            Optional<Situation> there = loading.stand(sought, candidate, s);
            Optional<SteadyState> state = there.flatMap(model::solve);
            if (state.isPresent() && sight.shows(sought, state.get())) {
                List<TestPoint> gauges = sight.gauges(sought, state.get());
                if (!gauges.isEmpty() || sight.has(sought, sought.line(), state.get())) {
                    return Optional.of(new Arrangement(sought.id(), there.get(), state.get(), gauges, lifted));
                }
            }
            Optional<String> holder = state.or(() -> model.solve(hands.apply(candidate.way(), from)))
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
            Setting sought,
            double value,
            ManualSetups.Candidate candidate,
            Situation from,
            Predicate<String> mayRaise) {
        Map<String, Double> lifted = new LinkedHashMap<>();
        for (Setting other : unit.settings()) {
            if (!other.id().equals(sought.id()) && mayRaise.test(other.id())) {
                double up = level(other.id(), value, from);
                if (up > unit.at(from).setting(other.id()) + 1) {
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
        Situation there = loading.stand(sought, candidate, with(from, lifted)).orElseThrow();
        SteadyState state = model.solve(there).orElseThrow();
        return Optional.of(new Arrangement(sought.id(), there, state, sight.gauges(sought, state), lifted));
    }

    private boolean seen(Setting sought, ManualSetups.Candidate candidate, Situation from, Map<String, Double> lifted) {
        return loading.stand(sought, candidate, with(from, lifted))
                .flatMap(model::solve)
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
        return Math.max(unit.at(from).setting(other), s.screw().clamp(Math.max(own, above)));
    }
}
