package earlygate.run;

import earlygate.explain.Reason;
import earlygate.explain.Value.Kind;
import earlygate.plan.Procedure;
import earlygate.plan.Step;
import earlygate.plan.Step.Demand;
import earlygate.run.RunEvent.Reading;
import earlygate.verify.BothWaysTest;
import earlygate.verify.ReturnTest;
import java.util.List;
import java.util.Optional;

/** Readings of several steps that must agree: three returns of one limit, the same limit both ways. */
final class RepeatedReadings {
    private RepeatedReadings() {}

    /** Why what was read in this step does not agree with what was read before; empty where it does, or nothing is asked. */
    static Optional<Reason> missing(RunState run, Step step) {
        if (step.demands(Demand.RETURN)) {
            return apart(pressures(run, returns(run, step)), ReturnTest.WITHIN, "run.need.return");
        }
        if (step.demands(Demand.BOTH_WAYS)) {
            return apart(
                    pressures(run, of(run, step.procedure().orElseThrow())), BothWaysTest.WITHIN, "run.need.both-ways");
        }
        return Optional.empty();
    }

    /** Plans before edition 7 tell returns by their setting alone. */
    private static List<Step> returns(RunState run, Step step) {
        return run.plan().steps().stream()
                .filter(s -> s.demands(Demand.RETURN) && s.setting().equals(step.setting()))
                .toList();
    }

    static List<Step> of(RunState run, Procedure test) {
        return run.plan().steps().stream()
                .filter(s -> s.procedure().equals(Optional.of(test)))
                .toList();
    }

    /** What the first gauge of each showed, as far as it was read, Pa. */
    static List<Double> pressures(RunState run, List<Step> steps) {
        return steps.stream()
                .flatMap(s -> s.expect().stream()
                        .filter(e -> e.kind() == Kind.PRESSURE)
                        .limit(1)
                        .flatMap(e -> run.record(s.id()).reading(e.instrument()).stream()))
                .map(Reading::value)
                .toList();
    }

    private static Optional<Reason> apart(List<Double> readings, double within, String why) {
        double spread = ReturnTest.spread(readings);
        return spread <= within
                ? Optional.empty()
                : Optional.of(Reason.of(why).number("spread", percent(spread)).number("within", percent(within)));
    }

    /** A tenth of a percent is what tells here. */
    static double percent(double share) {
        return Math.round(1000 * share) / 10.0;
    }
}
