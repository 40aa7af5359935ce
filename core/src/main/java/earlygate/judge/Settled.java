package earlygate.judge;

/**
 * Whether a live reading has come to rest: over its window the spread is below 0.5 % of the reading and the drift below
 * 0.2 % per second. Near zero, a twentieth of full scale stands in for the reading. Times in s, values in any one unit.
 */
public final class Settled {
    public static final double WINDOW_S = 3;
    private static final double SPREAD = 0.005;
    private static final double DRIFT_PER_S = 0.002;
    private static final int CAPACITY = 512;

    private final double floor;
    private final double[] times = new double[CAPACITY];
    private final double[] values = new double[CAPACITY];
    private int first;
    private int count;
    private double quietSince = Double.NaN;

    /** @param fullScale of the instrument, in the unit of the values */
    public Settled(double fullScale) {
        this.floor = fullScale / 20;
    }

    public void add(double timeS, double value) {
        while (count > 0 && (timeS - times[first] > WINDOW_S || count == CAPACITY)) {
            first = (first + 1) % CAPACITY;
            count--;
        }
        int at = (first + count++) % CAPACITY;
        times[at] = timeS;
        values[at] = value;
        if (!quiet()) {
            quietSince = Double.NaN;
        } else if (Double.isNaN(quietSince)) {
            quietSince = times[first];
        }
    }

    /** True once a whole window has been quiet. */
    public boolean settled() {
        return seconds() >= WINDOW_S * 0.95;
    }

    /** How long it has been quiet, s. */
    public double seconds() {
        return Double.isNaN(quietSince) ? 0 : times[(first + count - 1) % CAPACITY] - quietSince;
    }

    /** Mean over the window; the reading to take. */
    public double mean() {
        double sum = 0;
        for (int i = 0; i < count; i++) {
            sum += values[(first + i) % CAPACITY];
        }
        return count == 0 ? 0 : sum / count;
    }

    private boolean quiet() {
        if (count < 5) {
            return false;
        }
        double mean = mean();
        double scale = Math.max(Math.abs(mean), floor);
        double low = Double.POSITIVE_INFINITY;
        double high = Double.NEGATIVE_INFINITY;
        double meanTime = 0;
        for (int i = 0; i < count; i++) {
            double v = values[(first + i) % CAPACITY];
            low = Math.min(low, v);
            high = Math.max(high, v);
            meanTime += times[(first + i) % CAPACITY] / count;
        }
        double tv = 0;
        double tt = 0;
        for (int i = 0; i < count; i++) {
            double t = times[(first + i) % CAPACITY] - meanTime;
            tv += t * (values[(first + i) % CAPACITY] - mean);
            tt += t * t;
        }
        // Over less than a second the slope is noise; the spread alone judges it then.
        boolean drifts = tt > 0 && span() > 1 && Math.abs(tv / tt) >= DRIFT_PER_S * scale;
        return high - low < SPREAD * scale && !drifts;
    }

    private double span() {
        return times[(first + count - 1) % CAPACITY] - times[first];
    }
}
