package earlygate.unit;

import earlygate.quantity.Si;
import java.util.OptionalDouble;

/**
 * The oil of a unit.
 *
 * @param viscosity40 kinematic viscosity at 40 C, m2/s
 * @param viscosityIndex ASTM D2270
 * @param density kg/m3
 * @param bulkModulus effective, Pa
 * @param bandLow lower end of the working band, K
 * @param bandHigh upper end of the working band, K
 * @param tankVolume m3
 */
public record Fluid(
        String name,
        double viscosity40,
        double viscosityIndex,
        double density,
        double bulkModulus,
        double bandLow,
        double bandHigh,
        double tankVolume,
        String cleanlinessTarget) {
    /** As warm as the hall where nothing is said, K. */
    public static final double HALL = 18 + Si.ZERO_C;

    /** Specific heat of mineral oil, J/(kg K). */
    public static final double SPECIFIC_HEAT = 1900;

    /** Of its heat above the hall, what a bare tank loses, 1/s: in two hours it has cooled to a third. Estimated. */
    public static final double COOLING = 1.5e-4;

    /**
     * How long the tank takes from one warmth to a higher one, K, while so much heat goes in, W, and some is lost to the
     * hall.
     *
     * @return s; empty where it never comes there
     */
    public OptionalDouble warmingTime(double from, double to, double heat) {
        double most = warmest(heat);
        return to <= from
                ? OptionalDouble.of(0)
                : most <= to
                        ? OptionalDouble.empty()
                        : OptionalDouble.of(Math.log((most - from) / (most - to)) / COOLING);
    }

    /** The heat, W, that takes the tank from one warmth to another, K, in so many seconds. */
    public double heatFor(double from, double to, double seconds) {
        double left = Math.exp(-COOLING * seconds);
        return COOLING * heatCapacity() * ((to - from * left) / (1 - left) - HALL);
    }

    /** Where the tank loses as much as goes in, K. @param heat W */
    public double warmest(double heat) {
        return HALL + heat / (COOLING * heatCapacity());
    }

    public double middleOfBand() {
        return (bandLow + bandHigh) / 2;
    }

    /** Heat that warms the whole tank by one kelvin, J/K. */
    public double heatCapacity() {
        return density * SPECIFIC_HEAT * tankVolume;
    }
}
