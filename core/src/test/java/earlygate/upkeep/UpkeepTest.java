package earlygate.upkeep;

import static org.assertj.core.api.Assertions.assertThat;

import earlygate.explain.Reason;
import earlygate.judge.Verdict.Grade;
import earlygate.quantity.Si;
import earlygate.unit.PowerUnit;
import earlygate.unit.file.UnitFile;
import earlygate.upkeep.Entry.Counter;
import earlygate.upkeep.Entry.Done;
import earlygate.upkeep.Entry.Indicator;
import earlygate.upkeep.Entry.Sample;
import earlygate.upkeep.Entry.Schedule;
import earlygate.upkeep.Entry.State;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** By ISO 4406, the handbook's two schools, and days counted on a calendar. Oil VG 46, target 19/17/14, warm from 40 C. */
class UpkeepTest {
    private static final LocalDate BEGAN = LocalDate.parse("2026-01-01");
    private static final Schedule BY_CONDITION = new Schedule(School.BY_CONDITION, Map.of(), Map.of());
    private static final Schedule BY_HOURS =
            new Schedule(School.BY_HOURS, Map.of(Task.LEVEL, 2), Map.of(Task.FILTER_CHANGE, 500));
    private static PowerUnit unit;

    private final List<Entry> entries = new ArrayList<>();
    private Optional<LocalDate> checked = Optional.empty();
    private List<Upkeep.Sign> signs = List.of();

    @BeforeAll
    static void read() throws IOException {
        unit = ((UnitFile.Reading.Read) UnitFile.read(Files.readString(Path.of("../demo/units/LG-07.json")))).unit();
        assertThat(unit.fluid().cleanlinessTarget()).isEqualTo("19/17/14");
        assertThat(unit.fluid().bandLow() - Si.ZERO_C).isEqualTo(40);
    }

    private void write(String on, Entry.Body body) {
        entries.add(new Entry(LocalDate.parse(on), "Ada", body));
    }

    private Due due(Task task, String today) {
        return Upkeep.of(unit, entries, checked, signs, LocalDate.parse(today)).due().stream()
                .filter(d -> d.task() == task)
                .findFirst()
                .orElseThrow();
    }

    private static Sample sample(String code, double water, double viscosity, double acid) {
        return new Sample(
                Cleanliness.parse(code),
                OptionalDouble.of(water),
                OptionalDouble.of(viscosity * 1e-6),
                OptionalDouble.of(acid));
    }

    private static Indicator indicator(State state, double celsius) {
        return new Indicator("F1", state, celsius + Si.ZERO_C);
    }

    @Test
    void nothingIsDueBeforeItWasBegun() {
        write("2026-01-01", new Counter(100));
        assertThat(Upkeep.of(unit, entries, checked, signs, BEGAN).due()).isEmpty();
    }

    @Test
    void byTheCalendar() {
        write("2026-01-01", BY_CONDITION);
        assertThat(due(Task.LEVEL, "2026-01-06").state()).isEqualTo(Due.State.FINE);
        assertThat(due(Task.LEVEL, "2026-01-07").state()).isEqualTo(Due.State.SOON);
        assertThat(due(Task.LEVEL, "2026-01-08").state()).isEqualTo(Due.State.DUE);
        write("2026-01-08", new Done(Task.LEVEL, Optional.empty()));
        assertThat(due(Task.LEVEL, "2026-01-08").on()).contains(LocalDate.parse("2026-01-15"));
        assertThat(due(Task.SAMPLE, "2026-06-20").state()).isEqualTo(Due.State.SOON);
        write("2026-06-20", sample("18/16/13", 100, 46, 0.4));
        assertThat(due(Task.SAMPLE, "2026-06-20").state()).isEqualTo(Due.State.FINE);
    }

    /** Nobody puts off what was never done by writing the schedule anew. */
    @Test
    void anotherScheduleBeginsNothingAnew() {
        write("2026-01-01", BY_CONDITION);
        write("2026-06-25", new Schedule(School.BY_CONDITION, Map.of(Task.LEVEL, 3), Map.of()));
        assertThat(due(Task.SAMPLE, "2026-06-25").on()).contains(LocalDate.parse("2026-07-02"));
        assertThat(due(Task.LEVEL, "2026-06-25").on()).contains(LocalDate.parse("2026-01-04"));
    }

    @Test
    void oilAndFiltersWaitForWhatShowsIt() {
        write("2026-01-01", BY_CONDITION);
        assertThat(due(Task.OIL_CHANGE, "2036-01-01").state()).isEqualTo(Due.State.WAITS);
        assertThat(due(Task.FILTER_CHANGE, "2036-01-01").state()).isEqualTo(Due.State.WAITS);
        write("2026-02-01", indicator(State.RED, 15));
        assertThat(due(Task.FILTER_CHANGE, "2026-02-01").state()).isEqualTo(Due.State.WAITS);
        assertThat(due(Task.INDICATOR, "2026-02-01").said().code()).isEqualTo("upkeep.filter-cold");
        assertThat(due(Task.INDICATOR, "2026-02-01").state()).isEqualTo(Due.State.DUE);
        write("2026-02-01", indicator(State.RED, 45));
        assertThat(due(Task.FILTER_CHANGE, "2026-02-01").state()).isEqualTo(Due.State.DUE);
        assertThat(due(Task.INDICATOR, "2026-02-01").state()).isEqualTo(Due.State.FINE);
        // Changed the same day, after it was read.
        write("2026-02-01", new Done(Task.FILTER_CHANGE, Optional.empty()));
        assertThat(due(Task.FILTER_CHANGE, "2026-02-02").state()).isEqualTo(Due.State.WAITS);
        write("2026-03-01", sample("19/17/14", 600, 46, 0.4));
        assertThat(due(Task.OIL_CHANGE, "2026-03-01").on()).contains(LocalDate.parse("2026-03-01"));
        write("2026-03-05", new Done(Task.OIL_CHANGE, Optional.empty()));
        assertThat(due(Task.OIL_CHANGE, "2026-03-06").state()).isEqualTo(Due.State.WAITS);
        write("2026-04-01", sample("21/19/15", 100, 46, 0.4));
        assertThat(due(Task.FILTER_CHANGE, "2026-04-01").said().code()).isEqualTo("upkeep.oil-dirty");
        assertThat(due(Task.OIL_CHANGE, "2026-04-01").state()).isEqualTo(Due.State.WAITS);
    }

