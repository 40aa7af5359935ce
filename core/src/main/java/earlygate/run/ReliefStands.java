package earlygate.run;

import earlygate.judge.ReliefPlace;
import earlygate.plan.Goal;
import earlygate.plan.Step;
import earlygate.run.RunEvent.Cracked;
import earlygate.unit.PowerUnit;
import java.util.Optional;

/** Where a relief that was found by its crack stands itself, and whether that is too low though what was held is right. */
public final class ReliefStands {
    private ReliefStands() {}

    /** By the stream, or by what its gauge was read at after the fall; empty where nobody could tell. */
    public static Optional<ReliefPlace> of(RunState run, Step step) {
        StepRecord record = run.record(step.id());
        Optional<Cracked> crack = record.cracked();
        if (crack.isEmpty() || crack.get().stands().isPresent()) {
            return crack.flatMap(Cracked::stands);
        }
        Goal goal = step.goal().orElseThrow();
        return step.kind() == Step.Kind.SET
                ? record.reading(goal.testPoint())
                        .flatMap(now -> run.answers().stands(step, crack.get().pressurePa(), now.value()))
                : Optional.empty();
    }

    /** The same, where it is below what passes for sure, or may well be below the tolerance. */
    static Optional<ReliefPlace> tooLow(RunState run, Step step) {
        PowerUnit unit = run.unit();
        Goal.Measured goal = step.measured().orElseThrow();
        double least = goal.targetPa() - goal.tolerancePa();
        double error = unit.testPoint(goal.testPoint()).errorPa();
        return of(run, step).filter(s -> s.settingPa() < least + error || s.low() < least);
    }
}
