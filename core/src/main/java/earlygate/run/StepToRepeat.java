package earlygate.run;

import earlygate.judge.Verdict.Grade;
import earlygate.plan.Expect;
import earlygate.plan.Expect.Take;
import earlygate.plan.Step;
import java.util.List;
import java.util.Optional;

/** Where a reading that does not come leads back to: the step in which what it reads was set. */
public final class StepToRepeat {
    private StepToRepeat() {}

    /** Empty while everything read passes, and where no earlier step could mend it. */
    public static Optional<Step> of(RunState run, Step step) {
        StepAssessment judge = run.assess(step);
        boolean fails = judge.judged().stream().anyMatch(j -> j.grade() != Grade.PASS);
        List<Step> before = run.plan().steps().subList(0, run.plan().numberOf(step.id()) - 1);
        if (step.cracks() && step.kind() == Step.Kind.SET) {
            if (CrackAdvice.wentBy(run, step)) {
                return last(
                        before,
                        s -> s.kind() == Step.Kind.START_POSITION && s.setting().equals(step.setting()));
            }
            // The crack is found at what the pump holds: held too far off, no other try of the same comes nearer. Not
            // before
            // the relief stands in again as it was: backed out it would hold the line that the pump is to be raised on.
            return CrackAdvice.heldOff(run, step)
                    ? last(
                            before,
                            s -> s.kind() == Step.Kind.START_POSITION
                                    && s.measured().isPresent()
                                    && !s.cracks())
                    : Optional.empty();
        }
        Optional<Expect> later =
                step.expect().stream().filter(e -> e.take() == Take.AFTER).findFirst();
        if (later.isPresent()) {
            // What is left after a while says something only of the pressure it began with.
            return fails ? last(before, s -> reads(s, later.get().instrument())) : Optional.empty();
        }
        if (step.setting().isEmpty() || step.kind() == Step.Kind.SET) {
            return Optional.empty();
        }
        // A relief that was found by its crack and is locked where it has the gauge is mended there, nut and all.
        return (fails || judge.crackIsVoid())
                ? last(
                        before,
                        s -> s.kind() == Step.Kind.SET
                                && s.setting().equals(step.setting())
                                && !(s.cracks() && step.readsItself()))
                : Optional.empty();
    }

    private static boolean reads(Step step, String gauge) {
        return step.kind() == Step.Kind.TEST
                && step.expect().stream().anyMatch(e -> e.instrument().equals(gauge));
    }

    private static Optional<Step> last(List<Step> steps, java.util.function.Predicate<Step> which) {
        return steps.stream().filter(which).reduce((a, b) -> b);
    }
}
