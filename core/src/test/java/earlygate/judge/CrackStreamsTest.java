package earlygate.judge;

import static org.assertj.core.api.Assertions.assertThat;

import earlygate.fixture.Effort;
import org.junit.jupiter.api.Test;

/** Reliefs of known truth backed out past their crack: never called too early, called in time, and named right. */
class CrackStreamsTest {
    private static final int MACHINES = Effort.of("machines", 30, 600);

    @Test
    void everyCrackIsToldWhenItIsThere() {
        CrackTally t = CrackTally.of(MACHINES);
        assertThat(t.early).as("called before it passed").isLessThanOrEqualTo(MACHINES / 100);
        assertThat(t.missed).as("missed with a current").isLessThanOrEqualTo((MACHINES - t.without) / 100);
        assertThat(t.missedWithout).as("missed without").isLessThanOrEqualTo(3 * t.without / 100);
        assertThat(t.off).as("named wrong by more than 0.5 %").isLessThanOrEqualTo(t.hits / 100);
        assertThat(t.within).as("its place within 1 %").isGreaterThanOrEqualTo(t.hits * 95 / 100);
        assertThat(t.bounded).as("its place inside the bounds").isGreaterThanOrEqualTo(t.hits * 93 / 100);
        assertThat(t.late).as("later than an eighth of a turn").isLessThanOrEqualTo(t.quick / 20);
    }
}
