package earlygate.history;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import earlygate.history.Wear.Measured;
import earlygate.judge.Verdict.Grade;
import java.time.LocalDate;
import java.util.List;
import org.junit.jupiter.api.Test;

/** A pump over the years, from what it lost when it was measured; figures by hand. */
class WearTest {
    private static Measured measured(String on, double efficiency) {
        return new Measured(LocalDate.parse(on), efficiency, 0.008);
    }

    @Test
    void aPumpThatLosesTwoHundredthsAYear() {
        Wear w = Wear.of(
                List.of(measured("2021-01-01", 0.94), measured("2022-01-01", 0.92), measured("2023-01-01", 0.90)),
                0.94);
        // 0.89 is what is called worn: half a year at 0.02 a year.
        assertThat(w.grade()).contains(Grade.PASS);
        assertThat(w.perYear().orElseThrow().value()).isCloseTo(-0.02, within(1e-4));
        assertThat(w.worn().orElseThrow()).isBetween(LocalDate.parse("2023-06-25"), LocalDate.parse("2023-07-10"));
    }

    @Test
    void wornToday() {
        Wear w = Wear.of(List.of(measured("2021-01-01", 0.94), measured("2023-01-01", 0.85)), 0.94);
        assertThat(w.grade()).contains(Grade.FAIL);
        assertThat(w.worn()).isEmpty();
    }

    @Test
    void anotherPumpBeginsAnew() {
        Wear w = Wear.of(
                List.of(measured("2021-01-01", 0.85), measured("2022-01-01", 0.94), measured("2024-01-01", 0.92)),
                0.94);
        assertThat(w.perYear().orElseThrow().value()).isCloseTo(-0.01, within(1e-4));
        assertThat(w.said()).anyMatch(r -> r.code().equals("history.wear.anew"));
    }

    @Test
    void moreThanItCanDisplaceIsNoPass() {
        Wear w = Wear.of(List.of(measured("2021-01-01", 0.90), measured("2022-01-01", 1.05)), 0.94);
        assertThat(w.grade()).contains(Grade.CANNOT_TELL);
        assertThat(w.began()).isEmpty();
        assertThat(w.perYear()).isEmpty();
    }

    @Test
    void oneMeasureHasNoTrendAndTwoOfOneDayHaveNone() {
        assertThat(Wear.of(List.of(measured("2021-01-01", 0.93)), 0.94).perYear())
                .isEmpty();
        assertThat(Wear.of(List.of(measured("2021-01-01", 0.93), measured("2021-01-01", 0.91)), 0.94)
                        .perYear())
                .isEmpty();
        assertThat(Wear.of(List.of(), 0.94).grade()).isEmpty();
    }
}
