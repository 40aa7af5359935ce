package earlygate.judge;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Optional;
import org.junit.jupiter.api.Test;

/** Reliefs of known truth backed out past their crack: never called too early, called in time, and named right. */
class CrackStreamsTest {
    private static final int MACHINES = Integer.getInteger("machines", 60);

    @Test
    void everyCrackIsToldWhenItIsThere() {
        int early = 0;
        int missed = 0;
        int missedWithout = 0;
        int without = 0;
        int off = 0;
        int hits = 0;
        int late = 0;
        int quick = 0;
        int within = 0;
        int bounded = 0;
        for (int seed = 1; seed <= MACHINES; seed++) {
            ReliefMachine m = new ReliefMachine(seed);
            without += m.amps ? 0 : 1;
            Optional<CrackSearch> said = Optional.empty();
            m.run(3, 0);
            said = m.asked();
            if (said.isEmpty()) {
                m.stand();
                said = m.asked();
            }
            double way = m.nominalWay();
            double made = 0;
            while (said.isEmpty() && m.past < 1.25) {
                double next = made < 0.4 * way ? 0.25 : made < 0.7 * way ? 0.125 : 0.0625;
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
                early++;
                continue;
            }
            m.run(6, 0);
            said = m.asked();
            if (said.isEmpty()) {
                missed += m.amps ? 1 : 0;
                missedWithout += m.amps ? 0 : 1;
                continue;
            }
            hits++;
            off += Math.abs(said.get().held() - m.held) > 0.005 * m.held ? 1 : 0;
            ReliefPlace place = m.place(said.get()).orElseThrow();
            double stands = m.setting() * 1e5;
            within += Math.abs(place.settingPa() - stands) <= 0.01 * stands ? 1 : 0;
            bounded += stands >= place.low() && stands <= place.high() ? 1 : 0;
            double sees = m.share() * m.slope / 8 / (m.noise / Math.sqrt(4 * m.rate));
            if (sees >= 6) {
                quick++;
                late += when > 0.125 ? 1 : 0;
            }
        }
        assertThat(early).as("called before it passed").isLessThanOrEqualTo(MACHINES / 100);
        assertThat(missed).as("missed with a current").isLessThanOrEqualTo((MACHINES - without) / 100);
        assertThat(missedWithout).as("missed without").isLessThanOrEqualTo(3 * without / 100);
        assertThat(off).as("named wrong by more than 0.5 %").isLessThanOrEqualTo(hits / 100);
        assertThat(within).as("its place within 1 %").isGreaterThanOrEqualTo(hits * 95 / 100);
        assertThat(bounded).as("its place inside the bounds").isGreaterThanOrEqualTo(hits * 93 / 100);
        assertThat(late).as("later than an eighth of a turn").isLessThanOrEqualTo(quick / 20);
    }
}
