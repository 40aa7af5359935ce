package earlygate.plan;

import earlygate.quantity.Keyed;

/**
 * One thing that a hand does in a step. Nothing else differs between the situation before and the one after.
 *
 * @param id drive, hand valve, lever, adjuster, gauge, gear or actuator
 * @param to position of a lever, or the line that something is fitted on; empty for the others
 * @param amount opening of a valve or of gear, 0 to 1; turns of a screw, clockwise positive; 0 for the others
 */
public record Move(Kind kind, String id, String to, double amount) {
    public enum Kind implements Keyed {
        START,
        STOP,
        OPEN,
        SHIFT,
        TURN,
        NUT,
        FIT,
        REMOVE,
        VENT,
        BLOCK,
        FREE,
        DRAIN
    }

    public static Move of(Kind kind, String id) {
        return new Move(kind, id, "", 0);
    }

    public static Move open(String valve, double opening) {
        return new Move(Kind.OPEN, valve, "", opening);
    }

    public static Move shift(String lever, String position) {
        return new Move(Kind.SHIFT, lever, position, 0);
    }

    public static Move turn(String setting, double turns) {
        return new Move(Kind.TURN, setting, "", turns);
    }

    public static Move fit(String id, String line, double opening) {
        return new Move(Kind.FIT, id, line, opening);
    }
}
