package earlygate.circuit;

import earlygate.quantity.PressureUnit;

/** A gauge fitted to a line. {@code rangePa} is full scale; {@code accuracyClass} is percent of it. */
public record TestPoint(String id, String line, double rangePa, double accuracyClass, PressureUnit reads) {
    /** Largest error the class allows, Pa. */
    public double errorPa() {
        return rangePa * accuracyClass / 100;
    }
}
