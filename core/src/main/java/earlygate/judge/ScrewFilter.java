package earlygate.judge;

import java.util.ArrayList;
import java.util.List;

/**
 * One way a screw may be, and where the gauge then stands: a Kalman filter of the reading along the turns that were made.
 * The spring's pressure over the screw's travel is {@code p = low + a x + g x^2}, its slope rising {@code rise} times from
 * end to end. Any one unit of pressure. Source: Kalman, scalar, with the process made linear at the estimate.
 */
final class ScrewFilter {
    /** Half the play that a spring may have before it follows, turns; and how far a hand may miss a sixteenth. */
    static final double PLAY = 1 / 16.0;

    static final double HAND = 1 / 32.0 / Math.sqrt(3);
    /** How many times steeper a spring may be at its end than at its beginning. */
    private static final double[] RISES = {1, 1.4, 2};
    /** Of a change, what no spring follows its curve by. */
    private static final double CURVE = 0.006;

    /** An outlier lies so far off, as a share of the reading. */
    private static final double OUTLIER = 0.1;

    /**
     * @param low end of the screw's range; {@code high} the other
     * @param slope mean over the range, per turn; {@code rise} of the slope over it, 1 for none
     * @param slack turns by which the spring does not follow at the first turn inward; {@code play} at a reversal
     * @param hand standard deviation of a turn made
     * @param outlier which reading is one; -1 for none
     * @param lostFrom reading from which on another limiter holds the gauge; none beyond the last
     * @param share of the screw's movement that the gauge then still follows by
     */
    record Way(
            double low,
            double high,
            double slope,
            double rise,
            double play,
            double slack,
            double hand,
            int outlier,
            int lostFrom,
            double share) {

        private double steepness() {
            return 2 * slope / (rise + 1);
        }

        /** Pressure per turn where the gauge stands at {@code p}. */
        double slopeAt(double p) {
            double along = Math.max(0, (p - low) / (high - low));
            return steepness() * Math.sqrt(1 + (rise * rise - 1) * along);
        }

        /** Where the gauge comes to by turns that the spring follows. */
        double after(double p, double turns) {
            double s = slopeAt(p);
            double g = steepness() * steepness() * (rise * rise - 1) / (4 * (high - low));
            // Outward no further than to where the spring is slack.
            double t = g > 0 ? Math.max(turns, -s / (2 * g)) : turns;
            return p + s * t + g * t * t;
        }
    }

    final Way way;
    private final double variance;
    private double slack;
    double p;
    double var;
    double logLikelihood;

    /** @param variance of one reading */
    ScrewFilter(Way way, double variance) {
        this.way = way;
        this.variance = variance;
        this.slack = way.slack();
    }

    /** Takes the whole history: turns since the reading before, and what was read then. */
    ScrewFilter over(double[] turns, double[] reads) {
        p = reads[0];
        var = way.outlier() == 0 ? square(OUTLIER * reads[0]) : variance;
        for (int i = 1; i < reads.length; i++) {
            move(turns[i], i);
            double error = way.outlier() == i ? square(OUTLIER * p) : variance;
            double off = reads[i] - p;
            double total = var + error;
            logLikelihood -= 0.5 * (off * off / total + Math.log(total));
            double gain = var / total;
            p += gain * off;
            var *= 1 - gain;
        }
        return this;
    }

    private void move(double turns, int i) {
        double made = followed(turns);
        double hand = turns == 0 ? 0 : way.hand();
        if (i < way.lostFrom()) {
            double to = way.after(p, made);
            double grows = way.slopeAt(to) / way.slopeAt(p);
            var = grows * grows * var + square(way.slopeAt(to) * hand) + square(CURVE * (to - p));
            p = to;
            return;
        }
        double s = way.slopeAt(p) * made;
        if (i == way.lostFrom() && i > 1) {
            // Somewhere on the way the other one took it.
            p += s * (1 + way.share()) / 2;
            var += s * s * square(1 - way.share()) / 12;
        } else {
            p += s * way.share();
        }
        var += square(way.slopeAt(p) * hand * way.share());
    }

    /** What the spring sees of a turn, once the knob has taken up its play. */
    private double followed(double turns) {
        if (way.play() == 0) {
            return turns;
        }
        if (turns > 0) {
            double taken = Math.min(slack, turns);
            slack -= taken;
            return turns - taken;
        }
        double back = way.play() - slack;
        double taken = Math.min(back, -turns);
        slack += taken;
        return turns + taken;
    }

    /** Where the gauge would come to by a turn. */
    double after(double turns) {
        double made = turns;
        if (way.play() > 0) {
            made = turns > 0 ? Math.max(0, turns - slack) : Math.min(0, turns + way.play() - slack);
        }
        return way.after(p, made);
    }

    /** Standard deviation there; {@code made} by a hand that misses, or perfectly. */
    double deviation(double to, double turns, boolean byHand) {
        double grows = way.slopeAt(to) / way.slopeAt(p);
        double hand = byHand && turns != 0 ? way.slopeAt(to) * way.hand() : 0;
        return Math.sqrt(grows * grows * var + hand * hand + square(CURVE * (to - p)));
    }

    /** Every way looked at for screws of these mean slopes on a range, over {@code n} readings. */
    static List<Way> ways(double[] slopes, double low, double high, int n) {
        List<Way> ways = new ArrayList<>();
        for (double slope : slopes) {
            for (double rise : RISES) {
                for (double[] play : new double[][] {{0, 0}, {PLAY, 0}, {PLAY, PLAY}}) {
                    for (double hand : new double[] {0, HAND}) {
                        for (int outlier = -1; outlier < n; outlier++) {
                            ways.add(new Way(low, high, slope, rise, play[0], play[1], hand, outlier, n, 1));
                        }
                        for (int lost = 1; lost < n && rise == 1; lost++) {
                            for (double share : new double[] {0, 0.05, 0.1}) {
                                ways.add(new Way(low, high, slope, rise, play[0], play[1], hand, -1, lost, share));
                            }
                        }
                    }
                }
            }
        }
        return ways;
    }

    private static double square(double x) {
        return x * x;
    }
}
