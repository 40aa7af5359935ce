package earlygate.judge;

/**
 * What an exponential approach would still add to a reading: least squares of {@code c + A exp(-t/tau)} over many time
 * constants, each weighted by how well it fits, so that a time constant nobody knows doubts the answer as much as it
 * should. Source: Bayesian model averaging with a flat prior over log tau; weighted linear least squares.
 *
 * @param now what stands now; {@code error} its standard error
 * @param toCome by how much the reading would still rise, in the unit of the values
 * @param doubt its standard deviation
 * @param misfit mean square of what the best of them leaves, in standard errors
 */
record Approach(double now, double error, double toCome, double doubt, double misfit) {
    /** Time constants looked at, s: what a gauge on a power unit takes. Fewer than some 90 leave gaps between them. */
    private static final double SHORTEST_S = 0.5;

    private static final double LONGEST_S = 25;
    private static final int CONSTANTS = 90;
    private static final int LEAST = 3;

    /**
     * @param times of blocks of samples, s, rising; {@code values} their means; {@code errors} the standard error of each
     * @param n how many blocks there are; fewer than 3 tell nothing
     */
    static Approach of(double[] times, double[] values, double[] errors, int n) {
        if (n < LEAST) {
            return new Approach(values[0], errors[0], 0, Double.POSITIVE_INFINITY, 0);
        }
        double[] now = new double[CONSTANTS];
        double[] nowVariance = new double[CONSTANTS];
        double[] toCome = new double[CONSTANTS];
        double[] variance = new double[CONSTANTS];
        double[] misfit = new double[CONSTANTS];
        double best = Double.POSITIVE_INFINITY;
        for (int k = 0; k < CONSTANTS; k++) {
            double tau = SHORTEST_S * Math.pow(LONGEST_S / SHORTEST_S, k / (CONSTANTS - 1.0));
            double s = 0;
            double se = 0;
            double see = 0;
            double sv = 0;
            double sev = 0;
            for (int i = 0; i < n; i++) {
                // 1 at the last block: the coefficient is what is left of the approach there.
                double e = Math.exp((times[n - 1] - times[i]) / tau);
                double w = 1 / (errors[i] * errors[i]);
                s += w;
                se += w * e;
                see += w * e * e;
                sv += w * values[i];
                sev += w * e * values[i];
            }
            double determinant = s * see - se * se;
            double a = (s * sev - se * sv) / determinant;
            double c = (sv - a * se) / s;
            now[k] = c + a;
            nowVariance[k] = (s + see - 2 * se) / determinant;
            toCome[k] = -a;
            variance[k] = s / determinant;
            for (int i = 0; i < n; i++) {
                double e = Math.exp((times[n - 1] - times[i]) / tau);
                double off = (values[i] - c - a * e) / errors[i];
                misfit[k] += off * off;
            }
            best = Math.min(best, misfit[k]);
        }
        double[] weights = new double[CONSTANTS];
        double all = 0;
        for (int k = 0; k < CONSTANTS; k++) {
            weights[k] = Math.exp((best - misfit[k]) / 2);
            all += weights[k];
        }
        for (int k = 0; k < CONSTANTS; k++) {
            weights[k] /= all;
        }
        double left = mean(weights, toCome);
        double stands = mean(weights, now);
        return new Approach(
                stands,
                spread(weights, now, nowVariance, stands),
                left,
                spread(weights, toCome, variance, left),
                best / Math.max(1, n - 3));
    }

    private static double mean(double[] weights, double[] values) {
        double mean = 0;
        for (int k = 0; k < values.length; k++) {
            mean += weights[k] * values[k];
        }
        return mean;
    }

    /** Of a mixture: what each doubts, and how far they lie apart. */
    private static double spread(double[] weights, double[] values, double[] variances, double mean) {
        double square = 0;
        for (int k = 0; k < values.length; k++) {
            double off = values[k] - mean;
            square += weights[k] * (variances[k] + off * off);
        }
        return Math.sqrt(square);
    }
}
