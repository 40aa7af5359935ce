package earlygate.judge;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import earlygate.judge.Verdict.Grade;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class JudgeTest {
    @ParameterizedTest
    @CsvSource({
        "160, PASS",
        "162.5, PASS",
        "162.6, CANNOT_TELL",
        "157.4, CANNOT_TELL",
        "165.5, CANNOT_TELL",
        "165.6, FAIL",
        "154.4, FAIL"
    })
    void verdictCountsTheGaugesOwnError(double bar, Grade grade) {
        assertThat(Verdict.of(bar * 1e5, 160e5, 4e5, 1.5e5).grade()).isEqualTo(grade);
    }

    @Test
    void cannotTellNamesTheClassThatCould() {
        Verdict v = Verdict.of(163e5, 160e5, 4e5, 1.5e5);
        assertThat(v.classThatCould(250e5)).contains(0.25);
        assertThat(Verdict.of(164e5, 160e5, 4e5, 1.5e5).reason(250e5).code()).isEqualTo("verdict.on-the-edge");
        assertThat(Verdict.coarsestClass(250e5, 4e5)).contains(1.6);
    }

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

    @Test
    void slopeIsLearnedAndOneBadReadingDoesLittleHarm() {
        ScrewModel m = ScrewModel.from(45e5);
        assertThat(m.proven()).isFalse();
        m = m.learn(0.25, 13e5, 0.5e5).learn(0.5, 26.2e5, 0.5e5);
        assertThat(m.proven()).isTrue();
        assertThat(m.slope()).isCloseTo(52e5, within(1e5));
        ScrewModel bad = m.learn(0.25, 45e5, 0.5e5);
        assertThat(bad.slope()).isCloseTo(52e5, within(4e5));
    }

    /** Every hidden slope within the prior: the target is reached from below, no limit passed, few turns. */
    @ParameterizedTest
    @ValueSource(doubles = {28e5, 36e5, 45e5, 55e5, 66e5})
    void adviceReachesTheTarget(double hidden) {
        Random noise = new Random(3);
        ScrewModel m = ScrewModel.from(45e5);
        double reading = 33e5;
        double limit = 250e5;
        int turns = 0;
        while (true) {
            TurnAdvice next = TurnAdvice.next(new TurnAdvice.Case(reading, 176e5, 2.5e5, limit, m, 9, 9));
            if (!(next instanceof TurnAdvice.Turn t)) {
                assertThat(next).isInstanceOf(TurnAdvice.Leave.class);
                break;
            }
            assertThat(t.turns() * 16).as("whole sixteenths").isCloseTo(Math.rint(t.turns() * 16), within(1e-9));
            if (!m.proven()) {
                assertThat(Math.abs(t.turns())).isLessThanOrEqualTo(0.25);
            }
            double after = reading + hidden * t.turns() + 0.1e5 * noise.nextGaussian();
            m = m.learn(t.turns(), after - reading, 0.5e5);
            reading = after;
            assertThat(reading).isLessThan(limit);
            assertThat(++turns).isLessThan(10);
        }
    }

    @Test
    void adviceRefusesWhatCouldPassALimit() {
        ScrewModel unproven = ScrewModel.from(45e5);
        assertThat(TurnAdvice.next(new TurnAdvice.Case(175e5, 180e5, 1e5, 179e5, unproven, 5, 5)))
                .isInstanceOf(TurnAdvice.Stop.class);
        assertThat(TurnAdvice.next(new TurnAdvice.Case(150e5, 180e5, 1e5, 250e5, unproven, 0, 5)))
                .isInstanceOf(TurnAdvice.Stop.class);
    }

    @Test
    void aSilentGaugeMeansAnotherAdjusterHasIt() {
        ScrewModel m = ScrewModel.from(45e5).learn(0.25, 0.1e5, 0.5e5);
        assertThat(m.slope()).isEqualTo(45e5);
        m = m.learn(0.25, 0.0, 0.5e5);
        assertThat(TurnAdvice.next(new TurnAdvice.Case(150e5, 176e5, 2e5, 250e5, m, 5, 5)))
                .isInstanceOf(TurnAdvice.NoAnswer.class);
    }

    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5, 6})
    void crackIsFoundJustAfterItHappensAndNeverBefore(long seed) {
        Random noise = new Random(seed);
        CrackDetector d = new CrackDetector(0.1e5, 0.05);
        for (int i = 0; i < 600; i++) {
            d.add(175.7e5 + 0.08e5 * noise.nextGaussian(), 13.4 + 0.02 * noise.nextGaussian());
            assertThat(d.crackedAt()).as("still standing at %d", i).isEmpty();
        }
        int after = 0;
        while (d.crackedAt().isEmpty()) {
            double fall = Math.min(1.2e5, 0.1e5 * ++after);
            d.add(175.7e5 - fall + 0.08e5 * noise.nextGaussian(), 13.4 + fall / 1e5 + 0.02 * noise.nextGaussian());
            assertThat(after).isLessThan(40);
        }
        assertThat(d.crackedAt().getAsDouble()).isCloseTo(175.7e5, within(0.1e5));
    }

    @Test
    void aFallWithoutCurrentIsNoCrack() {
        CrackDetector d = new CrackDetector(0.1e5, 0.05);
        for (int i = 0; i < 300; i++) {
            d.add(175.7e5 - Math.max(0, i - 100) * 0.05e5, 13.4);
        }
        assertThat(d.crackedAt()).isEmpty();
    }
}