    @Test
    void byHoursOnTheCounter() {
        write("2026-01-01", BY_HOURS);
        assertThat(due(Task.FILTER_CHANGE, "2026-01-02").state()).isEqualTo(Due.State.UNKNOWN);
        write("2026-01-01", new Counter(1000));
        assertThat(due(Task.FILTER_CHANGE, "2026-01-02").state()).isEqualTo(Due.State.FINE);
        write("2026-02-10", new Counter(1400));
        // Ten a day: at 1500 in ten more.
        assertThat(due(Task.FILTER_CHANGE, "2026-02-10").on()).contains(LocalDate.parse("2026-02-20"));
        assertThat(due(Task.FILTER_CHANGE, "2026-02-10").state()).isEqualTo(Due.State.SOON);
        write("2026-02-15", new Counter(1510));
        assertThat(due(Task.FILTER_CHANGE, "2026-02-15").state()).isEqualTo(Due.State.DUE);
        write("2026-02-15", new Done(Task.FILTER_CHANGE, Optional.empty()));
        assertThat(due(Task.FILTER_CHANGE, "2026-02-15").state()).isEqualTo(Due.State.FINE);
        assertThat(due(Task.LEVEL, "2026-01-03").state()).isEqualTo(Due.State.DUE);
        // Hours don't make a clogged filter good.
        write("2026-02-16", indicator(State.RED, 45));
        assertThat(due(Task.FILTER_CHANGE, "2026-02-16").state()).isEqualTo(Due.State.DUE);
    }

    @Test
    void aCheckByConditionComesWithTheScrewThatCreepsAndAtTheLatestInAYear() {
        write("2026-01-01", BY_CONDITION);
        checked = Optional.of(LocalDate.parse("2026-01-10"));
        assertThat(due(Task.CHECK, "2026-02-01").on()).contains(LocalDate.parse("2027-01-10"));
        signs = List.of(new Upkeep.Sign(LocalDate.parse("2026-05-01"), Reason.of("upkeep.creeps")));
        assertThat(due(Task.CHECK, "2026-02-01").on()).contains(LocalDate.parse("2026-05-01"));
        checked = Optional.of(LocalDate.parse("2026-05-02"));
        assertThat(due(Task.CHECK, "2026-06-01").on()).contains(LocalDate.parse("2027-05-02"));
    }

    @ParameterizedTest
    @CsvSource({
        "19/17/14, 100, 46, 0.4, PASS",
        "20/17/14, 100, 46, 0.4, CANNOT_TELL",
        "19/17/16, 100, 46, 0.4, FAIL",
        "17/15/12, 500, 50.6, 0.4, PASS",
        "17/15/12, 501, 46, 0.4, FAIL",
        "17/15/12, 100, 41, 0.4, FAIL",
        "17/15/12, 100, 51, 0.4, FAIL",
        "17/15/12, 100, 46, 1.3, PASS",
        "17/15/12, 100, 46, 1.4, FAIL"
    })
    void aSampleIsHeldAgainstTheOil(String code, double water, double viscosity, double acid, Grade grade) {
        write("2026-01-01", sample("17/15/12", 50, 46, 0.35));
        write("2026-02-01", sample(code, water, viscosity, acid));
        var judged = Upkeep.of(unit, entries, checked, signs, BEGAN).samples();
        assertThat(judged.get(1).check().grade()).isEqualTo(grade);
        assertThat(judged.get(1).check().said()).hasSize(4);
    }

    /** New oil begins with its own acid. */
    @Test
    void acidIsCountedFromTheOilThatIsIn() {
        write("2026-01-01", sample("17/15/12", 50, 46, 0.3));
        write("2026-02-01", new Done(Task.OIL_CHANGE, Optional.empty()));
        write("2026-02-02", sample("17/15/12", 50, 46, 1.5));
        write("2026-03-02", sample("17/15/12", 50, 46, 2.4));
        var judged = Upkeep.of(unit, entries, checked, signs, BEGAN).samples();
        assertThat(judged.get(1).check().grade()).isEqualTo(Grade.PASS);
        assertThat(judged.get(2).check().grade()).isEqualTo(Grade.PASS);
    }

    @ParameterizedTest
    @CsvSource({
        "19/17/14, true",
        "19 / 17 / 14, true",
        "9/8/7, true",
        "17/19/14, false",
        "29/17/14, false",
        "19/17, false",
        "-/17/14, false",
        "'', false"
    })
    void aCodeOfIso4406(String text, boolean is) {
        assertThat(Cleanliness.parse(text).isPresent()).isEqualTo(is);
    }
}
