package earlygate.unit;

import earlygate.quantity.Si;

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

    public double middleOfBand() {
        return (bandLow + bandHigh) / 2;
    }

    /** Heat that warms the whole tank by one kelvin, J/K. */
    public double heatCapacity() {
        return density * SPECIFIC_HEAT * tankVolume;
    }
}
