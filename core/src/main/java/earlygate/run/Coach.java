package earlygate.run;

import earlygate.circuit.Screw;
import earlygate.circuit.TestPoint;
import earlygate.explain.Reason;
import earlygate.judge.TurnAdvice;
import earlygate.plan.Step;
import earlygate.plan.Step.Goal;
import earlygate.run.RunEvent.Reading;
import java.util.Optional;

/** The next turn, from what the run has read and turned so far. */
public final class Coach {
    /** Screws differ from their data; a nominal end stop is only believed with this allowance. */
    private static final double TRAVEL_ALLOWANCE = 1.15;

    private Coach() {}

    /**
     * @param turns clockwise positive; 0 when there is nothing to turn now
     */
    public record Advice(double turns, Reason reason) {}

    /** Empty for steps without an adjuster, and after locking, where nothing is to be turned. */
    public static Optional<Advice> advice(RunState run, Step step) {
        if (step.goal().isEmpty() || step.kind() == Step.Kind.LOCK) {
            return Optional.empty();
        }
        Goal goal = step.goal().get();
        return Optional.of(
                switch (goal.way()) {
                    case COUNT_TURNS -> counted(run, step, goal);
                    case TO_THE_END -> toTheEnd(run, step, goal);
                    case BACK_OUT_TO_CRACK -> toCrack(run, step, goal);
                    case TURN_TO_READING -> toReading(run, step, goal);
                });
    }

    private static Advice counted(RunState run, Step step, Goal goal) {
        double left = goal.turns() - run.record(step.id()).turned();
        if (Math.abs(left) < TurnAdvice.STEP / 2 || Math.signum(left) != Math.signum(goal.turns())) {
            return new Advice(0, Reason.of("advice.counted"));
        }
        Reason reason = Reason.of(left > 0 ? "advice.count-in" : "advice.count-out")
                .turns("turns", Math.abs(left))
                .turns("all", Math.abs(goal.turns()));
        return new Advice(left, reason);
    }

    /** The data only say about how far it is; the screw says when it is there. */
    private static Advice toTheEnd(RunState run, Step step, Goal goal) {
        double turned = run.record(step.id()).turned();
        double left = goal.turns() - turned;
        boolean on = Math.abs(left) >= TurnAdvice.STEP && Math.signum(left) == Math.signum(goal.turns());
        Reason reason = Reason.of(goal.turns() > 0 ? "advice.in-to-end" : "advice.out-to-end")
                .turns("turned", Math.abs(turned));
        return new Advice(on ? left : 0, reason);
    }

    /** Large turns while the nominal crack is far, smaller ones towards it. */
    private static Advice toCrack(RunState run, Step step, Goal goal) {
        if (run.record(step.id()).cracked().isPresent()) {
            return new Advice(0, Reason.of("advice.cracked"));
        }
        Screw screw = run.unit().setting(step.setting().orElseThrow()).screw();
        double nominal = (screw.maxPa() - goal.targetPa()) / screw.paPerTurn();
        double share = -run.record(step.id()).turned() / nominal;
        double turns = share < 0.4 ? 4 * TurnAdvice.STEP : share < 0.7 ? 2 * TurnAdvice.STEP : TurnAdvice.STEP;
        double moves = turns * screw.paPerTurn();
        return new Advice(
                -turns, Reason.of("advice.back-out").turns("turns", turns).pressure("moves", moves));
    }

    private static Advice toReading(RunState run, Step step, Goal goal) {
        StepRecord record = run.record(step.id());
        Optional<Reading> reading = record.reading(goal.testPoint());
        if (reading.isEmpty() || record.turnedSinceReading()) {
            return new Advice(0, Reason.of("advice.read-first").name("gauge", goal.testPoint()));
        }
        String setting = step.setting().orElseThrow();
        Screw screw = run.unit().setting(setting).screw();
        double position = run.position(setting);
        TurnAdvice next = TurnAdvice.next(new TurnAdvice.Case(
                reading.get().value(),
                goal.targetPa(),
                close(run, goal),
                goal.limitPa(),
                run.screw(setting),
                screw.travel() * TRAVEL_ALLOWANCE - position,
                position));
        if (next instanceof TurnAdvice.Turn t) {
            return new Advice(t.turns(), t.reason());
        }
        if (next instanceof TurnAdvice.NoAnswer n) {
            return new Advice(
                    0,
                    n.reason()
                            .name("setting", setting)
                            .name("holder", step.inControl().orElse("-")));
        }
        Reason why = next instanceof TurnAdvice.Leave l ? l.reason() : ((TurnAdvice.Stop) next).reason();
        return new Advice(0, why);
    }

    /** What passes for sure, and not finer than a quarter of the tolerance: no gauge and no glove is better. */
    private static double close(RunState run, Goal goal) {
        double error = run.unit().testPoints().stream()
                .filter(t -> t.id().equals(goal.testPoint()))
                .mapToDouble(TestPoint::errorPa)
                .findFirst()
                .orElse(0);
        return Math.max(goal.tolerancePa() - error, goal.tolerancePa() / 4);
    }
}
