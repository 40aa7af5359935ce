package earlygate.judge;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import earlygate.judge.Verdict.Grade;
import java.util.OptionalDouble;
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
            TurnAdvice next = TurnAdvice.next(advised(reading, 176e5, 2.5e5, limit, m));
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
        assertThat(TurnAdvice.next(advised(175e5, 180e5, 1e5, 179e5, unproven))).isInstanceOf(TurnAdvice.Stop.class);
        // The gauge's own error counts too.
        assertThat(TurnAdvice.next(new TurnAdvice.Case(
                        175e5, 180e5, 1e5, 180e5, 1.5e5, unproven, Double.POSITIVE_INFINITY, false)))
                .isInstanceOf(TurnAdvice.Stop.class);
        assertThat(TurnAdvice.next(
                        new TurnAdvice.Case(190e5, 180e5, 1e5, 250e5, 0, unproven, Double.POSITIVE_INFINITY, true)))
                .isInstanceOf(TurnAdvice.Stop.class);
    }

    private static TurnAdvice.Case advised(double reading, double target, double close, double limit, ScrewModel m) {
        return new TurnAdvice.Case(reading, target, close, limit, 0, m, Double.POSITIVE_INFINITY, false);
    }

    /** A gentle answer once seen doesn't hide a steep one: the limit is kept at the steepest. */
    @Test
    void theSteepestSlopeSeenKeepsTheLimit() {
        ScrewModel m = ScrewModel.from(20e5);
        for (double change : new double[] {8e5, 5e5, 5e5, 5e5, 5e5}) {
            m = m.learn(0.25, change, 0.3e5);
        }
        assertThat(m.slope()).isLessThan(29e5);
        assertThat(m.upper()).isGreaterThanOrEqualTo(31e5);
        TurnAdvice next = TurnAdvice.next(advised(100e5, 150e5, 3e5, 131e5, m));
        assertThat(next)
                .isInstanceOfSatisfying(
                        TurnAdvice.Turn.class,
                        t -> assertThat(100e5 + t.turns() * 32e5).isLessThanOrEqualTo(131e5));
    }

    @Test
    void neverMoreThanTwiceTheLastTurn() {
        ScrewModel m = ScrewModel.from(40e5).learn(0.25, 10e5, 0.3e5).learn(0.25, 10e5, 0.3e5);
        TurnAdvice next = TurnAdvice.next(new TurnAdvice.Case(50e5, 200e5, 3e5, 300e5, 1e5, m, 0.5, false));
        assertThat(next)
                .isInstanceOfSatisfying(
                        TurnAdvice.Turn.class, t -> assertThat(t.turns()).isEqualTo(0.5));
    }

    /** A screw so coarse that a sixteenth jumps over the target: it ends on the better side, and stays there. */
    @ParameterizedTest
    @ValueSource(doubles = {-5e5, -4e5, 4e5, 5e5})
    void aCoarseScrewEndsOnItsBetterSide(double off) {
        ScrewModel m = ScrewModel.from(160e5).learn(0.25, 40e5, 0.3e5).learn(0.25, 40e5, 0.3e5);
        double reading = 100e5 + off;
        int moves = 0;
        while (TurnAdvice.next(advised(reading, 100e5, 1e5, 250e5, m)) instanceof TurnAdvice.Turn t) {
            reading += t.turns() * 160e5;
            assertThat(++moves).isLessThan(4);
        }
        assertThat(Math.abs(reading - 100e5)).isLessThanOrEqualTo(5e5);
    }

    @Test
    void aSilentTurnTeachesNothingAndIsKnownAsOne() {
        ScrewModel m = ScrewModel.from(45e5).learn(0.25, 0.1e5, 0.5e5);
        assertThat(m).isEqualTo(ScrewModel.from(45e5));
        assertThat(m.silent(0.25, 0.1e5, 0.5e5)).isTrue();
        assertThat(m.silent(0.25, 5e5, 0.5e5)).isFalse();
        assertThat(m.silent(0.01, 0, 0.5e5)).as("too small a turn to say").isFalse();
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

    /** A saw between 119 and 140: its turning points, but not the one that was under way when the screw was turned. */
    @Test
    void turningPointsOfASawingGauge() {
        Swing swing = new Swing(250);
        for (double p = 150; p > 119; p -= 0.5) {
            swing.add(p);
        }
        assertThat(swing.peak()).as("not risen to").isEmpty();
        for (double p = 119; p < 140; p += 0.5) {
            swing.add(p);
        }
        assertThat(swing.valley().getAsDouble()).isCloseTo(119.5, within(0.6));
        assertThat(swing.peak()).as("still rising").isEmpty();
        for (double p = 140; p > 130; p -= 0.5) {
            swing.add(p);
        }
        assertThat(swing.peak().getAsDouble()).isCloseTo(140, within(0.01));
        swing.restart();
        assertThat(swing.peak()).isEmpty();
    }

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
}
