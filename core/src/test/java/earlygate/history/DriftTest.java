package earlygate.history;

import static earlygate.quantity.Si.BAR;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import earlygate.unit.Target;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import java.util.Random;
import org.junit.jupiter.api.Test;

/** A setting over the years: a creep is told from a jump and from the scatter of the gauges. */
class DriftTest {
    private static final Target TARGET = new Target("RV1", 176 * BAR, 4 * BAR, Target.Defined.CRACKING);

    /** @param found negative for one that nobody read */
    private static SettingOnDay stood(String on, double found, double left) {
        return new SettingOnDay(LocalDate.parse(on), bar(found), bar(left), 1.5 * BAR);
    }

    private static OptionalDouble bar(double value) {
        return value < 0 ? OptionalDouble.empty() : OptionalDouble.of(value * BAR);
    }

    @Test
    void aScrewThatLosesTheSameEachYearCreeps() {
        Drift d = Drift.of(
                List.of(stood("2022-06-01", -1, 176), stood("2023-06-01", 171, 176), stood("2025-06-01", 166, 176)),
                TARGET);
        assertThat(d.kind()).isEqualTo(Drift.Kind.CREEPS);
        assertThat(d.perYear().orElseThrow().value() / BAR).isCloseTo(-5, within(0.02));
        // Four bar of tolerance at five a year.
        assertThat(d.leaves().orElseThrow()).isBetween(LocalDate.parse("2026-03-10"), LocalDate.parse("2026-03-30"));
    }

    @Test
    void onceIsNoCreep() {
        Drift d = Drift.of(List.of(stood("2022-06-01", -1, 176), stood("2024-06-01", 160, 176)), TARGET);
        assertThat(d.kind()).isEqualTo(Drift.Kind.MOVED);
        assertThat(d.perYear()).isEmpty();
    }

    @Test
    void oneJumpAmongYearsThatStoodIsNoCreep() {
        Drift d = Drift.of(
                List.of(
                        stood("2021-06-01", -1, 176),
                        stood("2022-06-01", 175.8, 176),
                        stood("2023-06-01", 158, 176),
                        stood("2024-06-01", 176.3, 176)),
                TARGET);
        assertThat(d.kind()).isEqualTo(Drift.Kind.MOVED);
        assertThat(d.said().values()).containsKey("change");
    }

    /** Two visits in one week say nothing of a year: the long span decides alone. */
    @Test
    void aWeekIsNoSecondWitness() {
        Drift d = Drift.of(
                List.of(stood("2022-06-01", -1, 176), stood("2024-06-01", 166, 176), stood("2024-06-08", 175.9, 176)),
                TARGET);
        assertThat(d.kind()).isEqualTo(Drift.Kind.MOVED);
    }

    @Test
    void aWeekAloneIsTooCoarse() {
        Drift d = Drift.of(List.of(stood("2024-06-01", -1, 176), stood("2024-06-08", 175, 176)), TARGET);
        assertThat(d.kind()).isEqualTo(Drift.Kind.CANNOT_TELL);
        assertThat(d.said().code()).isEqualTo("history.drift.coarse");
    }

    @Test
    void whatNobodyReadEndsTheSpan() {
        List<SettingOnDay> stood =
                List.of(stood("2022-06-01", 176, 176), stood("2023-06-01", 150, -1), stood("2024-06-01", 176, 176));
        // 2023 was found off and set, but nobody wrote down to what: only 2022 to 2023 counts.
        assertThat(Drift.of(stood, TARGET).spans()).hasSize(1);
        assertThat(Drift.of(List.of(stood("2022-06-01", -1, 176)), TARGET).kind())
                .isEqualTo(Drift.Kind.CANNOT_TELL);
    }

    /** Machines whose truth is known, read by gauges that are wrong within their class. */
    @Test
    void theBoundsHoldTheTruthAndNothingIsSaidOfAMachineThatStands() {
        Random random = new Random(17);
        int held = 0;
        int creeps = 0;
        int found = 0;
        int machines = 1000;
        for (int m = 0; m < machines; m++) {
            double rate = (m % 2 == 0 ? 0 : 6 * (random.nextBoolean() ? 1 : -1)) * BAR;
            List<SettingOnDay> stood = new ArrayList<>();
            LocalDate day = LocalDate.parse("2020-01-01");
            double left = TARGET.pressurePa();
            for (int i = 0; i < 4; i++) {
                int days = 250 + random.nextInt(250);
                double now = left + rate * days / 365.25;
                day = day.plusDays(days);
                double error = 1.5 * BAR;
                stood.add(new SettingOnDay(
                        day,
                        i == 0 ? OptionalDouble.empty() : OptionalDouble.of(now + read(random, error)),
                        OptionalDouble.of(TARGET.pressurePa() + read(random, error)),
                        error));
                left = TARGET.pressurePa();
            }
            Drift d = Drift.of(stood, TARGET);
            if (m % 2 == 0 && (d.kind() == Drift.Kind.CREEPS || d.kind() == Drift.Kind.MOVED)) {
                creeps++;
            }
            if (m % 2 == 1 && d.kind() == Drift.Kind.CREEPS) {
                found++;
            }
            if (d.perYear().filter(r -> r.low() <= rate && rate <= r.high()).isPresent()) {
                held++;
            }
        }
        assertThat(creeps).isLessThan(machines / 2 / 20);
        assertThat(found).isGreaterThan(machines / 2 * 19 / 20);
        assertThat(held).isGreaterThan(machines * 19 / 20);
    }

    private static double read(Random random, double error) {
        return (2 * random.nextDouble() - 1) * error;
    }
}
