package earlygate.unit;

import earlygate.quantity.PressureUnit;

/** A gauge fitted to a line. {@code rangePa} is full scale; {@code accuracyClass} is percent of it. */
public record TestPoint(String id, String line, double rangePa, double accuracyClass, PressureUnit reads) {
    /** Largest error the class allows, Pa. */
    public double errorPa() {
        return rangePa * accuracyClass / 100;
    }

    /** A pressure (Pa) as it can be read off, in the gauge's own unit: to a 1, 2 or 5 no finer than half its error. */
    public double readOff(double pressurePa) {
        double finest = reads.fromPa(errorPa()) / 2;
        double power = Math.pow(10, Math.floor(Math.log10(finest)));
        double step = finest >= 5 * power ? 5 * power : finest >= 2 * power ? 2 * power : power;
        return Math.rint(reads.fromPa(pressurePa) / step) * step;
    }
}
