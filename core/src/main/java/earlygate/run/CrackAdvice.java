package earlygate.run;

import earlygate.explain.Reason;
import earlygate.judge.NextTurn;
import earlygate.judge.ReliefEstimate;
import earlygate.plan.Goal;
import earlygate.plan.Move;
import earlygate.plan.Step;
import earlygate.run.Coach.Advice;
import earlygate.unit.Screw;
import java.util.Optional;
import java.util.OptionalDouble;

/** How a relief's crack is come to: backed out against the pump, or, once it is locked, with the pump from below. */
final class CrackAdvice {
    /** A gauge whose error leaves less than this of the tolerance can't tell. */
    private static final double TELLS = 0.1;

    private static final double TRACE = NextTurn.SIXTEENTH / 2;

    private CrackAdvice() {}

    static Optional<Advice> next(RunState run, Step step, Goal.Crack goal) {
        return step.kind() == Step.Kind.LOCK ? fromBelow(step, goal) : Optional.of(backOut(run, step, goal));
    }

    /** Large turns while the nominal crack is far, smaller ones towards it. */
    private static Advice backOut(RunState run, Step step, Goal.Crack goal) {
        StepRecord record = run.record(step.id());
        if (record.cracked().isPresent()) {
            return cracked(run, step, goal);
        }
        if (heldOff(run, step)) {
            return raiseAgain(goal);
        }
        if (wentBy(run, step)) {
            return new Advice(
                    0,
                    Reason.of("advice.no-crack")
                            .name("setting", step.setting().orElseThrow())
                            .name("gauge", goal.testPoint())
                            .turns("turned", Math.abs(record.turned())));
        }
        Optional<CrackFromReadings> read =
                run.assess(step).crackRead().filter(r -> r.state() != CrackFromReadings.State.HOLDS);
        if (read.isPresent()) {
            return byReadings(step, goal, read.get());
        }
        Screw screw = screw(run, step);
        double nominal = Math.max(NextTurn.SIXTEENTH, (screw.maxPa() - goal.targetPa()) / screw.paPerTurn());
        double share = record.lastHeld().isPresent() ? 1 : -record.turned() / nominal;
        double turns = share < 0.4 ? 4 * NextTurn.SIXTEENTH : share < 0.7 ? 2 * NextTurn.SIXTEENTH : NextTurn.SIXTEENTH;
        Reason reason = Reason.of("advice.back-out").turns("turns", turns).pressure("moves", turns * screw.paPerTurn());
        return new Advice(-turns, reason);
    }

    /** What was read between the turns says not to turn on. */
    private static Advice byReadings(Step step, Goal.Crack goal, CrackFromReadings read) {
        Reason reason = Reason.of(
                        switch (read.state()) {
                            case TO_READ -> "advice.read-come-in";
                            case SUSPECTED -> "advice.read-fall-again";
                            case CAME_IN -> "advice.read-came-in";
                            default -> "advice.read-fall";
                        })
                .name("setting", step.setting().orElseThrow())
                .name("gauge", goal.testPoint())
                .pressure("held", read.heldPa())
                .pressure("fall", read.fallPa());
        return new Advice(
                0,
                read.stands().map(s -> reason.pressure("stands", s.settingPa())).orElse(reason));
    }

