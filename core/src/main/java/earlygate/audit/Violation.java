package earlygate.audit;

import earlygate.explain.Reason;
import earlygate.quantity.Keyed;

/** @param step id of the step in which it shows; {@code message} with the figures */
public record Violation(Point point, String step, Reason message) {
    /** The points of docs/rules.md, in their order. */
    public enum Point implements Keyed {
        /** An expectation outside its own band or not what the model says; a change that no move tells. */
        SAYS_WHAT_IT_DOES,
        /** The adjuster at hand does not decide the reading. */
        DECIDES,
        /** A rating or a motor passed, in the step, past its target, or on the way there. */
        WITHIN_RATINGS,
        /** A moment without a limit that is not said, or the only relief of a fixed pump wound in. */
        PROTECTED,
        /** Turned the wrong way. */
        DIRECTION,
        /** A setting not set, not locked, not read again, or touched after that. */
        SET_AND_LOCKED,
        /** A fitting opened, or the unit handed over, with pressure left in a line. */
        LET_DOWN,
        /** A reading that doesn't stand still. */
        STANDS_STILL,
        /** A gauge shown more than its range or less than it can tell; a part that is never spoken of. */
        ON_THE_DIAL
    }
}
