package earlygate.plan;

import earlygate.explain.Value.Kind;
import earlygate.quantity.Keyed;

/**
 * What an instrument must show. SI.
 *
 * @param instrument a test point, the driver whose current is read, or {@link #OIL}
 * @param kind PRESSURE, CURRENT or TEMPERATURE
 * @param value what the model says
 * @param low lower end of what is good; {@code high} upper end
 * @param take at which moment it is read
 * @param afterS seconds after the drives have stopped, for {@link Take#AFTER}
 */
public record Expect(String instrument, Kind kind, double value, double low, double high, Take take, double afterS) {
    /** The thermometer in the tank. */
    public static final String OIL = "OIL";

    /** At which moment a reading counts. */
    public enum Take implements Keyed {
        /** When it stands still. */
        STANDING,
        /** The highest that it came to before it fell. */
        PEAK,
        /** The lowest that it came to before it rose. */
        VALLEY,
        /** So many seconds after the drives have stopped, whether it moves or not. */
        AFTER
    }

    public Expect {
        take = take == null ? Take.STANDING : take;
    }

    public Expect(String instrument, Kind kind, double value, double low, double high) {
        this(instrument, kind, value, low, high, Take.STANDING, 0);
    }

    public Expect taken(Take moment, double seconds) {
        return new Expect(instrument, kind, value, low, high, moment, seconds);
    }

    public boolean accepts(double measured) {
        return measured >= low && measured <= high;
    }
}
