package earlygate.judge;

import earlygate.explain.Reason;

/**
 * How far to turn next. Clockwise raises. Fractions of 1/16 turn; the target is approached from below; at most 1/4 turn
 * while the slope is unproven and never more than twice the last turn; never a turn that could pass a limit at the
 * steepest slope believed or seen and at the gauge's error. It ends: close enough, or a sixteenth is coarser than that.
 */
public sealed interface TurnAdvice {
    double STEP = 1.0 / 16;
    double UNPROVEN_MOST = 0.25;

    /** @param turns clockwise positive; {@code expectedPa} the reading it should bring */
    record Turn(double turns, double expectedPa, Reason reason) implements TurnAdvice {}

    /** The reading is where it should be. */
    record Leave(Reason reason) implements TurnAdvice {}

    /** A sixteenth of a turn would carry it further off on the other side. */
    record Finest(Reason reason) implements TurnAdvice {}

    /** A turn that even at its smallest could pass the limit, or none is left on the screw. */
    record Stop(Reason reason) implements TurnAdvice {}

    /**
     * @param readingPa settled reading now
     * @param targetPa what it should read
     * @param closePa close enough to leave it
     * @param limitPa never to be passed
     * @param errorPa how far the gauge may be wrong
     * @param screw what is known of its slope
     * @param most the largest turn allowed by what was turned before; infinite where nothing says so
     * @param allOut the screw is known to stand at its outer end
     */
    record Case(
            double readingPa,
            double targetPa,
            double closePa,
            double limitPa,
            double errorPa,
            ScrewModel screw,
            double most,
            boolean allOut) {}

    static TurnAdvice next(Case c) {
        double error = c.targetPa() - c.readingPa();
        if (Math.abs(error) <= c.closePa()) {
            return new Leave(reason("advice.leave", c));
        }
        double sixteenth = STEP * c.screw().slope();
        if (c.screw().proven() && Math.abs(Math.abs(error) - sixteenth) >= Math.abs(error)) {
            return new Finest(reason("advice.finest", c).pressure("sixteenth", sixteenth));
        }
        return error > 0 ? in(c, error) : out(c, error);
    }

    private static TurnAdvice in(Case c, double error) {
        double steepest = c.screw().upper();
        // Even the steepest slope must not carry the reading beyond the close band, nor past the limit.
        double most = Math.min(c.most(), Math.max(STEP, (error + c.closePa()) / steepest));
        double turns = Math.min(error / c.screw().slope(), most);
        if (!c.screw().proven()) {
            turns = Math.min(turns, UNPROVEN_MOST);
        }
        double room = (c.limitPa() - c.errorPa() - c.readingPa()) / steepest;
        turns = Math.min(Math.max(STEP, floor(turns)), floor(room));
        return turns < STEP ? new Stop(reason("advice.limit", c).pressure("limit", c.limitPa())) : turn(c, turns);
    }

    private static TurnAdvice out(Case c, double error) {
        if (c.allOut()) {
            return new Stop(reason("advice.all-out", c));
        }
        // Go a little below, so that the last move comes up from there.
        double turns = ceil((-error + c.closePa() / 2) / c.screw().slope());
        if (!c.screw().proven()) {
            turns = Math.min(turns, UNPROVEN_MOST);
        }
        return turn(c, -Math.max(STEP, Math.min(turns, floor(c.most()))));
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
