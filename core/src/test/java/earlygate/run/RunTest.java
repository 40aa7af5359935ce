package earlygate.run;

import static org.assertj.core.api.Assertions.assertThat;

import earlygate.explain.Reason;
import earlygate.judge.Verdict.Grade;
import earlygate.plan.Goal;
import earlygate.plan.Step;
import earlygate.run.RunEvent.Deviation;
import earlygate.run.RunEvent.HoldOpened;
import earlygate.run.RunEvent.StepDone;
import earlygate.run.RunEvent.Turned;
import org.junit.jupiter.api.Test;

/** The log and its fold: what may be written, what goes back, what ends a run. */
class RunTest extends WalkedRun {
    @Test
    void aWholeRunPassesAndItsFoldIsRepeatable() {
        walkTo("none");
        RunRecord record = RunRecord.of(state());
        assertThat(record.finished()).isTrue();
        assertThat(record.passed()).isTrue();
        assertThat(record.settings()).allSatisfy(s -> {
            assertThat(s.verdict()).contains(Grade.PASS);
            assertThat(s.asLeftPa().getAsDouble()).isEqualTo(s.target().pressurePa());
        });
        assertThat(RunRecord.of(RunState.of(unit, plan, log))).isEqualTo(record);
        assertThat(refused(new StepDone("s1"))).isEqualTo("run.refused.finished");
    }

    @Test
    void holdPointsStayShutUntilTheirPhaseIsDone() {
        assertThat(refused(new HoldOpened("paper"))).isEqualTo("run.refused.not-at-hold");
        while (state().waitingAt().isEmpty()) {
            pass(current());
        }
        assertThat(refused(new StepDone(current().id()))).isEqualTo("run.refused.hold");
        assertThat(refused(new HoldOpened("set"))).isEqualTo("run.refused.not-at-hold");
        accept(new HoldOpened("paper"));
        assertThat(state().opened(earlygate.plan.Phase.Id.PAPER)).isPresent();
        accept(new StepDone(current().id()));
    }

    @Test
    void aStepIsNotDoneBeforeItsReadings() {
        walkTo("plan.prove-zero-on-line");
        assertThat(refused(new StepDone(current().id()))).isEqualTo("run.need.reading");
        accept(read(current(), "G1", 30e5, WARM));
        assertThat(refused(new StepDone(current().id()))).isEqualTo("run.need.pass");
        accept(read(current(), "G1", 0, WARM));
        accept(new StepDone(current().id()));
        assertThat(refused(read(plan.step("s1"), "G1", 0, WARM))).isEqualTo("run.refused.other-step");
    }

    @Test
    void aFailedProofOfZeroIsNeverLeftSo() {
        walkTo("plan.prove-zero-on-line");
        accept(read(current(), "G1", 127e5, WARM));
        assertThat(refused(new Deviation(current().id(), "it leaks down by itself")))
                .isEqualTo("run.refused.zero-proof");
        assertThat(state().assess(current()).mayBeLeft()).isFalse();
        // A needle that stands within the gauge's error is at zero, one that stands beyond it is not.
        accept(read(current(), "G1", 1.6e5, WARM));
        assertThat(refused(new StepDone(current().id()))).isEqualTo("run.need.pass");
        accept(read(current(), "G1", 1.4e5, WARM));
        accept(new StepDone(current().id()));
    }

    @Test
    void aTurnVoidsWhatWasReadInItsStep() {
        walkTo("plan.bring-down");
        Step step = current();
        accept(read(step, "G1", 160e5, WARM));
        assertThat(state().assess(step).missing()).isEmpty();
        accept(new Turned(step.id(), "P1.compensator", 2));
        assertThat(refused(new StepDone(step.id()))).isEqualTo("run.need.reading");
    }

    @Test
    void theWrongScrewIsNamedWithWhatToPutBack() {
        walkTo("plan.bring-down");
        Step step = current();
        accept(new Turned(step.id(), "RV1", 0.25));
        accept(read(step, "G1", 160e5, WARM));
        Reason missing = state().assess(step).missing().get(0);
        assertThat(missing.code()).isEqualTo("run.need.put-back-out");
        assertThat(missing.values().get("setting")).isEqualTo(new earlygate.explain.Value.Name("RV1"));
        assertThat(refused(new Deviation(step.id(), "it was like that"))).isEqualTo("run.need.put-back-out");
        accept(new Turned(step.id(), "RV1", -0.25));
        accept(read(step, "G1", 160e5, WARM));
        accept(new StepDone(step.id()));
    }

