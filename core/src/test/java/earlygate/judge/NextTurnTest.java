package earlygate.judge;

import static org.assertj.core.api.Assertions.assertThat;

import earlygate.judge.ScrewMachine.Group;
import org.junit.jupiter.api.Test;

/** Screws brought to their targets by what is advised: how soon, how surely, and never past what may not be passed. */
class NextTurnTest {
    private static final int SCREWS = Integer.getInteger("screws", 150);
    private static final int MOST = 15;

    private static final class Tally {
        int right;
        int soon;
        int far;
        int wrongNoGauge;
        int wrongStop;
        int noGauge;
        int stops;
        int endless;
        int passed;
    }

    private static Tally walk(Group group, int soonest) {
        Tally t = new Tally();
        for (int seed = 0; seed < SCREWS; seed++) {
            ScrewMachine m = new ScrewMachine(group, 1000L * group.ordinal() + seed);
            NextTurn said = NextTurn.of(m.ask());
            while (said instanceof NextTurn.Turn turn && m.turns < MOST) {
                m.turn(turn.turns());
                said = NextTurn.of(m.ask());
            }
            double off = Math.abs(m.truth() - m.target);
            boolean right = said instanceof NextTurn.Leave && off <= m.tolerance
                    || said instanceof NextTurn.Finest
                            && m.sixteenth() > m.tolerance / 2
                            && off <= Math.max(m.sixteenth(), m.tolerance);
            t.right += right ? 1 : 0;
            t.soon += right && m.turns <= soonest ? 1 : 0;
            t.far += m.wentFar ? 1 : 0;
            t.passed += m.passedLimit ? 1 : 0;
            t.endless += m.turns > 12 ? 1 : 0;
            t.wrongNoGauge += said instanceof NextTurn.NoGauge && group != Group.LOST ? 1 : 0;
            t.noGauge += said instanceof NextTurn.NoGauge && m.sinceLost >= 0 && m.sinceLost <= 3 ? 1 : 0;
            t.stops += said instanceof NextTurn.Stop ? 1 : 0;
        }
        return t;
    }

    @Test
    void aScrewOffItsDataIsBroughtThereInThreeTurns() {
        Tally t = walk(Group.SLOPE, 3);
        assertThat(t.soon).isGreaterThanOrEqualTo(SCREWS * 9 / 10);
        never(t);
    }

    @Test
    void withPlayHandDialAndAnOutlierInFive() {
        Tally t = walk(Group.ALL, 5);
        assertThat(t.soon).isGreaterThanOrEqualTo(SCREWS * 9 / 10);
        never(t);
    }

    /** No spring stiffens by just what is looked at. */
    @Test
    void aSpringThatStiffensByAnythingInFive() {
        Tally t = walk(Group.RISING, 5);
        assertThat(t.soon).isGreaterThanOrEqualTo(SCREWS * 9 / 10);
        never(t);
    }

    /** Found too high it is brought down, and never called good where it is. */
    @Test
    void fromAboveItIsBroughtDown() {
        Tally t = walk(Group.ABOVE, 5);
        assertThat(t.soon).isGreaterThanOrEqualTo(SCREWS * 9 / 10);
        never(t);
    }

    private static void never(Tally t) {
        assertThat(t.far).as("beyond two tolerances").isLessThan(Math.max(1, SCREWS / 50));
        assertThat(t.wrongNoGauge).isLessThanOrEqualTo(SCREWS / 100);
        assertThat(t.stops).isLessThanOrEqualTo(SCREWS / 200);
        assertThat(t.endless).isZero();
        assertThat(t.passed).isZero();
    }

    @Test
    void aScrewThatLostTheGaugeIsTold() {
        Tally t = walk(Group.LOST, 0);
        assertThat(t.noGauge).isGreaterThanOrEqualTo(SCREWS * 95 / 100);
        assertThat(t.endless).isZero();
    }

    @Test
    void beforeALimitItStops() {
        Tally t = walk(Group.LIMIT, 0);
        assertThat(t.stops).isGreaterThanOrEqualTo(SCREWS * 95 / 100);
        assertThat(t.passed).isZero();
        assertThat(t.endless).isZero();
    }
}
