package earlygate.run;

import earlygate.plan.Step;
import java.util.List;

/**
 * How far a run has come.
 *
 * @param step number of the step at hand, from 1; that of the last one when all are done
 * @param of so many
 * @param minutesLeft what the plan estimates for the steps that are not done
 */
public record Progress(int step, int of, double minutesLeft) {
    public static Progress of(RunState run) {
        List<Step> steps = run.plan().steps();
        double left = steps.stream()
                .filter(s -> !run.record(s.id()).isDone())
                .mapToDouble(Step::minutes)
                .sum();
        return new Progress(
                run.current().map(s -> run.plan().numberOf(s.id())).orElse(steps.size()), steps.size(), left);
    }
}
