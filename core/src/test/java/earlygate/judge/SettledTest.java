package earlygate.judge;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** When a gauge stands: through noise, past spikes, never on a creep. */
class SettledTest {
    @Test
    void settlesOnlyAfterAQuietWindow() {
        Settled s = new Settled(250);
        for (int i = 0; i < 40; i++) {
            s.add(i * 0.05, 100 + 3 * i);
        }
        assertThat(s.settled()).isFalse();
        for (int i = 40; i < 90; i++) {
            s.add(i * 0.05, 220);
        }
        assertThat(s.settled()).as("2.5 s of rest").isFalse();
        for (int i = 90; i < 160; i++) {
            s.add(i * 0.05, 220 + 0.1 * Math.sin(i));
        }
        assertThat(s.settled()).isTrue();
        assertThat(s.mean()).isCloseTo(220, within(0.05));
        for (int i = 160; i < 240; i++) {
            s.add(i * 0.05, 220 + (i - 160) * 0.05);
        }
        assertThat(s.settled()).as("drifts 0.45 % a second").isFalse();
    }

    /** White noise keeps no steady needle from settling, a creep is never still. Truth: the generator's own numbers. */
    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5, 6, 7, 8})
    void settlesThroughNoiseAndNeverOnACreep(long seed) {
        Random random = new Random(seed);
        double sd = 0.1 + 0.3 * random.nextDouble();
        Settled still = new Settled(300);
        Settled creep = new Settled(300);
        double rate = 0.0008 + 0.004 * random.nextDouble();
        boolean settled = false;
        for (int i = 0; i < 30 * 20; i++) {
            double t = i / 20.0;
            still.add(t, 160 + sd * random.nextGaussian());
            creep.add(t, 160 * (1 + rate * t) + sd * random.nextGaussian());
            settled |= still.settled();
            assertThat(creep.settled())
                    .as("creep of %.2f %% a second after %.1f s", 100 * rate, t)
                    .isFalse();
        }
        assertThat(settled).isTrue();
        assertThat(still.mean()).isCloseTo(160, within(0.3));
    }

    @Test
    void oneSpikeDoesNotUnsettle() {
        Settled s = new Settled(250);
        Random random = new Random(5);
        for (int i = 0; i < 200; i++) {
            s.add(i / 20.0, (i == 150 ? 150 : 160) + 0.05 * random.nextGaussian());
        }
        assertThat(s.settled()).isTrue();
        assertThat(s.mean()).isCloseTo(160, within(0.05));
    }

    /** A small motor's clamp meter, whose noise alone spreads over half a per cent. */
    @Test
    void aNoisyCurrentSettlesToo() {
        Settled s = new Settled(15.2);
        Random random = new Random(7);
        for (int i = 0; i < 120; i++) {
            s.add(i / 20.0, 6.5 + 0.008 * random.nextGaussian());
        }
        assertThat(s.settled()).isTrue();
    }

    @Test
    void nothingSettlesBeforeThreeSecondsOrOnAHandfulOfSamples() {
        Settled s = new Settled(250);
        assertThat(s.mean()).isZero();
        assertThat(s.settled()).isFalse();
        assertThat(s.standardError()).isZero();
        for (int i = 0; i <= 50; i++) {
            s.add(i / 20.0, 160);
            assertThat(s.settled()).as("after %.2f s", i / 20.0).isFalse();
        }
        assertThat(s.mean()).isEqualTo(160);
        for (int i = 51; i <= 100; i++) {
            s.add(i / 20.0, 160);
        }
        assertThat(s.settled()).isTrue();
        Settled rare = new Settled(250);
        rare.add(0, 160);
        rare.add(2, 160);
        rare.add(4, 160);
        assertThat(rare.settled()).as("three samples say nothing of a trend").isFalse();
    }

    /** While it moves the last three seconds are the best guess; once it rests, the window that rests. */
    @Test
    void theMeanIsOfTheWindowThatStands() {
        Settled s = new Settled(250);
        for (int i = 0; i < 100; i++) {
            s.add(i / 20.0, i);
        }
        assertThat(s.settled()).isFalse();
        assertThat(s.mean()).isCloseTo((39 + 99) / 2.0, within(0.6));
        for (int i = 100; i < 200; i++) {
            s.add(i / 20.0, 120);
        }
        assertThat(s.settled()).isTrue();
        assertThat(s.mean()).isCloseTo(120, within(1e-6));
        s.add(10, 90);
        assertThat(s.settled()).as("one is a spike").isTrue();
        s.add(10.05, 80);
        assertThat(s.settled()).as("off again").isFalse();
    }

    /** The error of a mean of n readings is their spread over the root of n. */
    @Test
    void theStandardErrorFollowsFromTheSpread() {
        Settled s = new Settled(250);
        Random random = new Random(11);
        for (int i = 0; i < 3000; i++) {
            s.add(i / 50.0, 160 + 0.1 * random.nextGaussian());
        }
        assertThat(s.settled()).isTrue();
        // Three seconds at least, a minute at most.
        assertThat(s.standardError()).isBetween(0.1 / Math.sqrt(3000), 0.1 / Math.sqrt(150));
    }

    /** Near zero a tenth of full scale stands in for the reading: 25 bar, and 0.42 % of it may come in 25 s. */
    @Test
    void nearZeroTheScaleIsTheGauges() {
        Settled still = new Settled(250);
        Settled creeps = new Settled(250);
        for (int i = 0; i < 100; i++) {
            still.add(i / 20.0, 0.1 + 0.0036 * i / 20.0);
            creeps.add(i / 20.0, 0.1 + 0.0052 * i / 20.0);
        }
        assertThat(still.settled()).isTrue();
        assertThat(creeps.settled()).isFalse();
    }

    /** Half a bar a digit, 12 bar: what it goes on trembling between two of them is no approach. */
    @Test
    void coarseDigitsAtLowPressureSettle() {
        for (int seed = 0; seed < 20; seed++) {
            Settled s = new Settled(250);
            Random random = new Random(seed);
            double stands = 12 + 0.5 * random.nextDouble();
            for (int i = 0; i < 300; i++) {
                s.add(i / 20.0, Math.rint(2 * (stands + 0.05 * random.nextGaussian())) / 2);
            }
            assertThat(s.settled()).as("seed " + seed).isTrue();
            assertThat(s.mean()).isCloseTo(stands, within(0.3));
        }
    }

    /** Two levels by turns are no needle with a few spikes. */
    @Test
    void manyOutliersAreNoSpike() {
        Settled s = new Settled(250);
        for (int i = 0; i < 200; i++) {
            s.add(i / 20.0, i % 8 == 0 ? 150 : 160);
        }
        assertThat(s.settled()).isFalse();
    }
}
