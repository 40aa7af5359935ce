package earlygate.run;

import earlygate.explain.Reason;
import earlygate.explain.Value.Amount;
import earlygate.judge.NextTurn;
import earlygate.plan.Goal;
import earlygate.plan.Step;
import earlygate.run.Coach.Advice;
import java.util.Optional;
import java.util.OptionalDouble;

/** The next turn of a flow screw or a power limiter: never more than an eighth, then read again. */
final class RateAdvice {
    private static final double MOST = 2 * NextTurn.SIXTEENTH;

    private RateAdvice() {}

    /** Empty for a locked screw that reads right, or is still to be read. */
    static Optional<Advice> next(RunState run, Step step, Goal.Rate goal) {
        OptionalDouble read = run.record(step.id()).measure();
        boolean locked = step.kind() == Step.Kind.LOCK;
        if (read.isEmpty()) {
            return locked
                    ? Optional.empty()
                    : Optional.of(new Advice(0, Reason.of("advice.read-first").name("gauge", goal.testPoint())));
        }
        double off = goal.target() - read.getAsDouble();
        double least = least(run, step.setting().orElseThrow(), goal);
        if (Math.abs(off) <= goal.tolerance() - ReadingJudge.error(run.unit(), goal.testPoint(), goal.target())) {
            return locked ? Optional.empty() : Optional.of(new Advice(0, Reason.of("advice.rate-leave")));
        }
        if (Math.abs(off) < least / 2) {
            return locked ? Optional.empty() : Optional.of(new Advice(0, Reason.of("advice.rate-finest")));
        }
        double turns = Math.copySign(Math.abs(off) < 1.5 * least ? NextTurn.SIXTEENTH : MOST, off);
        Reason reason = Reason.of(
                        locked
                                ? turns > 0 ? "advice.rate-relock-in" : "advice.rate-relock-out"
                                : turns > 0 ? "advice.rate-in" : "advice.rate-out")
                .turns("turns", Math.abs(turns))
                .with("off", new Amount(Math.abs(off), goal.quantity()));
        return Optional.of(locked ? new Advice(0, reason, turns) : new Advice(turns, reason));
    }

    /** What a sixteenth of a turn does to the reading, by the sheet. */
    private static double least(RunState run, String setting, Goal.Rate goal) {
        double perTurn = run.unit().setting(setting).screw().paPerTurn();
        double reads = run.unit()
                .rateTarget(setting)
                .map(t -> goal.tolerance() / t.tolerance())
                .orElse(1.0);
        return perTurn * reads * NextTurn.SIXTEENTH;
    }
}
