package earlygate.unit;

import earlygate.quantity.Keyed;

/**
 * An adjuster.
 *
 * @param id {@code RV1}, {@code P1.compensator} or {@code S1.reliefA}
 * @param part the component that it is a screw of
 * @param line the line whose pressure it limits, or whose pressure it is read on
 * @param present how the unit file says it stands now: Pa, W for a power limiter, m3/s for a flow
 */
public record Setting(String id, String part, Kind kind, String line, double present, Screw screw) {
    public enum Kind implements Keyed {
        COMPENSATOR,
        LOAD_SENSE,
        POWER_LIMITER,
        FLOW,
        RELIEF,
        UNLOADING,
        REDUCING,
        SEQUENCE,
        COUNTERBALANCE,
        PORT_RELIEF
    }

    /** Whether it is a pressure at all: not a flow, not a power. */
    public boolean isPressure() {
        return kind != Kind.POWER_LIMITER && kind != Kind.FLOW;
    }

    /** A margin is a difference, and a power limiter has no pressure. */
    public boolean limitsPressure() {
        return kind != Kind.LOAD_SENSE && isPressure();
    }
}
