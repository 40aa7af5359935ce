package earlygate.run;

import static earlygate.quantity.Si.BAR;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import earlygate.fixture.Units;
import earlygate.judge.Verdict.Grade;
import earlygate.plan.Step;
import earlygate.plan.Step.Kind;
import earlygate.run.RunEvent.Cracked;
import earlygate.run.RunEvent.Source;
import earlygate.run.RunEvent.StepDone;
import earlygate.run.RunEvent.Turned;
import org.junit.jupiter.api.Test;

/** A relief that is locked and then found by its crack, coming up with the pump. */
class LockedCrackTest {
    private final Steps lg =
            Steps.of(Units.lg07(u -> Units.part(u, "components", "RV1").put("overrideBar", 10)));
    private final Step set = lg.of(Kind.SET, "RV1");
    private final Step lock = lg.of(Kind.LOCK, "RV1");

    private Steps cracks(Step step, double bar) {
        return lg.then(new Cracked(step.id(), bar * BAR, Source.TAPPED, Steps.WARM));
    }

    @Test
    void thePumpsScrewIsTheOneToTurn() {
        assertThat(lg.advice(lock).orElseThrow().reason().code()).isEqualTo("advice.up-to-crack");
        lg.then(new Turned(lock.id(), "P1.compensator", 0.25));
        assertThat(lg.judge(lock).missing()).extracting(r -> r.code()).containsExactly("run.need.crack");
    }

    @Test
    void whatIsMarkedThereIsWhatIsLeft() {
        cracks(set, 176);
        lg.then(new StepDone(set.id()));
        cracks(lock, 174.5);
        assertThat(lg.judge(lock).judged().get(0).grade()).isEqualTo(Grade.PASS);
        RunRecord.SettingRecord left = RunRecord.of(lg.state()).settings().stream()
                .filter(s -> s.setting().equals("RV1"))
                .findFirst()
                .orElseThrow();
        assertThat(left.asLeftPa().orElseThrow()).isCloseTo(174.5 * BAR, within(1.0));
        assertThat(left.verdict()).contains(Grade.PASS);
        assertThat(left.errorPa().orElseThrow()).isCloseTo(-1.5 * BAR, within(1.0));
        lg.then(new Turned(lock.id(), "RV1", 0.0625));
        assertThat(lg.judge(lock).missing()).as("its screw was turned: void").isNotEmpty();
    }

    @Test
    void movedByTheNutItIsSetAgainstTheDrag() {
        cracks(set, 176);
        cracks(lock, 170);
        assertThat(lg.judge(lock).judged().get(0).grade()).isEqualTo(Grade.FAIL);
        assertThat(lg.advice(lock).orElseThrow().relock()).isPositive();
        assertThat(StepToRepeat.of(lg.state(), lock)).contains(set);
    }
}
