package earlygate.server.api;

import static earlygate.quantity.Si.BAR;
import static earlygate.quantity.Si.ZERO_C;

/** Figures as they go over the wire: in the units of the API, rounded once, here. */
public final class Wire {
    private Wire() {}

    /** To six significant digits: no dial and no tolerance of the field is finer. */
    public static double figure(double value) {
        if (Math.abs(value) < 1e-9) {
            return 0;
        }
        double scale = Math.pow(10, 5 - Math.floor(Math.log10(Math.abs(value))));
        return Math.round(value * scale) / scale;
    }

    /** @param decimals 0 to 6 */
    public static double rounded(double value, int decimals) {
        double scale = Math.pow(10, decimals);
        return Math.round(value * scale) / scale;
    }

    /** Pa as bar, to a tenth. */
    public static double bar(double pascal) {
        return rounded(pascal / BAR, 1);
    }

    /** K as C, to a tenth. */
    public static double celsius(double kelvin) {
        return rounded(kelvin - ZERO_C, 1);
    }
}
