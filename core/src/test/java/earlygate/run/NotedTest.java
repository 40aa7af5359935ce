package earlygate.run;

import static org.assertj.core.api.Assertions.assertThat;

import earlygate.explain.Reason;
import earlygate.fixture.Units;
import earlygate.plan.Note;
import earlygate.plan.Step;
import earlygate.run.RunEvent.Noted;
import earlygate.run.RunEvent.StepDone;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What is written down in a step: nearly all of it only stays on the record, two things stop the job until they are put right. */
class NotedTest {
    private final Steps lg = Steps.lg();

    private Stream<String> missing(Step step) {
        return lg.state().assess(step).missing().stream().map(Reason::code);
    }

    @ParameterizedTest
    @CsvSource({
        "plan.jog, rotation, against-the-arrow, with-the-arrow",
        "plan.leak-walk, leaks, found, none",
    })
    void nobodyGoesOnPastIt(String code, String note, String wrong, String right) {
        Step step = lg.coded(code);
        assertThat(step.notes()).extracting(Reason::code).contains("note." + note);
        assertThat(missing(step)).isEmpty();
        lg.then(new Noted(step.id(), "note." + note, wrong));
        assertThat(missing(step)).containsExactly("run.need." + note);
        lg.then(new Noted(step.id(), "note." + note, right));
        assertThat(missing(step)).isEmpty();
    }

    /** Of a pair of pumps no regulator's lever may stick before anything is turned; a single pump's is not asked for. */
    @Test
    void theLeversOfAPairAreFree() {
        Steps twin = Steps.of(Units.stranger("20-twin-limited"));
        Step levers = twin.coded("plan.regulators");
        twin.then(new Noted(levers.id(), "note.levers", "stuck"));
        assertThat(twin.judge(levers).missing()).extracting(Reason::code).containsExactly("run.need.levers");
        assertThat(lg.plan.steps()).noneMatch(s -> s.action().code().equals("plan.regulators"));
    }

    @Test
    void aStepIsNotDoneWithIt() {
        Step jog = lg.coded("plan.jog");
        for (Step s : lg.plan.steps()) {
            if (s.equals(jog)) {
                break;
            }
            lg.then(new StepDone(s.id()));
        }
        lg.plan.phases().stream()
                .takeWhile(p -> !p.steps().contains(jog))
                .forEach(p -> lg.then(new RunEvent.HoldOpened(p.id().key())));
        lg.then(new Noted(jog.id(), "note.rotation", "against-the-arrow"));
        assertThat(RunRules.refusal(lg.state(), new StepDone(jog.id())).map(Reason::code))
                .contains("run.need.rotation");
        lg.then(new Noted(jog.id(), "note.rotation", "with-the-arrow"));
        assertThat(RunRules.refusal(lg.state(), new StepDone(jog.id()))).isEmpty();
    }

    /** A red indicator, or anything written in own words, stays on the record and stops nobody. */
    @Test
    void theRestOnlyStaysOnTheRecord() {
        Step oil = lg.coded("plan.oil");
        assertThat(oil.notes())
                .extracting(Reason::code)
                .containsExactly("note.level", "note.cleanliness", "note.indicator");
        assertThat(Note.of("note.indicator").orElseThrow().choices()).containsExactly("green", "yellow", "red");
        lg.then(
                new Noted(oil.id(), "note.indicator", "red"),
                new Noted(oil.id(), "note.cleanliness", "22/20/17, dirty"));
        assertThat(missing(oil)).isEmpty();
        assertThat(Note.of("")).isEmpty();
    }
}
