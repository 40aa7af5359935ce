package earlygate.unit;

import earlygate.quantity.Keyed;

/** What the schematic asks of a setting, Pa. */
public record Target(String setting, double pressurePa, double tolerancePa, Defined defined) {
    /** Tolerance as a fraction of the target where the schematic gives none. */
    public static final double DEFAULT_TOLERANCE = 0.02;

    public enum Defined implements Keyed {
        CRACKING,
        FULL_FLOW
    }
}
