package earlygate.upkeep;

import earlygate.quantity.Keyed;

/** When oil and filters are changed and settings checked again. */
public enum School implements Keyed {
    BY_CONDITION,
    BY_HOURS
}
