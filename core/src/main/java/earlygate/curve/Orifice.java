package earlygate.curve;

import static earlygate.quantity.Si.BAR;

/**
 * Flow through a sharp opening: Q = K dp / (dp^2 + d0^2)^(1/4). Square-root law, linear below about d0 = 0.1 bar, odd in
 * dp. K in m3/s per sqrt(Pa); dp in Pa.
 */
public final class Orifice {
    private static final double D0 = 0.1 * BAR;

    private Orifice() {}

    /** K, m3/(s sqrt(Pa)), from rated flow at rated drop. */
    public static double coefficient(double ratedFlow, double ratedDropPa) {
        return ratedFlow / Math.sqrt(ratedDropPa);
    }

    public static double flow(double k, double dropPa) {
        return k * dropPa / Math.sqrt(Math.sqrt(dropPa * dropPa + D0 * D0));
    }

    /** dQ/d(dp), m3/(s Pa). */
    public static double slope(double k, double dropPa) {
        double s = dropPa * dropPa + D0 * D0;
        return k * (1 - dropPa * dropPa / (2 * s)) / Math.sqrt(Math.sqrt(s));
    }
}
