package earlygate.judge;

import static org.assertj.core.api.Assertions.assertThat;

import earlygate.fixture.Effort;
import earlygate.judge.ScrewMachine.Group;
import java.util.List;
import java.util.OptionalDouble;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Screws brought to their targets by what is advised: how soon, how surely, and never past what may not be passed. */
class NextTurnTest {
    private static final int SCREWS = Effort.of("screws", 20, 600);

    /**
     * Off its data; with play, a hand that misses, a dial and an outlier; stiffening by anything; found too high, brought
     * down and never called good where it is.
     */
    @ParameterizedTest
    @CsvSource({"SLOPE, 3", "ALL, 5", "RISING, 5", "ABOVE, 5"})
    void aScrewIsBroughtThereInAFewTurns(Group group, int soonest) {
        TurnTally t = TurnTally.of(group, SCREWS, soonest);
        assertThat(t.soon).isGreaterThanOrEqualTo(SCREWS * 9 / 10);
        never(t);
    }

    private static void never(TurnTally t) {
        assertThat(t.far).as("beyond two tolerances").isLessThan(Math.max(1, SCREWS / 50));
        assertThat(t.wrongNoGauge).isLessThanOrEqualTo(SCREWS / 100);
        assertThat(t.stops).isLessThanOrEqualTo(SCREWS / 200);
        assertThat(t.endless).isZero();
        assertThat(t.passed).isZero();
    }

    /** 64 bar a turn, 4 a sixteenth, within 1 of 100: from 98.5 the next is 102.5; from 97 it is 101. */
    @ParameterizedTest
    @CsvSource({"98.5, finest", "97, turn", "103, turn", "99.2, leave"})
    void whereASixteenthIsTooCoarseItStandsOnTheBetterSide(double reads, String said) {
        List<NextTurn.Reading> turned =
                List.of(new NextTurn.Reading(0, reads - 20), new NextTurn.Reading(5 / 16.0, reads));
        NextTurn.Ask ask = new NextTurn.Ask(
                64,
                10,
                200,
                turned,
                100,
                1,
                1,
                160,
                0.1,
                0,
                OptionalDouble.empty(),
                new Slope(64, 1, 4),
                Double.POSITIVE_INFINITY);
        assertThat(NextTurn.of(ask).key()).isEqualTo(said);
    }

    @Test
    void aScrewThatLostTheGaugeIsTold() {
        TurnTally t = TurnTally.of(Group.LOST, SCREWS, 0);
        assertThat(t.noGauge).isGreaterThanOrEqualTo(SCREWS * 95 / 100);
        assertThat(t.endless).isZero();
    }

    @Test
    void beforeALimitItStops() {
        TurnTally t = TurnTally.of(Group.LIMIT, SCREWS, 0);
        assertThat(t.stops).isGreaterThanOrEqualTo(SCREWS * 95 / 100);
        assertThat(t.passed).isZero();
        assertThat(t.endless).isZero();
    }
}
