package earlygate.unit;

/**
 * An adjuster. Clockwise raises. Of a flow or a power limit, m3/s or W stand in place of Pa.
 *
 * @param minPa setting with the screw all out
 * @param maxPa setting with the screw all in
 * @param paPerTurn nominal slope; the real one is learned at the machine
 * @param wrench tool sizes, jam nut first; empty when the schematic doesn't say
 */
public record Screw(double minPa, double maxPa, double paPerTurn, String wrench) {
    /** Turns from all out to all in. */
    public double travel() {
        return (maxPa - minPa) / paPerTurn;
    }

    public double clamp(double settingPa) {
        return Math.max(minPa, Math.min(maxPa, settingPa));
    }
}
