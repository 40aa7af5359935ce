package earlygate.audit;

import earlygate.plan.Plan;
import earlygate.plan.Step;
import earlygate.solve.Model;
import earlygate.solve.SteadyState;
import earlygate.unit.Meter;
import earlygate.unit.PowerUnit;
import earlygate.unit.RateTarget;
import earlygate.unit.Setting;
import earlygate.unit.Situation;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;

/** A plan's steps, each with what stood before it and what the model says of it. */
final class Replay {
    final PowerUnit unit;
    final Model model;
    private final List<ReplayedStep> steps = new ArrayList<>();

    /** @param before the situation of the step before; of the first step its own */
    record ReplayedStep(Step step, Situation before, Optional<SteadyState> state) {
        Situation at() {
            return step.situation();
        }
    }

    Replay(Model model, Plan plan) {
        this.model = model;
        this.unit = model.unit();
        Situation before = null;
        for (Step s : plan.steps()) {
            steps.add(new ReplayedStep(s, before == null ? s.situation() : before, model.solve(s.situation())));
            before = s.situation();
        }
    }

    List<ReplayedStep> steps() {
        return steps;
    }

    /** A power limiter that is set only later holds nothing for sure yet: the state without it; empty where all are set. */
    Optional<SteadyState> withoutUnsetLimiters(ReplayedStep replayed) {
        Situation s = replayed.at();
        for (RateTarget t : unit.rateTargets()) {
            boolean setLater = steps.stream()
                    .dropWhile(x -> x != replayed)
                    .skip(1)
                    .map(ReplayedStep::step)
                    .anyMatch(x -> x.kind() == Step.Kind.SET
                            && x.setting().filter(t.setting()::equals).isPresent());
            if (setLater && unit.setting(t.setting()).kind() == Setting.Kind.POWER_LIMITER) {
                s = s.withSetting(t.setting(), unit.setting(t.setting()).screw().maxPa());
            }
        }
        return s.equals(replayed.at()) ? Optional.empty() : model.solve(s);
    }

    /** What a flow meter shows, m3/s: one of the unit's own, or one that is fitted; empty where it is neither. */
    OptionalDouble flow(Situation at, SteadyState state, String meter) {
        return unit.meters().stream()
                .filter(m -> m.id().equals(meter))
                .map(Meter::of)
                .findFirst()
                .or(() -> Optional.ofNullable(at.metered().get(meter)))
                .map(place -> OptionalDouble.of(Math.abs(state.flow(place))))
                .orElse(OptionalDouble.empty());
    }
}
