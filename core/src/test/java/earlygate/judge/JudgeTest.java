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
        assertThat(s.mean()).isEqualTo(120);
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
        assertThat(s.standardError()).isCloseTo(0.1 / Math.sqrt(150), within(0.002));
    }

    /** Near zero a twentieth of full scale stands in for the reading: 12.5 bar, of which 0.05 % a second are 6 mbar. */
    @Test
    void nearZeroTheScaleIsTheGauges() {
        Settled still = new Settled(250);
        Settled creeps = new Settled(250);
        for (int i = 0; i < 100; i++) {
            still.add(i / 20.0, 0.1 + 0.005 * i / 20.0);
            creeps.add(i / 20.0, 0.1 + 0.008 * i / 20.0);
        }
        assertThat(still.settled()).isTrue();
        assertThat(creeps.settled()).isFalse();
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

    /** From above: a quarter while unproven, else a little below, so that the last move comes up from there. */
    @Test
    void outwardGoesALittleBelow() {
        assertThat(TurnAdvice.next(advised(200e5, 160e5, 2e5, 250e5, ScrewModel.from(40e5))))
                .isInstanceOfSatisfying(TurnAdvice.Turn.class, t -> {
                    assertThat(t.turns()).isEqualTo(-0.25);
                    assertThat(t.expectedPa()).isEqualTo(190e5);
                    assertThat(t.reason().code()).isEqualTo("advice.out");
                });
        ScrewModel proven = new ScrewModel(40e5, 1e5, 3, 41e5);
        assertThat(TurnAdvice.next(advised(200e5, 160e5, 2e5, 250e5, proven)))
                .isInstanceOfSatisfying(
                        TurnAdvice.Turn.class, t -> assertThat(t.turns()).isEqualTo(-1.0625));
        assertThat(TurnAdvice.next(new TurnAdvice.Case(200e5, 160e5, 2e5, 250e5, 0, proven, 0.5, false)))
                .isInstanceOfSatisfying(
                        TurnAdvice.Turn.class, t -> assertThat(t.turns()).isEqualTo(-0.5));
        assertThat(TurnAdvice.next(new TurnAdvice.Case(4e5, 0, 0.1e5, 250e5, 0, proven, 9, false)))
                .isInstanceOfSatisfying(
                        TurnAdvice.Turn.class,
                        t -> assertThat(t.expectedPa())
                                .as("never below nothing")
                                .isZero());
    }

    @Test
    void inwardTakesTheWholeWayOnceProven() {
        ScrewModel proven = new ScrewModel(40e5, 1e5, 3, 41e5);
        assertThat(TurnAdvice.next(advised(80e5, 160e5, 4e5, 250e5, proven)))
                .isInstanceOfSatisfying(TurnAdvice.Turn.class, t -> {
                    assertThat(t.turns()).isEqualTo(2);
                    assertThat(t.expectedPa()).isEqualTo(160e5);
                    assertThat(t.reason().code()).isEqualTo("advice.in");
                });
        // At its steepest, 42 bar a turn, two turns would leave a narrower band.
        assertThat(TurnAdvice.next(advised(80e5, 160e5, 1e5, 250e5, proven)))
                .isInstanceOfSatisfying(
                        TurnAdvice.Turn.class, t -> assertThat(t.turns()).isEqualTo(1.875));
        assertThat(TurnAdvice.next(advised(158.5e5, 160e5, 0.5e5, 250e5, proven)))
                .as("a sixteenth is 2.5 bar: further off on the other side")
                .isInstanceOf(TurnAdvice.Turn.class);
        assertThat(TurnAdvice.next(advised(159e5, 160e5, 0.5e5, 250e5, proven))).isInstanceOf(TurnAdvice.Finest.class);
        assertThat(TurnAdvice.next(advised(159.5e5, 160e5, 0.5e5, 250e5, proven)))
                .isInstanceOf(TurnAdvice.Leave.class);
    }

    @Test
    void boundsOfABelief() {
        assertThat(ScrewModel.from(40e5).upper()).isEqualTo(80e5);
        assertThat(ScrewModel.from(40e5).lower())
                .as("no flatter than two fifths")
                .isEqualTo(16e5);
        assertThat(new ScrewModel(40e5, 2e5, 2, 0).lower()).isEqualTo(36e5);
        assertThat(new ScrewModel(40e5, 2e5, 2, 50e5).upper())
                .as("steeper was seen")
                .isEqualTo(50e5);
        assertThat(new ScrewModel(40e5, 5.9e5, 1, 0).proven()).isTrue();
        assertThat(new ScrewModel(40e5, 6.1e5, 1, 0).proven()).isFalse();
        assertThat(new ScrewModel(40e5, 1e5, 0, 0).proven())
                .as("never answered")
                .isFalse();
        // A pair far outside the belief is weighed little, and is no steepest slope.
        ScrewModel proven = new ScrewModel(40e5, 1e5, 3, 42e5);
        ScrewModel odd = proven.learn(0.25, 60e5, 0.2e5);
        assertThat(odd.slope()).isCloseTo(40e5, within(5e5));
        assertThat(odd.steepest()).isEqualTo(42e5);
        assertThat(proven.learn(0, 10e5, 1e5)).isEqualTo(proven);
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
