package earlygate.run;

import static earlygate.fixture.Units.json;
import static earlygate.fixture.Units.read;
import static earlygate.fixture.Units.withFlowScrew;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import earlygate.judge.Verdict.Grade;
import earlygate.plan.Step;
import earlygate.quantity.Si;
import earlygate.run.RunEvent.Source;
import earlygate.unit.PowerUnit;
import java.util.OptionalDouble;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tools.jackson.databind.node.ObjectNode;

/** A flow control of 6 L/min a turn, 12 ± 0.8 L/min asked, on a meter that may be 0.3 off (30 L/min, class 1). */
class RateRunTest {
    private static ObjectNode unit(int range) {
        ObjectNode unit = withFlowScrew();
        unit.withArray("testPoints")
                .add(json("{'id':'FM1','component':'FC1','rangeLpm':" + range + ",'class':1,'reads':'L/min'}"));
        return unit;
    }

    private static Steps flow() {
        return Steps.of(read(unit(30)));
    }

    private static Steps shows(Steps steps, Step step, double lpm, OptionalDouble oil) {
        return steps.then(new RunEvent.Reading(step.id(), "FM1", lpm * Si.LPM, Source.TYPED, oil));
    }

    @ParameterizedTest
    @CsvSource({"8, 2", "11.4, 2", "11.45, 1", "11.55, 0", "12, 0", "12.45, 0", "12.55, -1", "13, -2", "20, -2"})
    void isTurnedByAnEighthAtMostAndLessNearby(double lpm, int sixteenths) {
        Steps steps = flow();
        Step set = steps.of(Step.Kind.SET, "FC1");
        double turns =
                shows(steps, set, lpm, Steps.WARM).advice(set).orElseThrow().turns();
        assertThat(turns).isCloseTo(sixteenths / 16.0, within(1e-9));
    }

    @ParameterizedTest
    @CsvSource({"11.55, PASS", "12.45, PASS", "11.45, CANNOT_TELL", "12.55, CANNOT_TELL", "10.85, FAIL", "13.15, FAIL"})
    void isJudgedWithTheMetersError(double lpm, Grade grade) {
        Steps steps = flow();
        Step set = steps.of(Step.Kind.SET, "FC1");
        shows(steps, set, lpm, Steps.WARM);
        assertThat(steps.judge(set).judged().get(0).grade()).isEqualTo(grade);
    }

    /** A meter that may be 1 L/min off can't tell 12 ± 0.8, read as it may. */
    @Test
    void aMeterCoarserThanWhatIsAskedPassesNothing() {
        Steps steps = flow();
        Step set = steps.of(Step.Kind.SET, "FC1");
        PowerUnit coarse = read(unit(100));
        shows(steps, set, 12, Steps.WARM);
        assertThat(RunState.of(coarse, steps.plan, steps.state().events(), false, new ModelCache(coarse))
                        .assess(set)
                        .judged()
                        .get(0)
                        .grade())
                .isEqualTo(Grade.CANNOT_TELL);
    }

    /** Cold oil passes nothing, whatever it reads; and what stands above the drawing needs somebody's release. */
    @Test
    void coldOilPassesNothingAndAboveTheDrawingIsSeen() {
        Steps steps = flow();
        Step set = steps.of(Step.Kind.SET, "FC1");
        shows(steps, set, 12, OptionalDouble.of(290));
        assertThat(steps.judge(set).judged().get(0).grade()).isEqualTo(Grade.CANNOT_TELL);
        shows(steps, set, 13.5, Steps.WARM);
        assertThat(steps.judge(set).aboveSchematic()).isTrue();
        shows(steps, set, 10.5, Steps.WARM);
        assertThat(steps.judge(set).aboveSchematic()).isFalse();
    }

    /** A flow says nothing of how many bar a turn of its screw is. */
    @Test
    void teachesNoSlope() {
        Steps steps = flow();
        Step set = steps.of(Step.Kind.SET, "FC1");
        shows(steps, set, 8, Steps.WARM).turns(set, 0.125);
        shows(steps, set, 8.75, Steps.WARM);
        assertThat(steps.state().slope("FC1").answers()).isZero();
    }

    /** Unread there is nothing to turn; locked there is only something to say where it went off. */
    @Test
    void isReadBeforeItIsTurnedAndSetAgainstItsNutOnlyWhereItWentOff() {
        Steps steps = flow();
        Step set = steps.of(Step.Kind.SET, "FC1");
        steps.says(set, 0, "advice.read-first");
        shows(steps, set, 12, Steps.WARM).says(set, 0, "advice.rate-leave");
        Step lock = steps.of(Step.Kind.LOCK, "FC1");
        assertThat(steps.advice(lock)).as("not read yet").isEmpty();
        shows(steps, lock, 12.1, Steps.WARM);
        assertThat(steps.advice(lock)).as("as it was set").isEmpty();
        shows(steps, lock, 14, Steps.WARM).says(lock, 0, "advice.rate-relock-out");
        assertThat(steps.advice(lock).orElseThrow().relock()).isEqualTo(-2 / 16.0);
        shows(steps, lock, 10, Steps.WARM).says(lock, 0, "advice.rate-relock-in");
        assertThat(steps.advice(lock).orElseThrow().relock()).isEqualTo(2 / 16.0);
    }
}
