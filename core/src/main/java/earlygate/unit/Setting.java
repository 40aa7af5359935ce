package earlygate.unit;

import earlygate.quantity.Keyed;

/**
 * An adjuster.
 *
 * @param id {@code RV1}, {@code P1.compensator} or {@code S1.reliefA}
 * @param part the component that it is a screw of
 * @param line the line whose pressure it limits, or whose pressure it is read on
 * @param present how the unit file says it stands now: Pa, or W for a power limiter
 */
public record Setting(String id, String part, Kind kind, String line, double present, Screw screw) {
    public enum Kind implements Keyed {
        COMPENSATOR,
        LOAD_SENSE,
        POWER_LIMITER,
        RELIEF,
        UNLOADING,
        REDUCING,
        SEQUENCE,
        COUNTERBALANCE,
        PORT_RELIEF
    }

    /** A margin is a difference, and a power limiter has no pressure. */
    public boolean limitsPressure() {
        return kind != Kind.LOAD_SENSE && kind != Kind.POWER_LIMITER;
    }
}
