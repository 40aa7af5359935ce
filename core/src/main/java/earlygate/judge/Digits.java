package earlygate.judge;

/** By which steps an instrument shows, from its samples in rising order: what goes to and fro by one of them is no spike. */
final class Digits {
    /** So many steps to either side are still beside the middle. */
    static final double BESIDE = 1.5;

    private Digits() {}

    /** The smallest difference of samples, seen more than once beside the middle; 0 where there is none. */
    static double step(double[] sorted) {
        double least = Double.POSITIVE_INFINITY;
        for (int i = 1; i < sorted.length; i++) {
            double d = sorted[i] - sorted[i - 1];
            least = d > 0 ? Math.min(least, d) : least;
        }
        int beside = 0;
        for (double v : sorted) {
            double off = Math.abs(v - sorted[sorted.length / 2]);
            beside += off > 0 && off < BESIDE * least ? 1 : 0;
        }
        return beside > 1 ? least : 0;
    }
}
