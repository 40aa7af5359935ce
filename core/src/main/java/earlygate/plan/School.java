package earlygate.plan;

import earlygate.quantity.Keyed;

/** A way to bring a relief and a compensator to their targets. */
public enum School implements Keyed {
    LEAD_WITH_PUMP,
    LEAD_WITH_RELIEF,
    SIDE_BY_SIDE,
    /** The planner chooses. */
    AUTO
}
