package earlygate.judge;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import earlygate.explain.Reason;
import earlygate.judge.Slope.Known;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** The small pieces of judgement, each against a count by hand. */
class PiecesTest {
    @ParameterizedTest
    @CsvSource({
        "10, 1.4, 1, WELL",
        "10, 1.5, 1, ROUGHLY",
        "10, 4, 2, ROUGHLY",
        "10, 0.1, 0, HARDLY",
    })
    void aSlopeIsKnownAsWellAsItWasAnswered(double perTurn, double sd, int answers, Known known) {
        assertThat(new Slope(perTurn, sd, answers).known()).isEqualTo(known);
    }

    /** Two standard deviations off: minus two. Never surer than 8 %, for springs stiffen along their travel. */
    @ParameterizedTest
    @CsvSource({"2, 3, 14, -2", "2, 3, 6, -2", "0.1, 3, 10.8, -0.5", "2, 0, 14, 0"})
    void howLikelyAnotherSlopeIs(double sd, int answers, double other, double log) {
        assertThat(new Slope(10, sd, answers).logLikelihood(other)).isCloseTo(log, within(1e-9));
    }

    @Test
    void noScrewIsBelievedGentlerThanTwoFifths() {
        assertThat(new Slope(10, 1, 1).lower()).isEqualTo(8);
        assertThat(new Slope(10, 4, 1).lower()).isEqualTo(4);
        assertThat(new Slope(10, 4, 1).upper()).isEqualTo(18);
    }

    /** What goes to and fro by one digit is seen by two samples beside the middle; a spike is further off. */
    @Test
    void theStepByWhichAnInstrumentShows() {
        assertThat(Digits.step(new double[] {0, 1, 1, 2})).isEqualTo(1);
        assertThat(Digits.step(new double[] {0, 1})).as("seen once").isZero();
        assertThat(Digits.step(new double[] {7, 7, 7})).isZero();
        assertThat(Digits.step(new double[] {9.5, 10.5, 10.5, 11}))
                .as("one of them two steps off")
                .isZero();
        assertThat(Digits.step(new double[] {9.5, 10, 10.5, 10.5, 11})).isEqualTo(0.5);
    }

    @Test
    void aVerdictSaysWhy() {
        assertThat(Verdict.of(161e5, 160e5, 4e5, 1.5e5).reason(250e5).code()).isEqualTo("verdict.pass");
        assertThat(Verdict.of(166e5, 160e5, 4e5, 1.5e5).reason(250e5).code()).isEqualTo("verdict.fail");
        // 3 bar off of 4 ± 1.5: a gauge of 1 bar error could tell, on 250 bar that is class 0.25 (0.4 %).
        Reason edge = Verdict.of(163e5, 160e5, 4e5, 1.5e5).reason(250e5);
        assertThat(edge.code()).isEqualTo("verdict.cannot-tell");
        assertThat(edge.amounts().get("class").si()).isEqualTo(0.25);
        assertThat(edge.amounts().get("off").si()).isEqualTo(3e5);
        assertThat(Verdict.of(164e5, 160e5, 4e5, 1.5e5).reason(250e5).code())
                .as("no gauge could")
                .isEqualTo("verdict.on-the-edge");
    }

    /** 20 s at 176 ± 0.1 bar, read five times a second, the turn at 12 s. */
    private static Optional<CrackSearch> heard(double fallBar, double atS) {
        double[] times = new double[100];
        double[] gauge = new double[100];
        for (int i = 0; i < 100; i++) {
            times[i] = i / 5.0;
            gauge[i] = (176 + (i % 2 == 0 ? 0.1 : -0.1) - (times[i] >= 12 ? fallBar : 0)) * 1e5;
        }
        return CrackSearch.heard(times, gauge, atS);
    }

    @Test
    void anEarIsBelievedWhereTheGaugeBearsItOut() {
        CrackSearch crack = heard(0.6, 12).orElseThrow();
        assertThat(crack.held()).isCloseTo(176e5, within(0.1e5));
        assertThat(crack.atS()).isEqualTo(12);
        assertThat(heard(0, 12)).isEmpty();
        assertThat(heard(-0.6, 12)).as("it rose").isEmpty();
        assertThat(heard(0.6, 1)).as("nothing stood before").isEmpty();
        assertThat(heard(0.6, 60)).as("not turned yet").isEmpty();
    }

    /** Ten samples a second of 100 ± 1, so that every difference is 2: a noise of 2 x 1.4826 / sqrt 2. */
    private static double[][] stream(int n) {
        double[][] s = new double[2][n];
        for (int i = 0; i < n; i++) {
            s[0][i] = i / 10.0;
            s[1][i] = i % 2 == 0 ? 101 : 99;
        }
        return s;
    }

