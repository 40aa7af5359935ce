package earlygate.judge;

import earlygate.judge.NextTurn.Ask;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/** What is believed of a screw by its turns and readings: all ways it may be with their weights, and what a turn brings. */
final class ScrewBelief {
    /** Of the data's slope, what a screw may have; how many between are looked at, first and then. */
    private static final double FLATTEST = 0.4;

    private static final double STEEPEST = 1.6;
    private static final int COARSE = 31;
    private static final int FINE = 45;
    private static final double LEFT = 1e-5;

    private static final double NEGLIGIBLE = 1e-7;
    /** How many springs stiffen somewhat along their travel, and how many by as much as twice. */
    private static final double SOME = 0.1;

    private static final double MUCH = 0.45;

    private static final double PRIOR_LOST = 0.15;
    /** A gauge so likely lost teaches no slope. */
    private static final double DOUBTFUL = 0.5;

    /** One reading of the history wrong: a dial is misread more often than a transmitter. */
    private static final double MISREAD = 0.65;

    private static final double DISTURBED = 0.04;
    /** The first reading, looked at in peace, against a later one. */
    private static final double FIRST = 0.15;
    /** Beyond the target by so many tolerances is far. */
    private static final double FAR = 2;
    /** Steady error of a gauge that keeps its class, as a share of it. */
    private static final double STEADY = 0.4;

    private static final double[] BIASES = {-0.8, -0.4, 0, 0.4, 0.8};
    /** Beyond so many standard deviations lies 1e-9, less than the tail itself is known to. */
    private static final double NOTHING_BEYOND = 6;

    /** Standard deviation of a live reading, as a share of the range. */
    private static final double TREMBLE = 0.0006;

    private final Ask ask;
    private final List<ScrewFilter> filters = new ArrayList<>();
    private double[] weights = {};
    private double lost;
    private double suspect;

    ScrewBelief(Ask ask) {
        this.ask = ask;
        weigh();
    }

    /** First over all slopes there may be, then finer over those that are left. */
    private void weigh() {
        double from = FLATTEST * ask.slope();
        double to = STEEPEST * ask.slope();
        Weighed coarse = weighed(slopes(from, to, COARSE));
        double cell = (to - from) / (COARSE - 1);
        double least = to;
        double most = from;
        for (int i = 0; i < coarse.weights.length; i++) {
            if (coarse.weights[i] > LEFT) {
                double slope = coarse.filters.get(i).way.slope();
                least = Math.min(least, slope - cell);
                most = Math.max(most, slope + cell);
            }
        }
        keep(ask.history().size() == 1 ? coarse : weighed(slopes(Math.max(from, least), Math.min(to, most), FINE)));
    }

    private static double[] slopes(double from, double to, int n) {
        double[] slopes = new double[n];
        for (int i = 0; i < n; i++) {
            slopes[i] = from + (to - from) * i / (n - 1);
        }
        return slopes;
    }

    private record Weighed(List<ScrewFilter> filters, double[] weights) {}

    private Weighed weighed(double[] slopes) {
        double[] turns =
                ask.history().stream().mapToDouble(NextTurn.Reading::turns).toArray();
        double[] reads =
                ask.history().stream().mapToDouble(NextTurn.Reading::reads).toArray();
        int n = reads.length;
        double eye = ask.division() / 4 / Math.sqrt(3);
        double variance = Math.pow(TREMBLE * ask.range(), 2) + eye * eye;
        List<ScrewFilter> all = new ArrayList<>();
        int lostWays = 0;
        int soundWays = 0;
        for (ScrewFilter.Way way : ScrewFilter.ways(slopes, ask.low(), ask.high(), n)) {
            lostWays += way.lostFrom() < n ? 1 : 0;
            soundWays += way.lostFrom() < n || way.outlier() >= 0 ? 0 : 1;
            all.add(new ScrewFilter(way, variance).over(turns, reads));
        }
        double[] weights = new double[all.size()];
        double best = Double.NEGATIVE_INFINITY;
        for (int i = 0; i < weights.length; i++) {
            ScrewFilter f = all.get(i);
            weights[i] = f.logLikelihood
                    + Math.log(prior(f.way, n, lostWays, soundWays))
                    + ask.known().logLikelihood(f.way.slope());
            best = Math.max(best, weights[i]);
        }
        double sum = 0;
        for (int i = 0; i < weights.length; i++) {
            weights[i] = Math.exp(weights[i] - best);
            sum += weights[i];
        }
        for (int i = 0; i < weights.length; i++) {
            weights[i] /= sum;
        }
        return new Weighed(all, weights);
    }

    private double prior(ScrewFilter.Way way, int n, int lostWays, int soundWays) {
        if (way.lostFrom() < n) {
            return PRIOR_LOST / lostWays;
        }
        double misread = n == 1 ? 0 : ask.division() > 0 ? MISREAD : DISTURBED;
        double reading = way.outlier() < 0 ? 1 - misread : misread * (way.outlier() == 0 ? FIRST : 1) / (n - 1 + FIRST);
        double rise = way.rise() == 1 ? 1 - SOME - MUCH : way.rise() < 2 ? SOME : MUCH;
        // Never quite zero: a logarithm is taken of it.
        return Math.max(1e-300, (1 - PRIOR_LOST) * reading * rise * 3 / soundWays);
    }

