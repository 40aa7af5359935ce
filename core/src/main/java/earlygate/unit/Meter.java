package earlygate.unit;

import earlygate.quantity.Keyed;

/**
 * An instrument of the unit that shows no pressure: flow through a component (m3/s) or current of a drive (A).
 *
 * @param of the component or the drive
 * @param range full scale, SI; {@code accuracyClass} percent of it
 */
public record Meter(String id, Kind kind, String of, double range, double accuracyClass) {
    public enum Kind implements Keyed {
        FLOW,
        CURRENT
    }
}
