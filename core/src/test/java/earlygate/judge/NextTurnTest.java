package earlygate.judge;

import static org.assertj.core.api.Assertions.assertThat;

import earlygate.judge.ScrewMachine.Group;
import org.junit.jupiter.api.Test;

/** Screws brought to their targets by what is advised: how soon, how surely, and never past what may not be passed. */
class NextTurnTest {
    private static final int SCREWS = Integer.getInteger("screws", 150);

    @Test
    void aScrewOffItsDataIsBroughtThereInThreeTurns() {
        TurnTally t = TurnTally.of(Group.SLOPE, SCREWS, 3);
        assertThat(t.soon).isGreaterThanOrEqualTo(SCREWS * 9 / 10);
        never(t);
    }

    @Test
    void withPlayHandDialAndAnOutlierInFive() {
        TurnTally t = TurnTally.of(Group.ALL, SCREWS, 5);
        assertThat(t.soon).isGreaterThanOrEqualTo(SCREWS * 9 / 10);
        never(t);
    }

    /** No spring stiffens by just what is looked at. */
    @Test
    void aSpringThatStiffensByAnythingInFive() {
        TurnTally t = TurnTally.of(Group.RISING, SCREWS, 5);
        assertThat(t.soon).isGreaterThanOrEqualTo(SCREWS * 9 / 10);
        never(t);
    }

    /** Found too high it is brought down, and never called good where it is. */
    @Test
    void fromAboveItIsBroughtDown() {
        TurnTally t = TurnTally.of(Group.ABOVE, SCREWS, 5);
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
