package earlygate.judge;

import java.util.Arrays;
import java.util.OptionalDouble;

/**
 * Whether a live reading has come to rest: over some window of 3 to 45 s the trend of a fitted straight line, with some of
 * its standard errors on top, stays within 0.05 % of the reading per second, and what an exponential approach would still
 * add ({@link Approach}), with 1.7 of its doubts, is under 0.42 %. So noise alone doesn't keep a steady needle from
 * settling, it only asks for a longer look, and a slow creep is never called still. A lone spike, beyond five
 * standard deviations of the rest, is left out. Near zero a tenth of full scale stands in for the reading: a gauge tells
 * no more there. Times in s, values in any one unit. Source: least squares; the standard error of a slope over W seconds falls with W^1.5.
 */
public final class Settled {
    public static final double WINDOW_S = 3;
    private static final double LONGER = 1.45;

    private static final double LONGEST_S = 45;
    private static final double TREND_PER_S = 0.0005;
    private static final double ERRORS = 3.1;
    private static final double FEW = 2.2;
    /** Of the reading, what may still come; {@code DOUBTS} of its standard deviations are taken for it. */
    private static final double STILL_TO_COME = 0.0042;

    private static final double DOUBTS = 1.7;
    /** Of a step of coarse digits, what may still come: less than that they don't show. */
    private static final double DIGIT = 0.4;
    /** Mean square of what an approach leaves, in standard errors, from which on it is none. */
    private static final double MISFIT = 2;

    /** An approach is looked for over so long, in so many blocks at most. */
    private static final double LOOK_BACK_S = 90;

    private static final int BLOCKS = 120;
    /** Samples on either side by which a spike is told. */
    private static final int NEIGHBOURS = 3;

    private static final double SPIKE = 5;
    private static final int LEAST = 4;
    /** Samples before a window that still tell its noise. */
    private static final int NOISE_FROM = 60;

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
    private double toCome;

    /** @param fullScale of the instrument, in the unit of the values */
    public Settled(double fullScale) {
        this.floor = fullScale / 10;
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

    /** What an exponential approach would still add to the reading; 0 while nothing stands. */
    public double toCome() {
        return settled() ? toCome : 0;
    }

    /** Trend over the last three seconds, per second; 0 before there are enough samples. */
    public double trend() {
        double n = 0;
        double meanTime = 0;
        double mean = 0;
        int from = count;
        while (from > 0 && time(count - 1) - time(from - 1) <= WINDOW_S) {
            from--;
            n++;
            meanTime += (time(from) - meanTime) / n;
            mean += (value(from) - mean) / n;
        }
        double tt = 0;
        double tv = 0;
        for (int i = from; i < count; i++) {
            tt += (time(i) - meanTime) * (time(i) - meanTime);
            tv += (time(i) - meanTime) * (value(i) - mean);
        }
        return n < LEAST || tt == 0 ? 0 : tv / tt;
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
        double looked = count < LEAST ? 0 : time(count - 1) - time(0);
        for (double window = WINDOW_S; window < LONGEST_S && NEARLY * window <= looked; window *= LONGER) {
            if (stands(window)) {
                return;
            }
        }
        // All there is tells a still needle soonest.
        if (looked >= NEARLY * WINDOW_S) {
            stands(Math.min(looked, LONGEST_S));
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
        double digit = Digits.step(sorted);
        for (int i = 0; i < n; i++) {
            sorted[i] = Math.abs(sorted[i] - median);
        }
        Arrays.sort(sorted);
        // A trend widens the spread itself, so a creep is not taken for a row of spikes; nor are digits that go to and
        // fro.
        double widest = Math.max(SPIKE * 1.48 * Math.max(sorted[n / 2], 1e-9 * floor), Digits.BESIDE * digit);
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
        double sd = Math.max(Math.sqrt(Math.max(0, vv - slope * tv) / (kept - 2)), Math.max(noise(from), 1e-9 * floor));
        double slopeError = sd / Math.sqrt(tt);
        // Few samples know their own spread badly (Student).
        double errors = ERRORS * (1 + FEW / (kept - 2));
        if (Math.abs(slope) + errors * slopeError >= TREND_PER_S * Math.max(Math.abs(mean), floor)) {
            return false;
        }
        Approach longer = approach(sd, LOOK_BACK_S);
        // What happened before, a turn or a load, is no part of this approach.
        Approach approach = longer.misfit() > MISFIT ? approach(sd, window) : longer;
        double bearable = Math.max(STILL_TO_COME * Math.max(Math.abs(mean), floor), DIGIT * digit);
        if (Math.abs(approach.toCome()) + DOUBTS * approach.doubt() >= bearable) {
            return false;
        }
        stands = true;
        rest = approach.now();
        error = approach.error();
        toCome = approach.toCome();
        return true;
    }

    /**
     * Standard deviation of a sample, by second differences of what came before the window and in it: blind to a trend, and
     * few samples of a slow gauge that happen to lie in line don't make it quiet.
     */
    private double noise(int from) {
        int begin = Math.max(0, from - NOISE_FROM);
        int n = count - begin - 2;
        double[] differences = new double[n];
        for (int i = 0; i < n; i++) {
            differences[i] = Math.abs(value(begin + i) - 2 * value(begin + i + 1) + value(begin + i + 2));
        }
        Arrays.sort(differences);
        return 1.4826 * differences[n / 2] / Math.sqrt(6);
    }

    private double median(int from, int to) {
        double[] sorted = new double[to - from];
        for (int i = from; i < to; i++) {
            sorted[i - from] = value(i);
        }
        Arrays.sort(sorted);
        return sorted[sorted.length / 2];
    }

    /** Over the last {@code lookBack} seconds, in blocks; {@code sd} of a single sample. */
    private Approach approach(double sd, double lookBack) {
        int from = count - 1;
        while (from > 0 && time(count - 1) - time(from - 1) <= lookBack) {
            from--;
        }
        int per = Math.max(1, (count - from + BLOCKS - 1) / BLOCKS);
        double[] t = new double[BLOCKS + 1];
        double[] v = new double[BLOCKS + 1];
        double[] e = new double[BLOCKS + 1];
        int n = 0;
        for (int i = from; i < count; i += per) {
            t[n] = 0;
            v[n] = 0;
            int end = Math.min(count, i + per);
            int in = 0;
            double middle = median(Math.max(0, i - NEIGHBOURS), Math.min(count, end + NEIGHBOURS));
            for (int j = i; j < end; j++) {
                // A lone spike is no more part of an approach than of a trend.
                boolean spike = Math.abs(value(j) - middle) > SPIKE * sd;
                if (!spike) {
                    in++;
                    t[n] += (time(j) - t[n]) / in;
                    v[n] += (value(j) - v[n]) / in;
                }
            }
            if (in > 0) {
                e[n++] = sd / Math.sqrt(in);
            }
        }
        return Approach.of(t, v, e, n);
    }
}
