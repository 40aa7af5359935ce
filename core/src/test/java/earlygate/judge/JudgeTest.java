package earlygate.judge;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import earlygate.judge.Verdict.Grade;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Verdicts, and where a sawing gauge turns. */
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
}