    @Test
    void aStreamIsTakenInSecondsEachWithItsMeanAndItsError() {
        double[][] s = stream(30);
        Blocks b = new Blocks(s[0], s[1]);
        assertThat(b.n).isEqualTo(3);
        assertThat(b.noise).isCloseTo(2 * 1.4826 / Math.sqrt(2), within(1e-9));
        assertThat(b.time[0]).isCloseTo(0.45, within(1e-9));
        assertThat(b.mean[1]).isCloseTo(100, within(1e-9));
        assertThat(b.error[1]).isCloseTo(b.noise / Math.sqrt(10), within(1e-9));
        double[][] half = stream(26);
        assertThat(new Blocks(half[0], half[1]).n)
                .as("half a second is no block")
                .isEqualTo(2);
        double[][] more = stream(27);
        assertThat(new Blocks(more[0], more[1]).n).as("more is one").isEqualTo(3);
    }

    @Test
    void aSpikeIsLeftOutAndAKnockedSecondIsHardlyBelieved() {
        double[][] s = stream(70);
        s[1][33] = 160;
        Blocks spiked = new Blocks(s[0], s[1]);
        assertThat(spiked.mean[3]).isCloseTo((5 * 101 + 4 * 99) / 9.0, within(1e-9));
        double[][] knocked = stream(70);
        for (int i = 30; i < 40; i++) {
            knocked[1][i] += 20;
        }
        Blocks b = new Blocks(knocked[0], knocked[1]);
        assertThat(b.mean[3]).isCloseTo(120, within(1e-9));
        assertThat(b.error[3]).isCloseTo(Math.hypot(b.noise / Math.sqrt(10), 20), within(0.1));
        assertThat(b.error[2]).isCloseTo(b.noise / Math.sqrt(10), within(1e-9));
        double[][] fell = stream(70);
        for (int i = 40; i < 70; i++) {
            fell[1][i] -= 20;
        }
        assertThat(new Blocks(fell[0], fell[1]).error[4])
                .as("what stays is no knock")
                .isCloseTo(b.noise / Math.sqrt(10), within(0.1));
    }

    /** A motor that draws no more speaks against a crack: its gauge must fall by 7 instead of 5.2 standard errors. */
    @Test
    void aCurrentThatStaysAsksMoreOfTheGauge() {
        double alone = leastFall(false);
        assertThat(alone).isBetween(0.3, 1.2);
        assertThat(leastFall(true) / alone).isCloseTo(7 / 5.2, within(0.2));
    }

    /** The least fall in bar, of hundredths, that is told as a crack. */
    private static double leastFall(boolean beside) {
        double[] times = new double[100];
        double[] amps = new double[100];
        for (int i = 0; i < 100; i++) {
            times[i] = i / 5.0;
            amps[i] = 13 + (i % 2 == 0 ? 0.05 : -0.05);
        }
        for (int hundredths = 1; hundredths < 200; hundredths++) {
            double[] gauge = new double[100];
            for (int i = 0; i < 100; i++) {
                gauge[i] = (176 + (i % 2 == 0 ? 0.4 : -0.4) - (times[i] >= 12 ? hundredths / 100.0 : 0)) * 1e5;
            }
            if (CrackSearch.in(times, gauge, beside ? Optional.of(amps) : Optional.empty())
                    .isPresent()) {
                return hundredths / 100.0;
            }
        }
        return Double.NaN;
    }

    /** Whoever goes for a coffee between two readings finds no more drift than that of a quarter of a minute. */
    @Test
    void aPauseBetweenReadingsExcusesNoFall() {
        double[] gauge = {176e5, 176.1e5, 176e5, 175e5, 175e5};
        assertThat(CrackSearch.AmongReadings.of(new double[] {0, 10, 20, 3600, 3610}, gauge, 0.15e5))
                .hasValueSatisfying(a -> assertThat(a.first()).isEqualTo(3));
        assertThat(CrackSearch.AmongReadings.of(new double[] {0, 10}, new double[] {176e5, 170e5}, 0.15e5))
                .isEmpty();
        assertThat(CrackSearch.AmongReadings.suspects(new double[] {0, 3600}, new double[] {176e5, 174e5}, 0.15e5))
                .isTrue();
        assertThat(CrackSearch.AmongReadings.suspects(new double[] {0, 3600}, new double[] {176e5, 175.9e5}, 0.15e5))
                .isFalse();
    }
}
