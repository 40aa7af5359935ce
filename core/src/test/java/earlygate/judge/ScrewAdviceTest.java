package earlygate.judge;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** What turns teach of a screw, and how far the next may go. */
class ScrewAdviceTest {
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
}
