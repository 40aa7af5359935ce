package earlygate.run;

import static earlygate.judge.NextTurn.SIXTEENTH;

import earlygate.explain.Reason;
import earlygate.judge.Verdict.Grade;
import earlygate.plan.Goal;
import earlygate.plan.Step;
import java.util.Optional;
import java.util.OptionalDouble;

/** The next turn, from what the run has read and turned so far. */
public final class Coach {
    private Coach() {}

    /**
     * @param turns clockwise positive; 0 when there is nothing to turn now
     * @param relock turns to set against the nut's drag once it is slack again; 0 where nothing was locked
     * @param lost the screw at hand does not have the gauge
     */
    public record Advice(double turns, Reason reason, double relock, boolean lost) {
        Advice(double turns, Reason reason) {
            this(turns, reason, 0, false);
        }

        Advice(double turns, Reason reason, double relock) {
            this(turns, reason, relock, false);
        }
    }

    /** Who has the gauge at the readings as they are; empty while nothing says that it is not as planned. */
    public static Optional<WhoHas> whoHas(RunState run, Step step, Optional<Advice> advice) {
        boolean lost = advice.filter(Advice::lost).isPresent();
        boolean fails = run.assess(step).judged().stream().anyMatch(j -> j.grade() == Grade.FAIL);
        return lost || fails ? WhoHas.of(run, step, lost) : Optional.empty();
    }

    /** Empty for steps without an adjuster, and for a locked screw whose reading passes or is still to come. */
    public static Optional<Advice> advice(RunState run, Step step, ModelCache answers) {
        if (step.goal().isEmpty() || step.setting().isEmpty()) {
            return Optional.empty();
        }
        Goal goal = step.goal().get();
        if (goal instanceof Goal.Turned t) {
            StepRecord record = run.record(step.id());
            return Optional.of(t instanceof Goal.ToEnd end ? toTheEnd(record, end) : counted(record, t));
        }
        if (goal instanceof Goal.Rate rate) {
            return RateAdvice.next(run, step, rate);
        }
        boolean locks = step.kind() == Step.Kind.LOCK;
        if (goal instanceof Goal.Crack crack
                && !(locks && run.record(step.id()).cracked().isPresent())) {
            return CrackAdvice.next(run, step, crack);
        }
        Goal.Measured measured = (Goal.Measured) goal;
        return locks
                ? afterLocking(run, step, measured)
                : Optional.of(new TurnToTarget(run, step, measured, answers).next());
    }

    private static Advice counted(StepRecord record, Goal.Turned goal) {
        double left = goal.turns() - record.turned();
        if (Math.abs(left) < SIXTEENTH / 2) {
            return new Advice(0, Reason.of("advice.counted"));
        }
        Reason reason = Reason.of(left > 0 ? "advice.count-in" : "advice.count-out")
                .turns("turns", Math.abs(left))
                .turns("all", Math.abs(goal.turns()));
        return new Advice(left, reason);
    }

    /** The data only say about how far it is; the screw says when it is there. */
    private static Advice toTheEnd(StepRecord record, Goal.ToEnd goal) {
        double left = goal.turns() - record.turned();
        boolean on = Math.abs(left) >= SIXTEENTH && Math.signum(left) == Math.signum(goal.turns());
        Reason reason = Reason.of(goal.inward() ? "advice.in-to-end" : "advice.out-to-end")
                .turns("turned", Math.abs(record.turned()));
        double next = on ? left : Math.copySign(SIXTEENTH, goal.turns());
        return new Advice(record.touchedEnd() ? 0 : next, reason);
    }

    /** The nut drags: how far to set against it before it is tightened again. */
    private static Optional<Advice> afterLocking(RunState run, Step step, Goal.Measured goal) {
        StepAssessment judge = run.assess(step);
        boolean failed = judge.judged().stream().anyMatch(j -> goal.reads(j.instrument()) && j.grade() != Grade.PASS);
        boolean cracked = run.plan().steps().stream()
                .anyMatch(s -> s.cracks() && s.setting().equals(step.setting()));
        boolean held = cracked && !step.readsItself() && !step.cracks();
        OptionalDouble left = judge.decisive();
        if (!failed || held || left.isEmpty()) {
            return Optional.empty();
        }
        String setting = step.setting().orElseThrow();
        double off = goal.targetPa() - left.getAsDouble();
        double drag = run.screws().drag(setting);
        double perTurn = run.screws().slope(setting, goal).perTurn();
        double turns = Math.round((off / perTurn - drag) / SIXTEENTH) * SIXTEENTH;
        if (turns == 0) {
            turns = Math.copySign(SIXTEENTH, off);
        }
        Reason reason = Reason.of(turns > 0 ? "advice.relock-in" : "advice.relock-out")
                .turns("turns", Math.abs(turns))
                .pressure("off", Math.abs(off))
                .pressure("drag", Math.abs(drag) * perTurn);
        return Optional.of(new Advice(0, reason, turns));
    }
}
