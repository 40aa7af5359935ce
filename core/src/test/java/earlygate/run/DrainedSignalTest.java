package earlygate.run;

import static earlygate.fixture.Units.stranger;
import static org.assertj.core.api.Assertions.assertThat;

import earlygate.judge.Verdict.Grade;
import earlygate.plan.Step;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Oil that flows from the pump's line straight to the tank leaves the signal drained: the margin is read over nothing. */
class DrainedSignalTest {
    @ParameterizedTest
    @CsvSource({"16-ls-four-sections, P1.loadSense, GL, 21", "18-two-pumps-one-shaft, P2.loadSense, GX, 19"})
    void aMarginOverADrainedSignalPasses(String name, String setting, String signal, double margin) {
        Steps steps = Steps.of(stranger(name));
        Step set = steps.of(Step.Kind.SET, setting);
        steps.reads(set, "GP", margin + 0.2).reads(set, signal, 0.1);
        assertThat(steps.judge(set).judged())
                .hasSize(2)
                .allSatisfy(j -> assertThat(j.grade()).as("%s", j).isEqualTo(Grade.PASS));
        steps.reads(set, "GP", 150).reads(set, signal, 150 - margin);
        assertThat(steps.judge(set).judged())
                .as("stalled: nothing flows that way")
                .allSatisfy(j -> assertThat(j.grade()).isEqualTo(Grade.CANNOT_TELL));
        Steps low = Steps.of(stranger(name));
        low.reads(set, "GP", margin - 6).reads(set, signal, 0);
        assertThat(low.judge(set).judged().get(0).grade()).isEqualTo(Grade.FAIL);
    }
}
