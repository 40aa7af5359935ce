package earlygate.plan;

import earlygate.quantity.Keyed;

/** How it becomes known where the settings stood when the unit was come to. */
public enum AsFound implements Keyed {
    /** Turns out to the end, times the slope that is learned later: a unit that has never run, or is not safe as it stands. */
    COUNT,
    /** Each on its gauge as it came, before any screw is touched: a unit that has run before. */
    READ
}
