package earlygate.judge;

/**
 * A level that drifts, and at one moment begins to change: least squares of {@code level + drift t + change} over blocks,
 * the change at once or on and on. Drift is believed to be small beforehand. Source: Bayesian linear regression with a
 * Gaussian prior on the drift.
 *
 * @param level what stood at the moment of change; {@code levelError} its standard error
 * @param change how much, at once or a second; {@code z} it in standard errors
 */
record Fall(double level, double levelError, double change, double z) {
    /**
     * @param from block with which the change begins
     * @param ramp on and on, else at once
     * @param driftPerS standard deviation of what a drift may be
     * @param leftOut block that is not looked at; -1 for none
     */
    static Fall at(Blocks b, int from, boolean ramp, double driftPerS, int leftOut) {
        double t0 = (b.time[from] + b.time[from - 1]) / 2;
        double[][] a = new double[3][4];
        a[1][1] = 1 / (driftPerS * driftPerS);
        for (int i = 0; i < b.n; i++) {
            if (i == leftOut) {
                continue;
            }
            double w = 1 / (b.error[i] * b.error[i]);
            double t = b.time[i] - t0;
            double x = i < from ? 0 : ramp ? t : 1;
            double[] row = {1, t, x};
            for (int r = 0; r < 3; r++) {
                for (int c = 0; c < 3; c++) {
                    a[r][c] += w * row[r] * row[c];
                }
                a[r][3] += w * row[r] * b.mean[i];
            }
        }
        double[][] inverse = inverse(a);
        double[] x = new double[3];
        for (int r = 0; r < 3; r++) {
            for (int c = 0; c < 3; c++) {
                x[r] += inverse[r][c] * a[c][3];
            }
        }
        return new Fall(x[0], Math.sqrt(inverse[0][0]), x[2], x[2] / Math.sqrt(inverse[2][2]));
    }

    private static double[][] inverse(double[][] a) {
        double c00 = a[1][1] * a[2][2] - a[1][2] * a[2][1];
        double c01 = a[1][2] * a[2][0] - a[1][0] * a[2][2];
        double c02 = a[1][0] * a[2][1] - a[1][1] * a[2][0];
        double d = a[0][0] * c00 + a[0][1] * c01 + a[0][2] * c02;
        return new double[][] {
            {c00 / d, (a[0][2] * a[2][1] - a[0][1] * a[2][2]) / d, (a[0][1] * a[1][2] - a[0][2] * a[1][1]) / d},
            {c01 / d, (a[0][0] * a[2][2] - a[0][2] * a[2][0]) / d, (a[0][2] * a[1][0] - a[0][0] * a[1][2]) / d},
            {c02 / d, (a[0][1] * a[2][0] - a[0][0] * a[2][1]) / d, (a[0][0] * a[1][1] - a[0][1] * a[1][0]) / d}
        };
    }
}
