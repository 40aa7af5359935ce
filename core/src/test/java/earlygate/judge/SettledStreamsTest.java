package earlygate.judge;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Random;
import java.util.function.DoubleUnaryOperator;
import org.junit.jupiter.api.Test;

/** Streams whose truth is known, noise and all: still, creeping for ever, and coming to rest. */
class SettledStreamsTest {
    private static final int STREAMS = Integer.getInteger("streams", 300);
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
            double t = i / s.rate();
            settled.add(t, s.truth().applyAsDouble(t) + s.noise() * r.nextGaussian());
            if (t >= nextAsk - 1e-9) {
                nextAsk += nextAsk < 12 ? 1 : 2;
                if (settled.settled()) {
                    return new Said(t, settled.mean());
                }
            }
        }
        return null;
    }

    @Test
    void aCreepIsNeverCalledStill() {
        Random r = new Random(1);
        int wrong = 0;
        for (int i = 0; i < STREAMS; i++) {
            double f = 100 + 150 * r.nextDouble();
            double slope = log(r, 0.0005, 0.01) * f * (r.nextBoolean() ? 1 : -1);
            Stream s = new Stream(f, log(r, 0.0005, 0.005) * f, RATES[r.nextInt(4)], t -> f + slope * (t - 30));
            wrong += first(r, s, 30) == null ? 0 : 1;
        }
        assertThat(wrong).isZero();
    }

    @Test
    void whatComesToRestIsReadWhereItRests() {
        Random r = new Random(2);
        int off = 0;
        int late = 0;
        for (int i = 0; i < STREAMS; i++) {
            double f = 100 + 150 * r.nextDouble();
            double tau = log(r, 2, 20);
            double share = (0.05 + 0.4 * r.nextDouble()) * (r.nextBoolean() ? 1 : -1);
            Stream s = new Stream(
                    f, log(r, 0.0005, 0.005) * f, RATES[r.nextInt(4)], t -> f * (1 + share * Math.exp(-t / tau)));
            Said said = first(r, s, 4 * tau + 25);
            late += said == null ? 1 : 0;
            off += said != null && Math.abs(said.value() - f) > 0.005 * f ? 1 : 0;
        }
        assertThat(off).as("off by more than 0.5 %").isLessThan(STREAMS / 100);
        assertThat(late).as("not settled in time").isLessThanOrEqualTo(STREAMS / 20);
    }

    /** White noise hides a slope of 0.05 %/s for (4.65 n sqrt(12/rate) / 0.05)^(2/3) seconds. */
    @Test
    void aStillNeedleSettlesAsSoonAsItsNoiseLetsIt() {
        Random r = new Random(3);
        int late = 0;
        for (int i = 0; i < STREAMS; i++) {
            double f = 100 + 150 * r.nextDouble();
            double share = log(r, 0.0005, 0.005);
            double rate = RATES[r.nextInt(4)];
            double hides = Math.pow(4.65 * 100 * share * Math.sqrt(12 / rate) / 0.05, 2 / 3.0);
            Stream s = new Stream(f, share * f, rate, t -> f);
            late += first(r, s, Math.max(6, 1.25 * hides)) == null ? 1 : 0;
        }
        assertThat(late).isLessThanOrEqualTo(STREAMS / 20);
    }
}
