package earlygate.judge;

import static org.assertj.core.api.Assertions.assertThat;

import earlygate.fixture.Effort;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import org.junit.jupiter.api.Test;

/** The same reliefs where a hand turns, lets the needle stand, reads it by eye and types it. */
class ReadCracksTest {
    private static final int MACHINES = Effort.of("machines", 150, 3000);

    /** A quarter of its class is how far one eye differs from itself. */
    private static double byEye(ReliefMachine m) {
        return 0.25 * 0.006 * 1.7 * m.target;
    }

    private static final class Hand {
        final ReliefMachine machine;
        final Random eye;
        final List<double[]> read = new ArrayList<>();

        Hand(ReliefMachine machine, long seed) {
            this.machine = machine;
            this.eye = new Random(seed);
        }

        Optional<CrackSearch.AmongReadings> reads() {
            machine.run(8 + 20 * eye.nextDouble(), 0);
            List<double[]> all = machine.samples;
            List<double[]> last = all.subList(all.size() - (int) (2 * machine.rate), all.size());
            double mean = last.stream()
                    .mapToDouble(s -> s[1])
                    .sorted()
                    .skip(last.size() / 2)
                    .findFirst()
                    .orElseThrow();
            read.add(new double[] {machine.samples.get(all.size() - 1)[0], mean + byEye(machine) * eye.nextGaussian()});
            return CrackSearch.AmongReadings.of(
                    read.stream().mapToDouble(r -> r[0]).toArray(),
                    read.stream().mapToDouble(r -> r[1]).toArray(),
                    byEye(machine));
        }
    }

    @Test
    void readingsBetweenTheTurnsTellTheCrackToo() {
        int early = 0;
        int missed = 0;
        int off = 0;
        for (int seed = 1; seed <= MACHINES; seed++) {
            ReliefMachine m = new ReliefMachine(seed);
            Hand hand = new Hand(m, seed);
            hand.reads();
            Optional<CrackSearch.AmongReadings> said = hand.reads();
            double made = 0;
            while (said.isEmpty() && m.past < 1.25) {
                double next = m.nextTurn(made);
                m.turn(next);
                made += next;
                said = hand.reads();
            }
            if (said.isPresent() && m.crackedAt < 0) {
                early++;
            } else if (said.isEmpty()) {
                missed++;
            } else if (Math.abs(said.get().held() - m.held) > 0.01 * m.held) {
                off++;
            }
        }
        assertThat(early).as("called before it passed").isLessThanOrEqualTo(MACHINES / 100);
        assertThat(missed).as("missed").isLessThanOrEqualTo(MACHINES * 3 / 100);
        assertThat(off).as("named wrong by more than a hundredth").isLessThanOrEqualTo(MACHINES / 50);
    }

    /** One slip, wherever it stands, is no crack; nor is what was read twice. */
    @Test
    void aSlipIsNoCrack() {
        for (double slip : new double[] {-12, 12}) {
            for (int at = 0; at < 8; at++) {
                double[] t = new double[8];
                double[] p = new double[8];
                for (int i = 0; i < 8; i++) {
                    t[i] = 20 * i;
                    p[i] = 180 + (i == at ? slip : 0) + (i % 2 == 0 ? 0.2 : -0.2);
                }
                assertThat(CrackSearch.AmongReadings.of(t, p, 0.4))
                        .as(slip + " at " + at)
                        .isEmpty();
            }
        }
        assertThat(CrackSearch.AmongReadings.of(new double[] {0, 20}, new double[] {180, 170}, 0.4))
                .isEmpty();
    }
}
