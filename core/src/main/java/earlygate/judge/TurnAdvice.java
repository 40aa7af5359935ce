package earlygate.judge;

import earlygate.explain.Reason;

/**
 * How far to turn next. Clockwise raises. Fractions of 1/16 turn; the target is approached from below; at most 1/4 turn
 * while the slope is unproven; never a turn that could pass a limit at the slope's upper bound.
 */
public sealed interface TurnAdvice {
    double STEP = 1.0 / 16;
    double UNPROVEN_MOST = 0.25;

    /** @param turns clockwise positive; {@code expectedPa} the reading it should bring */
    record Turn(double turns, double expectedPa, Reason reason) implements TurnAdvice {}

    /** The reading is where it should be. */
    record Leave(Reason reason) implements TurnAdvice {}

    /** Turned, and the gauge gave no answer: this adjuster does not have it. */
    record NoAnswer(Reason reason) implements TurnAdvice {}

    /** A turn that even at its smallest could pass the limit, or none is left on the screw. */
    record Stop(Reason reason) implements TurnAdvice {}

    /**
     * @param readingPa settled reading now
     * @param targetPa what it should read
     * @param closePa close enough to leave it
     * @param limitPa never to be passed
     * @param turnsLeftIn turns left to all in; {@code turnsLeftOut} to all out
     */
    record Case(
            double readingPa,
            double targetPa,
            double closePa,
            double limitPa,
            ScrewModel screw,
            double turnsLeftIn,
            double turnsLeftOut) {}

    static TurnAdvice next(Case c) {
        double error = c.targetPa() - c.readingPa();
        if (c.screw().silent() >= 2) {
            return new NoAnswer(reason("advice.no-answer", c));
        }
        if (Math.abs(error) <= c.closePa()) {
            return new Leave(reason("advice.leave", c));
        }
        return error > 0 ? in(c, error) : out(c, error);
    }

    private static TurnAdvice in(Case c, double error) {
        // Even the steepest slope believed must not carry the reading beyond the close band, nor past the limit.
        double most = Math.min(
                (error + c.closePa()) / c.screw().upper(),
                (c.limitPa() - c.readingPa()) / c.screw().upper());
        double turns = floor(Math.min(error / c.screw().slope(), Math.max(most, STEP)));
        if (!c.screw().proven()) {
            turns = Math.min(turns, UNPROVEN_MOST);
        }
        turns = Math.max(STEP, turns);
        if (c.readingPa() + turns * c.screw().upper() > c.limitPa()) {
            return new Stop(reason("advice.limit", c).pressure("limit", c.limitPa()));
        }
        if (c.turnsLeftIn() < STEP) {
            return new Stop(reason("advice.all-in", c));
        }
        return turn(c, Math.min(turns, Math.max(STEP, floor(c.turnsLeftIn()))));
    }

    private static TurnAdvice out(Case c, double error) {
        // Go a little below, so that the last move comes up from there.
        double turns = ceil((-error + c.closePa() / 2) / c.screw().slope());
        if (!c.screw().proven()) {
            turns = Math.min(turns, UNPROVEN_MOST);
        }
        if (c.turnsLeftOut() < STEP) {
            return new Stop(reason("advice.all-out", c));
        }
        return turn(c, -Math.min(turns, Math.max(STEP, floor(c.turnsLeftOut()))));
    }

    private static TurnAdvice turn(Case c, double turns) {
        double expected = Math.max(0, c.readingPa() + turns * c.screw().slope());
        Reason reason = reason(turns > 0 ? "advice.in" : "advice.out", c)
                .turns("turns", Math.abs(turns))
                .pressure("expected", expected);
        return new Turn(turns, expected, reason);
    }

    private static Reason reason(String code, Case c) {
        return Reason.of(code)
                .pressure("reading", c.readingPa())
                .pressure("target", c.targetPa())
                .pressure("slope", c.screw().slope())
                .pressure("slopeError", 2 * c.screw().sd());
    }

    private static double floor(double turns) {
        return Math.floor(turns / STEP + 1e-9) * STEP;
    }

    private static double ceil(double turns) {
        return Math.max(STEP, Math.ceil(turns / STEP - 1e-9) * STEP);
    }
}
