package earlygate.run;

import static earlygate.run.TestResultTest.codes;
import static earlygate.run.TestResultTest.good;
import static earlygate.run.TestResultTest.of;
import static earlygate.run.TestResultTest.tested;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import earlygate.fixture.Units;
import earlygate.judge.Verdict.Grade;
import earlygate.plan.Note;
import earlygate.plan.Procedure;
import earlygate.plan.Step;
import earlygate.run.RunEvent.Noted;
import java.util.OptionalDouble;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Figures that people write down, against what the model expects of them. */
class FiguresNotedTest {
    /** A vent that lets nothing go fails by what was written; unwritten nothing is told of it, and nobody is held up. */
    @ParameterizedTest
    @CsvSource(
            nullValues = "-",
            value = {"5.1 bar, PASS", "74 psi, PASS", "155 bar, FAIL", "5.1, CANNOT_TELL", "-, CANNOT_TELL"})
    void whatAVentLeaves(String written, Grade grade) {
        Steps accu = Steps.of(Units.stranger("12-accu-vented-relief"));
        Step step = of(accu, Procedure.Kind.VENT).get(0);
        good(accu, step, "", 1);
        if (written != null) {
            accu.then(new Noted(step.id(), "note.vented", written));
        }
        TestResult vent = tested(accu, Procedure.Kind.VENT);
        assertThat(vent.grade()).contains(grade);
        assertThat(accu.judge(step).missing().isEmpty()).isEqualTo(grade != Grade.FAIL);
        assertThat(codes(vent.said()).get(1))
                .isEqualTo(
                        written == null
                                ? "noted.vented-not"
                                : written.equals("5.1") ? "noted.no-figure" : "noted.vented");
    }

    /** The ratio counts, not the figure: both meters may be off alike, the spool may give a little more than it says. */
    @ParameterizedTest
    @CsvSource(
            nullValues = "-",
            value = {
                "60, 60.4, PASS",
                "52, 52.4, PASS",
                "60, 88, FAIL",
                "52, 60, FAIL",
                "60, -, CANNOT_TELL",
                "-, 60, CANNOT_TELL",
                "0, 0, CANNOT_TELL"
            })
    void flowAtAnotherSpeed(String stated, String other, Grade grade) {
        Steps hauler = Steps.of(Units.read(Units.document("NH-04")));
        Step step = of(hauler, Procedure.Kind.SPEED).get(0);
        good(hauler, step, "", 1);
        if (stated != null) {
            hauler.then(new Noted(step.id(), "note.flow-stated", stated));
        }
        if (other != null) {
            hauler.then(new Noted(step.id(), "note.flow-at-speed", other));
        }
        assertThat(tested(hauler, Procedure.Kind.SPEED).grade()).contains(grade);
        assertThat(hauler.judge(step).missing().isEmpty()).isEqualTo(grade != Grade.FAIL);
    }

    @ParameterizedTest
    @CsvSource({
        "CASE_DRAIN, 0.8, 1.3333e-5",
        "CASE_DRAIN, '0,8 L/min', 1.3333e-5",
        "CASE_DRAIN, 0.5 L in 40 s, 1.25e-5",
        "CASE_DRAIN, 500 mL in 40 s, 1.25e-5",
        "CASE_DRAIN, 0.5 L in 0 s, NaN",
        "CASE_DRAIN, a little, NaN",
        "CHARGE_TIME, 45, 45",
        "REST_TIME, 2.5 min, 150",
        "REST_TIME, -3 s, NaN",
        "VENTED, 58 psi, 399896",
        "VENTED, '4,2 bar', 420000",
        "VENTED, 4.2, NaN",
        "LOADED_SPEED, 1500, 25",
        "LOADED_SPEED, 1500 rev/min, 25",
        "LOADED_SPEED, 25 Hz, NaN",
    })
    void figuresAsTheyAreWritten(Note note, String text, double si) {
        OptionalDouble value = note.value(text);
        assertThat(value.isPresent()).isEqualTo(!Double.isNaN(si));
        value.ifPresent(v -> assertThat(v).isCloseTo(si, within(1e-3 * si)));
    }
}