    /** Past its crack the relief itself stands lower than what was held: in again by so much, and found once more. */
    private static Advice cracked(RunState run, Step step, Goal.Crack goal) {
        String setting = step.setting().orElseThrow();
        double out = -run.record(step.id()).turned();
        if (lastHeldIsOff(run, step)) {
            return out > TRACE
                    ? new Advice(
                            out,
                            Reason.of("advice.in-and-raise-again")
                                    .name("setting", setting)
                                    .turns("turns", out))
                    : raiseAgain(goal);
        }
        if (ReliefCheck.onlyHeard(run, step)) {
            return new Advice(
                    -NextTurn.SIXTEENTH,
                    Reason.of("advice.only-heard").name("setting", setting).name("gauge", goal.testPoint()));
        }
        Optional<ReliefEstimate> low = ReliefCheck.tooLow(run, step);
        if (low.isEmpty()) {
            return new Advice(
                    0,
                    ReliefCheck.of(run, step)
                            .map(s -> Reason.of("advice.cracked-stands")
                                    .name("setting", setting)
                                    .pressure("stands", s.settingPa())
                                    .pressure("low", s.low())
                                    .pressure("high", s.high()))
                            .orElse(Reason.of("advice.cracked")
                                    .name("gauge", goal.testPoint())
                                    .name("setting", setting)));
        }
        double past = run.record(step.id()).cracked().orElseThrow().pressurePa()
                - low.get().settingPa();
        double turns = comeIn(run, step, low.get(), past);
        return new Advice(
                turns,
                Reason.of(run.onRig() ? "advice.come-in-again" : "advice.come-in-to-it")
                        .name("setting", setting)
                        .pressure("stands", low.get().settingPa())
                        .pressure("past", past)
                        .turns("turns", turns));
    }

    /**
     * With a live gauge to above its crack, which is then found once more by smaller turns. Without one to just below it,
     * where that is enough: turns and gauge together tell it there.
     */
    private static double comeIn(RunState run, Step step, ReliefEstimate low, double past) {
        double perTurn = run.slope(step.setting().orElseThrow()).perTurn();
        double sixteenth = NextTurn.SIXTEENTH * perTurn;
        double below = Math.max(1, Math.floor(past / sixteenth));
        double moves = below * sixteenth;
        ReliefEstimate then = new ReliefEstimate(low.settingPa() + moves, low.low() + moves, low.high() + moves);
        boolean enough = !run.onRig() && !ReliefCheck.isTooLow(run, step, then);
        return NextTurn.SIXTEENTH * (enough ? below : Math.max(1, Math.ceil(past / sixteenth)));
    }

    private static Advice raiseAgain(Goal.Crack goal) {
        return new Advice(0, Reason.of("advice.raise-again").name("gauge", goal.testPoint()));
    }

    /** It cracked at what can't pass, and the relief stands in again as it was: the pump is to be raised anew. */
    static boolean heldOff(RunState run, Step step) {
        return lastHeldIsOff(run, step) && run.record(step.id()).turned() > -TRACE;
    }

    /** Where the gauge is too coarse to tell at all, only what surely fails is off. */
    private static boolean lastHeldIsOff(RunState run, Step step) {
        Goal.Measured goal = step.measured().orElseThrow();
        double error = run.unit().testPoint(goal.testPoint()).errorPa();
        double sure = goal.tolerancePa() - error > TELLS * goal.tolerancePa()
                ? goal.tolerancePa() - error
                : goal.tolerancePa() + error;
        OptionalDouble held = run.record(step.id()).lastHeld();
        return held.isPresent() && Math.abs(held.getAsDouble() - goal.targetPa()) > sure;
    }

    /** The relief is locked: the pump is what is turned. */
    private static Optional<Advice> fromBelow(Step step, Goal.Crack goal) {
        return step.moves().stream()
                .filter(m -> m.kind() == Move.Kind.TURN)
                .findFirst()
                .map(m -> new Advice(
                        0,
                        Reason.of("advice.up-to-crack")
                                .name("compensator", m.id())
                                .name("relief", step.setting().orElseThrow())
                                .name("gauge", goal.testPoint())));
    }

    /** Backed out to its end, or further than the gentlest screw would need, and nothing cracked. */
    static boolean wentBy(RunState run, Step step) {
        StepRecord record = run.record(step.id());
        String setting = step.setting().orElseThrow();
        double way = screw(run, step).maxPa() - step.measured().orElseThrow().targetPa();
        double most = Math.max(0, way) / run.slope(setting).lower() + 1;
        return record.cracked().isEmpty() && (record.touchedEnd() || -record.turned() > most);
    }

    private static Screw screw(RunState run, Step step) {
        return run.unit().setting(step.setting().orElseThrow()).screw();
    }
}