    @Test
    void aStepThatTurnsIsNotDoneWithoutItsTurns() {
        walkTo("plan.back-out");
        assertThat(refused(new StepDone(current().id()))).isEqualTo("run.need.end");
        accept(new Turned(current().id(), "P1.compensator", -3, false));
        assertThat(refused(new StepDone(current().id()))).isEqualTo("run.need.end");
        accept(new Turned(current().id(), "P1.compensator", -0.5, true));
        accept(new StepDone(current().id()));
        walkTo("plan.relief-clear");
        Step clear = current();
        accept(read(clear, "G1", clear.expect().get(0).value(), WARM));
        assertThat(refused(new StepDone(clear.id()))).isEqualTo("run.need.turns");
        double turns = ((Goal.Turned) clear.goal().orElseThrow()).turns();
        assertThat(advice(clear).orElseThrow().turns()).isEqualTo(turns);
        accept(new Turned(clear.id(), "RV1", turns));
        assertThat(refused(new StepDone(clear.id()))).as("read before the turn").isEqualTo("run.need.reading");
        accept(read(clear, "G1", clear.expect().get(0).value(), WARM));
        accept(new StepDone(clear.id()));
    }

    /** Twice out below what was thought the end: a fact to be written down, never the end of a run. */
    @Test
    void aPositionIsUnknownUntilAnEndWasTouched() {
        assertThat(state().position("P1.compensator")).isEmpty();
        walkTo("plan.back-out");
        accept(new Turned(current().id(), "P1.compensator", -2.5, true));
        assertThat(state().position("P1.compensator").getAsDouble()).isZero();
        assertThat(state().screws().foundAt("P1.compensator").getAsDouble()).isEqualTo(2.5);
        accept(new Turned(current().id(), "P1.compensator", -0.25));
        assertThat(state().position("P1.compensator").getAsDouble()).isEqualTo(-0.25);
    }

    @Test
    void aSlipIsNamedAndTeachesNothing() {
        walkTo("plan.bring-down");
        Step step = current();
        accept(read(step, "G1", 166e5, WARM));
        accept(new Turned(step.id(), "P1.compensator", -0.25));
        double before = state().slope("P1.compensator").perTurn();
        accept(read(step, "G1", 140e5, WARM));
        long slip = state().lastSeq();
        double fooled = state().slope("P1.compensator").perTurn();
        accept(new RunEvent.Struck(step.id(), slip));
        assertThat(state().isStruck(slip)).isTrue();
        assertThat(state().slope("P1.compensator").perTurn()).isEqualTo(before).isNotEqualTo(fooled);
        assertThat(state().record(step.id()).reading("G1")).isEmpty();
        assertThat(refused(new RunEvent.Struck(step.id(), slip))).isEqualTo("run.refused.no-slip");
        assertThat(refused(new RunEvent.Struck(step.id(), 1))).isEqualTo("run.refused.no-slip");
        accept(read(step, "G1", 160e5, WARM));
        accept(new StepDone(step.id()));
        walkTo("none");
        assertThat(RunRecord.of(state()).taken().stream()
                        .filter(RunRecord.Taken::slip)
                        .map(t -> t.event().seq()))
                .containsExactly(slip);
    }

    @Test
    void goingBackShutsTheGatesBehindIt() {
        walkTo("plan.return");
        Step set = plan.steps().stream()
                .filter(s -> s.action().code().equals("plan.bring-down"))
                .findFirst()
                .orElseThrow();
        accept(new RunEvent.Reopened(set.id()));
        assertThat(current()).isEqualTo(set);
        assertThat(state().opened(earlygate.plan.Phase.Id.SET)).isEmpty();
        accept(read(set, "G1", 160e5, WARM));
        accept(new StepDone(set.id()));
        assertThat(state().waitingAt().orElseThrow().id()).isEqualTo(earlygate.plan.Phase.Id.SET);
        walkTo("none");
        assertThat(RunRecord.of(state()).passed()).isTrue();
    }

    @Test
    void theLastGateIsAskedBeforeARunIsOver() {
        while (state().current().isPresent()) {
            state().waitingAt().ifPresent(p -> accept(new HoldOpened(p.id().key())));
            pass(current());
        }
        assertThat(state().finished()).isFalse();
        assertThat(RunRecord.of(state()).passed()).isFalse();
        accept(new HoldOpened("hand-over"));
        assertThat(state().finished()).isTrue();
    }
}
