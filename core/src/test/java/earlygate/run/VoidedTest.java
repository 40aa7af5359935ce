package earlygate.run;

import static earlygate.run.Steps.WARM;
import static org.assertj.core.api.Assertions.assertThat;

import earlygate.fixture.ChangedStep;
import earlygate.plan.Step;
import earlygate.run.RunEvent.Again;
import earlygate.run.RunEvent.Body;
import earlygate.run.RunEvent.Cracked;
import earlygate.run.RunEvent.Handled;
import earlygate.run.RunEvent.Source;
import earlygate.run.RunEvent.Stopped;
import earlygate.run.RunEvent.Turned;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** What was read and found stands only for the machine as it then stood. */
class VoidedTest {
    private static final String CRACK = Steps.lg().coded("plan.relief-crack").id();

    private final Steps lg = Steps.lg();
    private final Step crack = lg.coded("plan.relief-crack");

    private CrackFromReadings read() {
        return lg.state().assess(crack).crackRead().orElse(null);
    }

    static List<Body> moves() {
        return List.of(
                new Turned(CRACK, "P1.compensator", 0.25),
                new Handled(CRACK, "open", "TV1", "0.5"),
                new Handled(CRACK, "stop", "M1", ""),
                new Stopped(CRACK, "M1", "thermal"),
                new Again(CRACK));
    }

    @ParameterizedTest
    @MethodSource("moves")
    void anythingElseThatMovesTheLineBeginsItsReadingsAnew(Body move) {
        lg.reads(crack, "G1", 176).reads(crack, "G1", 176);
        assertThat(read().heldPa()).isEqualTo(176e5);
        lg.then(move);
        assertThat(read()).isNull();
        lg.reads(crack, "G1", 150);
        assertThat(read().heldPa()).as("lower, and no fall").isEqualTo(150e5);
        assertThat(read().state()).isEqualTo(CrackFromReadings.State.HOLDS);
    }

    @Test
    void whatIsWrittenDownMovesNothing() {
        lg.reads(crack, "G1", 176).then(new RunEvent.Noted(CRACK, "", "windy"), new Handled(CRACK, "nut", "RV1", "0"));
        assertThat(read().heldPa()).isEqualTo(176e5);
    }

    /** Plans of earlier versions lock a relief where the pump holds the line: turned since its crack, nobody knows of it. */
    @Test
    void aReliefTurnedAfterItsCrackIsToBeFoundAgain() {
        Steps plain = Steps.of(
                lg.unit,
                lg.plan.withSteps(s -> s.kind() == Step.Kind.LOCK ? ChangedStep.held(s, "P1.compensator") : s));
        Step lock = plain.of(Step.Kind.LOCK, "RV1");
        plain.then(new Cracked(crack.id(), 176e5, Source.LIVE, WARM));
        assertThat(plain.judge(lock).crackIsVoid()).isFalse();
        plain.then(new Turned(lock.id(), "P1.compensator", 0.0625));
        assertThat(plain.judge(lock).crackIsVoid()).as("another screw").isFalse();
        plain.then(new Turned(lock.id(), "RV1", 0.0625));
        assertThat(plain.judge(lock).crackIsVoid()).isTrue();
        assertThat(plain.judge(lock).missing()).extracting(r -> r.code()).contains("run.need.crack-again");
        assertThat(plain.judge(plain.of(Step.Kind.LOCK, "P1.compensator")).crackIsVoid())
                .as("of another valve")
                .isFalse();
    }
}
