package earlygate.server.documents;

import java.util.Locale;

/** Graduations of an axis. */
final class Ticks {
    private static final double[] STEPS = {1, 2, 2.5, 5, 10};

    private Ticks() {}

    /** The smallest of 1, 2, 2.5 or 5 times a power of ten that needs no more than {@code most} steps. */
    static double step(double span, int most) {
        double least = span / most;
        double power = Math.pow(10, Math.floor(Math.log10(least)));
        for (double s : STEPS) {
            if (s * power >= least) {
                return s * power;
            }
        }
        return 10 * power;
    }

    static String label(double value) {
        String text = String.format(Locale.ROOT, "%.2f", value == 0 ? 0.0 : value);
        return text.contains(".") ? text.replaceAll("0+$", "").replaceAll("\\.$", "") : text;
    }
}
