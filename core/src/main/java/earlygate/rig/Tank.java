package earlygate.rig;

import earlygate.unit.Fluid;

/** The oil of a practice machine: it takes all heat, and loses a little to the hall. K. */
final class Tank {
    /** Heat lost, as a share of its heat content above the hall per second. */
    private static final double COOLING = 1.5e-4;

    private final double heatCapacity;
    private double oil = Fluid.HALL;

    /** @param heatCapacity J/K */
    Tank(double heatCapacity) {
        this.heatCapacity = heatCapacity;
    }

    void warm(double seconds, double heatW) {
        oil += seconds * (heatW / heatCapacity - COOLING * (oil - Fluid.HALL));
    }

    double oil() {
        return oil;
    }

    void oil(double kelvin) {
        oil = kelvin;
    }
}
