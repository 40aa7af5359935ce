package earlygate.solve;

/** Dense LU with partial pivoting, in place and without allocation. */
final class Lu {
    private final int n;
    private final double[] a;
    private final int[] pivot;

    Lu(int n) {
        this.n = n;
        this.a = new double[n * n];
        this.pivot = new int[n];
    }

    /** @return false when the matrix is singular to working precision */
    boolean factor(double[] matrix) {
        System.arraycopy(matrix, 0, a, 0, n * n);
        for (int k = 0; k < n; k++) {
            int best = k;
            for (int i = k + 1; i < n; i++) {
                if (Math.abs(a[i * n + k]) > Math.abs(a[best * n + k])) {
                    best = i;
                }
            }
            pivot[k] = best;
            if (!(Math.abs(a[best * n + k]) > 1e-300)) {
                return false;
            }
            if (best != k) {
                for (int j = 0; j < n; j++) {
                    double t = a[k * n + j];
                    a[k * n + j] = a[best * n + j];
                    a[best * n + j] = t;
                }
            }
            for (int i = k + 1; i < n; i++) {
                double f = a[i * n + k] / a[k * n + k];
                a[i * n + k] = f;
                if (f != 0) {
                    for (int j = k + 1; j < n; j++) {
                        a[i * n + j] -= f * a[k * n + j];
                    }
                }
            }
        }
        return true;
    }

    /** Overwrites the right-hand side with the solution. */
    void solve(double[] x) {
        for (int k = 0; k < n; k++) {
            double t = x[k];
            x[k] = x[pivot[k]];
            x[pivot[k]] = t;
        }
        for (int i = 1; i < n; i++) {
            double s = x[i];
            for (int j = 0; j < i; j++) {
                s -= a[i * n + j] * x[j];
            }
            x[i] = s;
        }
        for (int i = n - 1; i >= 0; i--) {
            double s = x[i];
            for (int j = i + 1; j < n; j++) {
                s -= a[i * n + j] * x[j];
            }
            x[i] = s / a[i * n + i];
        }
    }
}
