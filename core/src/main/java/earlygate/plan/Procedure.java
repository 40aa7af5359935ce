package earlygate.plan;

import earlygate.quantity.Keyed;

/**
 * The test of the finished unit that a step belongs to; the readings of all its steps are judged together. Source:
 * handbook 8.
 *
 * @param subject the setting, valve, pump, gauge or work that it tells of
 */
public record Procedure(Kind kind, String subject) {
    public enum Kind implements Keyed {
        /** Let go and asked for again, at least three times: does the limit come back to the same pressure? */
        RETURN,
        /** The same limit with the lever to one side and to the other. */
        BOTH_WAYS,
        /** Two pumps below an unloading valve's setting, one above it. */
        TRANSFER,
        /** A reduced branch while its supply goes from the lowest to the highest, and with flow. */
        BRANCH,
        /** An accumulator's cut-out and cut-in, how long it charges and how long it rests. */
        CYCLE,
        /** A relief valve with its vent open, and closed again. */
        VENT,
        /** A load-sense pump's flow at another speed of its engine. */
        SPEED,
        /** A load-sense pump with its signal drained. */
        STANDBY,
        /** A load-sense pump that nothing takes oil from: its margin goes to about nothing, as it should. */
        STALL,
        /** What the drive takes where the work is done. */
        WORKING_POINT,
        /** A flow or a power that has no screw. */
        RATE,
        /** Two like pumps on one drive, by their curves. */
        TWINS,
        /** A line shut in: how far it falls in a minute. */
        HOLD,
        TEMPERATURE
    }
}
