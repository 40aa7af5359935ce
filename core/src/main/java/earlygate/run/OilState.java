package earlygate.run;

import earlygate.quantity.Keyed;
import earlygate.unit.Fluid;
import java.time.Duration;
import java.time.Instant;

/** What the oil's last reading says of settings: they count only while it is in its band and the reading is fresh. */
public enum OilState implements Keyed {
    UNKNOWN,
    STALE,
    COLD,
    HOT,
    OK;

    /** How long a reading of the oil is good for. */
    public static final Duration FRESH = Duration.ofMinutes(15);

    /** @param kelvin of the oil */
    static OilState of(Fluid fluid, double kelvin) {
        return kelvin < fluid.bandLow() ? COLD : kelvin > fluid.bandHigh() ? HOT : OK;
    }

    /** The oil of a run as it is known at this instant. */
    public static OilState at(RunState run, Instant now) {
        if (run.oil().isEmpty() || run.oilReadAt().isEmpty()) {
            return UNKNOWN;
        }
        return stale(run.oilReadAt().get(), now)
                ? STALE
                : of(run.unit().fluid(), run.oil().getAsDouble());
    }

    /** Whether two instants lie too far apart for the reading of one to count at the other. */
    static boolean stale(Instant read, Instant used) {
        return Duration.between(read, used).abs().compareTo(FRESH) > 0;
    }
}
