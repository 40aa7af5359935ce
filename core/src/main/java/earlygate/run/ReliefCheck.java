package earlygate.run;

import earlygate.judge.ReliefEstimate;
import earlygate.plan.Goal;
import earlygate.plan.Step;
import earlygate.run.RunEvent.Cracked;
import earlygate.run.RunEvent.Source;
import java.util.Optional;

/** Where a relief that was found by its crack stands itself, and whether that is too low though what was held is right. */
public final class ReliefCheck {
    private ReliefCheck() {}

    /** By the stream, or by what its gauge was read at after the fall; empty where nobody could tell. */
    public static Optional<ReliefEstimate> of(RunState run, Step step) {
        StepRecord record = run.record(step.id());
        Optional<Cracked> crack = record.cracked();
        if (crack.isEmpty() || crack.get().stands().isPresent()) {
            return crack.flatMap(Cracked::stands);
        }
        long cracked = record.crackedEvent().orElseThrow().seq();
        return record.readingEvent(step.goal().orElseThrow().testPoint())
                .filter(now -> step.kind() == Step.Kind.SET && now.seq() > cracked)
                .flatMap(now ->
                        run.answers().stands(step, crack.get().pressurePa(), RunRecord.value(now), Optional.empty()));
    }

    /**
     * Marked by hand at a machine with live gauges, and nothing has borne it out: neither did its gauge fall with the mark,
     * nor was the crack found since.
     */
    public static boolean onlyHeard(RunState run, Step step) {
        StepRecord record = run.record(step.id());
        return run.onRig()
                && step.kind() == Step.Kind.SET
                && !record.isDone()
                && record.cracked()
                        .filter(c -> c.source() == Source.TAPPED && c.stands().isEmpty())
                        .isPresent();
    }

    /**
     * The same, where it is below the tolerance; and where no later step reads the locked relief on its own gauge, already
     * where that is not excluded.
     */
    static Optional<ReliefEstimate> tooLow(RunState run, Step step) {
        return of(run, step).filter(s -> isTooLow(run, step, s));
    }

    /** Whether it is below the tolerance, or not surely inside where no later step proves it. */
    static boolean isTooLow(RunState run, Step step, ReliefEstimate place) {
        Goal.Measured goal = step.measured().orElseThrow();
        double least = goal.targetPa() - goal.tolerancePa();
        double error = run.unit().testPoint(goal.testPoint()).errorPa();
        boolean proved = run.plan().steps().stream()
                .anyMatch(s -> s.kind() == Step.Kind.LOCK
                        && s.setting().equals(step.setting())
                        && s.readsItself()
                        && !s.cracks());
        return proved ? place.settingPa() < least : place.settingPa() < least + error || place.low() < least;
    }
}
