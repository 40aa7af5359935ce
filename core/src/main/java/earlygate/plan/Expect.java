package earlygate.plan;

import earlygate.explain.Value.Kind;

/**
 * What an instrument must show. SI.
 *
 * @param instrument a test point, the driver whose current is read, or {@link #OIL}
 * @param kind PRESSURE, CURRENT or TEMPERATURE
 * @param value what the model says
 * @param low lower end of what is good; {@code high} upper end
 */
public record Expect(String instrument, Kind kind, double value, double low, double high) {
    /** The thermometer in the tank. */
    public static final String OIL = "OIL";

    public boolean accepts(double measured) {
        return measured >= low && measured <= high;
    }
}
