package earlygate.rig;

import earlygate.unit.Fluid;

/** The oil of a practice machine: it takes all heat, and loses a little to the hall. K. */
final class Tank {
    private final double heatCapacity;
    private double oil = Fluid.HALL;

    /** @param heatCapacity J/K */
    Tank(double heatCapacity) {
        this.heatCapacity = heatCapacity;
    }

    void warm(double seconds, double heatW) {
        oil += seconds * (heatW / heatCapacity - Fluid.COOLING * (oil - Fluid.HALL));
    }

    double oil() {
        return oil;
    }

    void oil(double kelvin) {
        oil = kelvin;
    }
}
