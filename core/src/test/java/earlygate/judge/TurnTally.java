package earlygate.judge;

import earlygate.judge.ScrewMachine.Group;

/** Screws of known truth brought to their targets by what is advised, counted. */
final class TurnTally {
    private static final int MOST = 15;

    int right;
    int soon;
    int far;
    int wrongNoGauge;
    int wrongStop;
    int noGauge;
    int stops;
    int endless;
    int passed;

    private TurnTally() {}

    static TurnTally of(Group group, int screws, int soonest) {
        TurnTally t = new TurnTally();
        for (int seed = 0; seed < screws; seed++) {
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
}
