package earlygate.judge;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.OptionalDouble;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** The first fall of a gauge that stood. */
class CrackDetectorTest {
    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5, 6})
    void crackIsFoundJustAfterItHappensAndNeverBefore(long seed) {
        Random noise = new Random(seed);
        CrackDetector d = new CrackDetector(0.1e5, 0.05);
        for (int i = 0; i < 600; i++) {
            d.add(175.7e5 + 0.08e5 * noise.nextGaussian(), OptionalDouble.of(13.4 + 0.02 * noise.nextGaussian()));
            assertThat(d.crackedAt()).as("still standing at %d", i).isEmpty();
        }
        int after = 0;
        while (d.crackedAt().isEmpty()) {
            double fall = Math.min(1.2e5, 0.1e5 * ++after);
            d.add(
                    175.7e5 - fall + 0.08e5 * noise.nextGaussian(),
                    OptionalDouble.of(13.4 + fall / 1e5 + 0.02 * noise.nextGaussian()));
            assertThat(after).isLessThan(40);
        }
        assertThat(d.crackedAt().getAsDouble()).isCloseTo(175.7e5, within(0.1e5));
    }

    @Test
    void aFallWithoutCurrentIsNoCrack() {
        CrackDetector d = new CrackDetector(0.1e5, 0.05);
        for (int i = 0; i < 300; i++) {
            d.add(175.7e5 - Math.max(0, i - 100) * 0.05e5, OptionalDouble.of(13.4));
        }
        assertThat(d.crackedAt()).isEmpty();
    }

    /** An engine has no current: the fall alone must do, and what stood is named. */
    @Test
    void onAnEngineTheFallAloneIsTheCrack() {
        CrackDetector d = new CrackDetector(0.1e5, 0.05);
        Random noise = new Random(3);
        for (int i = 0; i < 400; i++) {
            d.add(233.8e5 + 0.08e5 * noise.nextGaussian(), OptionalDouble.empty());
        }
        assertThat(d.crackedAt()).isEmpty();
        assertThat(d.stood().getAsDouble()).isCloseTo(233.8e5, within(0.1e5));
        for (int i = 0; i < 60; i++) {
            d.add(232.6e5 + 0.08e5 * noise.nextGaussian(), OptionalDouble.empty());
        }
        assertThat(d.crackedAt().getAsDouble()).isCloseTo(233.8e5, within(0.1e5));
    }

    @Test
    void aCrackNeedsABaselineFirst() {
        CrackDetector d = new CrackDetector(0.1e5, 0.05);
        for (int i = 0; i < 39; i++) {
            d.add(176e5 - i * 0.5e5, OptionalDouble.of(13 + i));
            assertThat(d.stood()).isEmpty();
        }
        assertThat(d.crackedAt()).isEmpty();
        CrackDetector rises = new CrackDetector(0.1e5, 0.05);
        for (int i = 0; i < 300; i++) {
            rises.add(176e5 + Math.max(0, i - 100) * 0.05e5, OptionalDouble.of(13.4 + Math.max(0, i - 100) * 0.1));
        }
        assertThat(rises.crackedAt()).as("a gauge that rises").isEmpty();
    }
}
