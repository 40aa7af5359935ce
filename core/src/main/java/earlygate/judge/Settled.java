package earlygate.judge;

import java.util.Arrays;
import java.util.OptionalDouble;

/**
 * Whether a live reading has come to rest: over some window of 3 to 45 s the trend of a fitted straight line, with three
 * of its standard errors on top, stays within 0.05 % of the reading per second. So noise alone doesn't keep a steady
 * needle from settling, it only asks for a longer look, and a slow creep is never called still. A lone spike, beyond five
 * standard deviations of the rest, is left out. Near zero a twentieth of full scale stands in for the reading. Times in
 * s, values in any one unit. Source: least squares; the standard error of a slope over W seconds falls with W^1.5.
 */
public final class Settled {
    public static final double WINDOW_S = 3;
    private static final double[] WINDOWS_S = {WINDOW_S, 4.5, 6, 9, 13, 20, 30, 45};
    private static final double TREND_PER_S = 0.0005;
    private static final double ERRORS = 3;
    private static final double SPIKE = 5;
    private static final int LEAST = 4;
    private static final int CAPACITY = 2400;
    /** Ends of windows are sampled, so a window may be this much short. */
    private static final double NEARLY = 0.95;

    private final double floor;
    private final double[] times = new double[CAPACITY];
    private final double[] values = new double[CAPACITY];
    private int first;
    private int count;
    private boolean judged;
    private boolean stands;
    private double rest;
    private double error;

    /** @param fullScale of the instrument, in the unit of the values */
    public Settled(double fullScale) {
        this.floor = fullScale / 20;
    }

    public void add(double timeS, double value) {
        if (count == CAPACITY) {
            first = (first + 1) % CAPACITY;
            count--;
        }
        int at = (first + count++) % CAPACITY;
        times[at] = timeS;
        values[at] = value;
        judged = false;
    }

    /** True once a window shows no trend. */
    public boolean settled() {
        judge();
        return stands;
    }

    /** What counts as read; empty while it moves. */
    public OptionalDouble reading() {
        return settled() ? OptionalDouble.of(mean()) : OptionalDouble.empty();
    }

    /** The reading to take: mean over the window that stands, or over the last three seconds while none does. */
    public double mean() {
        if (settled()) {
            return rest;
        }
        double sum = 0;
        int n = 0;
        for (int i = count - 1; i >= 0 && time(count - 1) - time(i) <= WINDOW_S; i--) {
            sum += value(i);
            n++;
        }
        return n == 0 ? 0 : sum / n;
    }

    /** Standard error of the mean; 0 while nothing stands. */
    public double standardError() {
        return settled() ? error : 0;
    }

    private double time(int i) {
        return times[(first + i) % CAPACITY];
    }

    private double value(int i) {
        return values[(first + i) % CAPACITY];
    }

    private void judge() {
        if (judged) {
            return;
        }
        judged = true;
        stands = false;
        for (double window : WINDOWS_S) {
            if (count < LEAST || time(count - 1) - time(0) < NEARLY * window || stands(window)) {
                break;
            }
        }
    }

    private boolean stands(double window) {
        int from = count - 1;
        while (from > 0 && time(count - 1) - time(from - 1) <= window) {
            from--;
        }
        int n = count - from;
        if (n < LEAST) {
            return false;
        }
        double[] sorted = new double[n];
        for (int i = 0; i < n; i++) {
            sorted[i] = value(from + i);
        }
        Arrays.sort(sorted);
        double median = sorted[n / 2];
        for (int i = 0; i < n; i++) {
            sorted[i] = Math.abs(sorted[i] - median);
        }
        Arrays.sort(sorted);
        // A trend widens the spread itself, so a creep is not taken for a row of spikes.
        double widest = SPIKE * 1.48 * Math.max(sorted[n / 2], 1e-9 * floor);
        // What came last, twice off in a row, is no spike: it has gone somewhere.
        if (Math.abs(value(count - 1) - median) > widest && Math.abs(value(count - 2) - median) > widest) {
            return false;
        }
        int kept = 0;
        double meanTime = 0;
        double mean = 0;
        for (int i = from; i < count; i++) {
            if (Math.abs(value(i) - median) <= widest) {
                kept++;
                meanTime += (time(i) - meanTime) / kept;
                mean += (value(i) - mean) / kept;
            }
        }
        // More than one in twenty left out is no lone spike.
        if (kept < LEAST || kept < 0.95 * n - 1) {
            return false;
        }
        double tt = 0;
        double tv = 0;
        double vv = 0;
        for (int i = from; i < count; i++) {
            if (Math.abs(value(i) - median) <= widest) {
                double t = time(i) - meanTime;
                double v = value(i) - mean;
                tt += t * t;
                tv += t * v;
                vv += v * v;
            }
        }
        double slope = tv / tt;
        double variance = Math.max(0, vv - slope * tv) / (kept - 2);
        double slopeError = Math.sqrt(variance / tt);
        if (Math.abs(slope) + ERRORS * slopeError >= TREND_PER_S * Math.max(Math.abs(mean), floor)) {
            return false;
        }
        stands = true;
        rest = mean;
        error = Math.sqrt(variance / kept);
        return true;
    }
}