    private void keep(Weighed weighed) {
        int n = ask.history().size();
        double[] kept = new double[weighed.weights.length];
        for (int i = 0; i < weighed.weights.length; i++) {
            ScrewFilter f = weighed.filters.get(i);
            double w = weighed.weights[i];
            if (f.way.lostFrom() < n) {
                lost += w;
            } else if (w > NEGLIGIBLE) {
                filters.add(f);
                kept[filters.size() - 1] = w;
            }
            suspect += f.way.outlier() == n - 1 ? w : 0;
        }
        double left = Math.max(Arrays.stream(kept).sum(), 1e-300);
        weights = Arrays.stream(kept, 0, filters.size()).map(w -> w / left).toArray();
        suspect /= Math.max(1e-12, 1 - lost);
    }

    /** The slope by all that was turned and read; what was known before where another limiter may hold the gauge. */
    Slope slope() {
        int answered =
                (int) ask.history().stream().skip(1).filter(r -> r.turns() != 0).count();
        if (answered == 0 || lost > DOUBTFUL || filters.isEmpty()) {
            return ask.known();
        }
        double mean = 0;
        double square = 0;
        for (int i = 0; i < filters.size(); i++) {
            double slope = filters.get(i).way.slope();
            mean += weights[i] * slope;
            square += weights[i] * slope * slope;
        }
        return new Slope(
                mean, Math.sqrt(Math.max(0, square - mean * mean)), ask.known().answers() + answered);
    }

    /** How likely it is that another limiter holds the gauge. */
    double lost() {
        return lost;
    }

    /** How likely it is that the last reading is wrong, where none other holds the gauge. */
    double suspect() {
        return suspect;
    }

    /** No way of a screw that has the gauge is left. */
    boolean isEmpty() {
        return filters.isEmpty();
    }

    /** Whether any way that is believed at all could pass the limit by this turn, made exactly. */
    boolean limited(double turns) {
        if (ask.limit().isEmpty()) {
            return false;
        }
        double most = ask.limit().getAsDouble() - ask.error() - ask.division() / 2;
        for (int i = 0; i < filters.size(); i++) {
            if (weights[i] > 1e-4) {
                double to = filters.get(i).after(turns);
                if (to + 2.5 * filters.get(i).deviation(to, turns, false) > most) {
                    return true;
                }
            }
        }
        return false;
    }

    /** Chance that the true pressure passes the target by two tolerances. */
    double far(double turns) {
        double edge = ask.target() + FAR * ask.tolerance() - STEADY * ask.error() / 2;
        double chance = 0;
        for (int i = 0; i < filters.size(); i++) {
            double to = filters.get(i).after(turns);
            chance += weights[i] * (1 - normal((edge - to) / filters.get(i).deviation(to, turns, true)));
        }
        return chance;
    }

    /** Chance that the true pressure ends inside the tolerance; the gauge's steady error is spread evenly. */
    double inside(double turns) {
        double chance = 0;
        for (int i = 0; i < filters.size(); i++) {
            double to = filters.get(i).after(turns);
            double sd = filters.get(i).deviation(to, turns, true);
            double in = 0;
            for (double bias : BIASES) {
                double off = to - ask.target() + bias * STEADY * ask.error();
                in += normal((ask.close() - off) / sd) - normal((-ask.close() - off) / sd);
            }
            chance += weights[i] / BIASES.length * in;
        }
        return chance;
    }

    double mean(double turns) {
        double mean = 0;
        for (int i = 0; i < filters.size(); i++) {
            mean += weights[i] * filters.get(i).after(turns);
        }
        return mean;
    }

    /** Standard deviation of where the gauge comes to. */
    double spread(double turns) {
        double mean = mean(turns);
        double square = 0;
        for (int i = 0; i < filters.size(); i++) {
            double to = filters.get(i).after(turns);
            double sd = filters.get(i).deviation(to, turns, true);
            square += weights[i] * (sd * sd + (to - mean) * (to - mean));
        }
        return Math.sqrt(square);
    }

    /** Of the standard normal distribution, to 1e-7 (Abramowitz and Stegun, 26.2.17). */
    static double normal(double x) {
        double z = Math.abs(x);
        if (z > NOTHING_BEYOND) {
            return x > 0 ? 1 : 0;
        }
        double t = 1 / (1 + 0.2316419 * z);
        double tail = Math.exp(-z * z / 2)
                / Math.sqrt(2 * Math.PI)
                * t
                * (0.319381530 + t * (-0.356563782 + t * (1.781477937 + t * (-1.821255978 + t * 1.330274429))));
        return x > 0 ? 1 - tail : tail;
    }
}
