package earlygate.judge;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import earlygate.judge.Verdict.Grade;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

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

    private double now;

    /** Goes from one pressure to another at 2 bar a second, seen twenty times a second, with a knock now and then. */
    private void goes(Swing swing, double from, double to, double knock) {
        double way = Math.signum(to - from) * 0.1;
        double bump = 0;
        int n = (int) Math.round(Math.abs(to - from) / 0.1);
        for (int i = 0; i < n; i++) {
            bump = i % 97 == 40 && Math.abs(from + i * way - 130) < 9
                    ? (i % 2 == 0 ? knock : -knock)
                    : bump * Math.exp(-0.05 / 0.3);
            swing.add(now += 0.05, from + i * way + bump);
        }
    }

    /** A saw between 119 and 140: its turning points, but not the one that was under way when the screw was turned. */
    @ParameterizedTest
    @ValueSource(doubles = {0, 6.5})
    void turningPointsOfASawingGauge(double knock) {
        Swing swing = new Swing(250);
        goes(swing, 150, 119, knock);
        assertThat(swing.peak()).as("not risen to").isEmpty();
        assertThat(swing.valley()).as("a knock is no turning point").isEmpty();
        assertThat(swing.wentDown()).isTrue();
        goes(swing, 119, 140, knock);
        assertThat(swing.valley().getAsDouble()).isCloseTo(119.5, within(0.8));
        assertThat(swing.peak()).as("still rising").isEmpty();
        assertThat(swing.wentDown()).isFalse();
        goes(swing, 140, 130, knock);
        assertThat(swing.peak().getAsDouble()).isCloseTo(139.5, within(0.8));
        swing.restart();
        assertThat(swing.peak()).isEmpty();
    }
}
