package earlygate.run;

import static earlygate.fixture.Units.stranger;
import static org.assertj.core.api.Assertions.assertThat;

import earlygate.judge.Verdict.Grade;
import earlygate.plan.Expect;
import earlygate.plan.Step;
import earlygate.run.RunEvent.Reading;
import earlygate.run.RunEvent.Source;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** A machine that reads exactly what the model expects of it passes each step: else nobody could finish its plan. */
class AsExpectedTest {
    @ParameterizedTest
    @ValueSource(
            strings = {
                "01-ball-valve-deadhead",
                "04-dc-12v",
                "05-crossport-needles",
                "07-highlow-cylinder",
                "10-accu-two-reliefs",
                "12-accu-vented-relief",
                "15-ls-needle",
                "16-ls-four-sections",
                "18-two-pumps-one-shaft",
                "20-twin-limited",
                "22-clamp-sequence",
                "23-hoist-counterbalance"
            })
    void eachStepPasses(String name) {
        Steps all = Steps.of(stranger(name));
        for (Step step : all.plan.steps()) {
            if (step.cracks() || step.expect().isEmpty()) {
                continue;
            }
            Steps alone = Steps.of(all.unit, all.plan);
            for (Expect e : step.expect()) {
                alone.then(new Reading(step.id(), e.instrument(), e.value(), Source.TYPED, Steps.WARM));
            }
            assertThat(alone.judge(step).judged())
                    .as("%s %s", step.id(), step.action())
                    .hasSameSizeAs(step.expect())
                    .allSatisfy(j -> assertThat(j.grade()).as("%s", j.message()).isEqualTo(Grade.PASS));
        }
    }
}
