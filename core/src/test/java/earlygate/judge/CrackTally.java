package earlygate.judge;

import java.util.Optional;

/** Reliefs of known truth backed out past their crack, counted: how often it was called too early, in time, and right. */
final class CrackTally {
    int early;
    int missed;
    int missedWithout;
    int without;
    int off;
    int hits;
    int late;
    int quick;
    int within;
    int bounded;

    private CrackTally() {}

    static CrackTally of(int machines) {
        CrackTally t = new CrackTally();
        for (int seed = 1; seed <= machines; seed++) {
            ReliefMachine m = new ReliefMachine(seed);
            t.without += m.amps ? 0 : 1;
            Optional<CrackSearch> said = Optional.empty();
            m.run(3, 0);
            said = m.asked();
            if (said.isEmpty()) {
                m.stand();
                said = m.asked();
            }
            double made = 0;
            while (said.isEmpty() && m.past < 1.25) {
                double next = m.nextTurn(made);
                m.turn(next);
                made += next;
                said = m.asked();
                if (said.isEmpty()) {
                    m.run(m.pause(), 0);
                    said = m.asked();
                }
            }
            boolean cracked = m.crackedAt >= 0;
            double when = m.past;
            if (said.isPresent() && !cracked) {
                t.early++;
                continue;
            }
            m.run(6, 0);
            said = m.asked();
            if (said.isEmpty()) {
                t.missed += m.amps ? 1 : 0;
                t.missedWithout += m.amps ? 0 : 1;
                continue;
            }
            t.hits++;
            t.off += Math.abs(said.get().held() - m.held) > 0.005 * m.held ? 1 : 0;
            ReliefEstimate place = m.place(said.get()).orElseThrow();
            double stands = m.setting() * 1e5;
            t.within += Math.abs(place.settingPa() - stands) <= 0.01 * stands ? 1 : 0;
            t.bounded += stands >= place.low() && stands <= place.high() ? 1 : 0;
            double sees = m.share() * m.slope / 8 / (m.noise / Math.sqrt(4 * m.rate));
            if (sees >= 6) {
                t.quick++;
                t.late += when > 0.125 ? 1 : 0;
            }
        }
        return t;
    }
}
