package earlygate.judge;

import java.util.Arrays;

/**
 * A stream cut into blocks of a second: the mean of each, spikes left out, and its standard error. The noise is told from
 * differences of neighbouring samples, which no drift moves; a block far from its neighbours, a knocked hose, gets a large
 * error of its own. Source: robust statistics, median absolute deviation.
 */
final class Blocks {
    private static final double LENGTH_S = 1;
    private static final double SPIKE = 4;
    private static final double KNOCK = 4;
    private static final double MAD = 1.4826;
    private static final double RESTLESS = 2;

    final int n;
    final double[] time;
    final double[] mean;
    final double[] error;
    /** Standard deviation of one sample. */
    final double noise;

    /** @param times s, rising; at least two samples */
    Blocks(double[] times, double[] values) {
        noise = noise(values);
        int most = (int) ((times[times.length - 1] - times[0]) / LENGTH_S) + 1;
        time = new double[most];
        mean = new double[most];
        error = new double[most];
        int count = 0;
        int from = 0;
        for (int b = 0; b < most; b++) {
            int to = from;
            while (to < times.length && times[to] < times[0] + (b + 1) * LENGTH_S) {
                to++;
            }
            // The last one may be short: half a second tells something.
            boolean whole = to > from && (b < most - 1 || times[to - 1] - times[from] > LENGTH_S / 2);
            if (whole) {
                add(count++, times, values, from, to);
            }
            from = to;
        }
        n = count;
        knocks();
    }

    /** Single readings, each a block of its own, of a standard deviation that is known. */
    Blocks(double[] times, double[] values, double error) {
        noise = error;
        n = values.length;
        time = times.clone();
        mean = values.clone();
        this.error = new double[n];
        Arrays.fill(this.error, error);
    }

    private void add(int at, double[] times, double[] values, int from, int to) {
        double middle = median(Arrays.copyOfRange(values, from, to));
        int in = 0;
        for (int i = from; i < to; i++) {
            if (Math.abs(values[i] - middle) <= SPIKE * noise + 1e-9) {
                in++;
                mean[at] += (values[i] - mean[at]) / in;
            }
        }
        time[at] = (times[from] + times[to - 1]) / 2;
        mean[at] = in == 0 ? middle : mean[at];
        // The mean of few is as good as the noise of one lets it; never better than the step of the digits.
        error[at] = Math.max(noise, 1e-6) / Math.sqrt(Math.max(1, in));
        double spread = 0;
        for (int i = from; i < to; i++) {
            spread += (values[i] - middle) * (values[i] - middle) / (to - from);
        }
        // Restless within itself: a knock that fades, a fall on its way.
        if (Math.sqrt(spread) > RESTLESS * Math.max(noise, 1e-6)) {
            error[at] = Math.hypot(error[at], Math.sqrt(spread));
        }
    }

    private void knocks() {
        double[] far = new double[n];
        for (int i = 0; i < n; i++) {
            int from = Math.max(0, Math.min(i - 2, n - 5));
            double[] near = Arrays.copyOfRange(mean, from, Math.min(n, from + 5));
            far[i] = Math.abs(mean[i] - median(near));
        }
        for (int i = 0; i < n; i++) {
            boolean alone = far[i] > KNOCK * error[i]
                    && (i == 0 || Math.abs(mean[i] - mean[i - 1]) > KNOCK * error[i])
                    && (i == n - 1 || Math.abs(mean[i] - mean[i + 1]) > KNOCK * error[i]);
            if (alone) {
                error[i] = Math.hypot(error[i], far[i]);
            }
        }
    }

    private static double noise(double[] values) {
        double[] differences = new double[values.length - 1];
        for (int i = 0; i < differences.length; i++) {
            differences[i] = Math.abs(values[i + 1] - values[i]);
        }
        double middle = median(differences);
        double mean = Arrays.stream(differences).average().orElse(0);
        // Where the digits are coarser than the noise most differences are nothing: their mean still tells.
        return Math.max(MAD * middle, 0.6 * mean) / Math.sqrt(2);
    }

    private static double median(double[] values) {
        Arrays.sort(values);
        return values[values.length / 2];
    }
}
