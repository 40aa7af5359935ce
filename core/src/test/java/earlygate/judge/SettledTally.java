package earlygate.judge;

import java.util.Random;
import java.util.function.DoubleUnaryOperator;

/** Streams whose truth is known, noise and all, counted: still, creeping for ever, and coming to rest. */
final class SettledTally {
    private static final double[] RATES = {1, 5, 20, 50};

    /** @param noise standard deviation of a sample; {@code rate} samples a second; {@code truth} over time, s */
    private record Stream(double finalValue, double noise, double rate, DoubleUnaryOperator truth) {}

    private record Said(double atS, double value) {}

    private static double log(Random r, double from, double to) {
        return from * Math.pow(to / from, r.nextDouble());
    }

    private static Said first(Random r, Stream s, double until) {
        Settled settled = new Settled(1.8 * s.finalValue());
        double nextAsk = 1;
        for (int i = 0; i / s.rate() <= until; i++) {
            double at = i / s.rate();
            settled.add(at, s.truth().applyAsDouble(at) + s.noise() * r.nextGaussian());
            if (at >= nextAsk - 1e-9) {
                nextAsk += nextAsk < 12 ? 1 : 2;
                if (settled.settled()) {
                    return new Said(at, settled.mean());
                }
            }
        }
        return null;
    }

    int creeps;
    int off;
    int late;
    int stillLate;

    private SettledTally() {}

    static SettledTally of(int streams) {
        SettledTally t = new SettledTally();
        creeping(t, streams);
        resting(t, streams);
        still(t, streams);
        return t;
    }

    private static void creeping(SettledTally t, int streams) {
        Random r = new Random(1);
        for (int i = 0; i < streams; i++) {
            double f = 100 + 150 * r.nextDouble();
            double slope = log(r, 0.0005, 0.01) * f * (r.nextBoolean() ? 1 : -1);
            Stream s = new Stream(f, log(r, 0.0005, 0.005) * f, RATES[r.nextInt(4)], at -> f + slope * (at - 30));
            t.creeps += first(r, s, 30) == null ? 0 : 1;
        }
    }

    private static void resting(SettledTally t, int streams) {
        Random r = new Random(2);
        for (int i = 0; i < streams; i++) {
            double f = 100 + 150 * r.nextDouble();
            double tau = log(r, 2, 20);
            double share = (0.05 + 0.4 * r.nextDouble()) * (r.nextBoolean() ? 1 : -1);
            Stream s = new Stream(
                    f, log(r, 0.0005, 0.005) * f, RATES[r.nextInt(4)], at -> f * (1 + share * Math.exp(-at / tau)));
            Said said = first(r, s, 4 * tau + 25);
            t.late += said == null ? 1 : 0;
            t.off += said != null && Math.abs(said.value() - f) > 0.005 * f ? 1 : 0;
        }
    }

    /** White noise hides a slope of 0.05 %/s for (4.65 n sqrt(12/rate) / 0.05)^(2/3) seconds. */
    private static void still(SettledTally t, int streams) {
        Random r = new Random(3);
        for (int i = 0; i < streams; i++) {
            double f = 100 + 150 * r.nextDouble();
            double share = log(r, 0.0005, 0.005);
            double rate = RATES[r.nextInt(4)];
            double hides = Math.pow(4.65 * 100 * share * Math.sqrt(12 / rate) / 0.05, 2 / 3.0);
            Stream s = new Stream(f, share * f, rate, at -> f);
            t.stillLate += first(r, s, Math.max(6, 1.25 * hides)) == null ? 1 : 0;
        }
    }
}
