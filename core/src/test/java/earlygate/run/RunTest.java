package earlygate.run;

import static earlygate.fixture.Units.lg07;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import earlygate.circuit.PowerUnit;
import earlygate.explain.Reason;
import earlygate.explain.Value.Kind;
import earlygate.judge.Verdict.Grade;
import earlygate.ladder.GapSchool;
import earlygate.plan.Expect;
import earlygate.plan.Plan;
import earlygate.plan.Planner;
import earlygate.plan.School;
import earlygate.plan.Step;
import earlygate.run.RunEvent.Again;
import earlygate.run.RunEvent.Body;
import earlygate.run.RunEvent.Cracked;
import earlygate.run.RunEvent.Deviation;
import earlygate.run.RunEvent.HoldOpened;
import earlygate.run.RunEvent.Reading;
import earlygate.run.RunEvent.Source;
import earlygate.run.RunEvent.StepDone;
import earlygate.run.RunEvent.Turned;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.junit.jupiter.api.Test;

class RunTest {
    private static final OptionalDouble WARM = OptionalDouble.of(318);
    private static final OptionalDouble COLD = OptionalDouble.of(300);

    private final PowerUnit unit = lg07();
    private final Plan plan = Planner.plan(unit, School.AUTO, GapSchool.DEFAULT);
    private final List<RunEvent> log = new ArrayList<>();

    private RunState state() {
        return RunState.of(unit, plan, log);
    }

    private Optional<Reason> offer(Body body) {
        Optional<Reason> refusal = RunRules.refusal(state(), body);
        if (refusal.isEmpty()) {
            log.add(new RunEvent(log.size() + 1, Instant.EPOCH, "A", body));
        }
        return refusal;
    }

    private void accept(Body body) {
        assertThat(offer(body)).as("%s", body).isEmpty();
    }

    private String refused(Body body) {
        return offer(body).map(Reason::code).orElse("accepted");
    }

    private Step current() {
        return state().current().orElseThrow();
    }

    /** Walks on with good readings until this action is at hand. */
    private void walkTo(String action) {
        while (state().current().isPresent()) {
            state().waitingAt().ifPresent(p -> accept(new HoldOpened(p.id().key())));
            if (current().action().code().equals(action)) {
                return;
            }
            pass(current());
        }
    }

    private void pass(Step step) {
        for (Expect e : step.expect()) {
            boolean crack = step.goal()
                    .filter(g -> g.way() == Step.Way.BACK_OUT_TO_CRACK)
                    .isPresent();
            accept(
                    crack
                            ? new Cracked(step.id(), 176e5, Source.TAPPED, WARM)
                            : read(
                                    step,
                                    e.instrument(),
                                    e.kind() == Kind.PRESSURE && step.judgesSetting()
                                            ? step.goal().orElseThrow().targetPa()
                                            : e.value(),
                                    WARM));
        }
        accept(new StepDone(step.id()));
    }

    private static Reading read(Step step, String instrument, double value, OptionalDouble oil) {
        return new Reading(step.id(), instrument, value, Source.TYPED, oil);
    }

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
        walkTo("plan.prove-zero");
        assertThat(refused(new StepDone(current().id()))).isEqualTo("run.need.reading");
        accept(read(current(), "G1", 30e5, WARM));
        assertThat(refused(new StepDone(current().id()))).isEqualTo("run.need.pass");
        accept(read(current(), "G1", 0, WARM));
        accept(new StepDone(current().id()));
        assertThat(refused(read(plan.step("s1"), "G1", 0, WARM))).isEqualTo("run.refused.other-step");
    }

    @Test
    void coldOilPassesNoSetting() {
        walkTo("plan.relief-crack");
        accept(new Cracked(current().id(), 176e5, Source.LIVE, COLD));
        assertThat(new StepJudge(state(), current()).judged().get(0).message().code())
                .isEqualTo("verdict.cold");
        assertThat(refused(new StepDone(current().id()))).isEqualTo("run.need.pass");
        accept(new Again(current().id()));
        assertThat(refused(new StepDone(current().id()))).isEqualTo("run.need.crack");
        accept(new Cracked(current().id(), 176e5, Source.LIVE, WARM));
        accept(new StepDone(current().id()));
    }

    @Test
    void lowerIsKeptWithItsReasonHigherIsRefused() {
        walkTo("plan.compensator-down");
        Step step = current();
        assertThat(refused(new Deviation(step.id(), "spare the belt"))).isEqualTo("run.refused.nothing-read");
        accept(read(step, "G1", 171e5, WARM));
        assertThat(refused(new Deviation(step.id(), "it will do"))).isEqualTo("run.refused.above-schematic");
        accept(read(step, "G1", 150e5, WARM));
        assertThat(refused(new Deviation(step.id(), " "))).isEqualTo("run.refused.no-reason");
        accept(new Deviation(step.id(), "spare the belt"));
        accept(new StepDone(step.id()));
        walkTo("none");
        RunRecord record = RunRecord.of(state());
        assertThat(record.passed()).isFalse();
        assertThat(record.settings().get(0).deviation()).contains("spare the belt");
    }

    @Test
    void returnTestComparesItsThreeReadings() {
        walkTo("plan.return");
        double[] bars = {159, 160, 161.5};
        for (int i = 0; i < 3; i++) {
            accept(read(current(), "G1", bars[i] * 1e5, WARM));
            if (i < 2) {
                accept(new StepDone(current().id()));
            }
        }
        assertThat(refused(new StepDone(current().id()))).isEqualTo("run.need.return");
        accept(read(current(), "G1", 160e5, WARM));
        accept(new StepDone(current().id()));
    }

    @Test
    void coachLearnsFromTurnsAndReadings() {
        walkTo("plan.compensator-up");
        Step step = current();
        assertThat(Coach.advice(state(), step).orElseThrow().reason().code()).isEqualTo("advice.read-first");
        accept(read(step, "G1", 30e5, WARM));
        assertThat(Coach.advice(state(), step).orElseThrow().turns()).isEqualTo(0.25);
        accept(new Turned(step.id(), "P1.compensator", 0.25));
        assertThat(Coach.advice(state(), step).orElseThrow().reason().code()).isEqualTo("advice.read-first");
        accept(read(step, "G1", 43e5, WARM));
        assertThat(state().screw("P1.compensator").slope()).isCloseTo(52e5, within(2e5));
        accept(new Turned(step.id(), "P1.compensator", 1));
        accept(read(step, "G1", 43e5, WARM));
        accept(new Turned(step.id(), "P1.compensator", 1));
        accept(read(step, "G1", 43e5, WARM));
        assertThat(Coach.advice(state(), step).orElseThrow().reason().code()).isEqualTo("advice.no-answer");
    }

    @Test
    void asFoundFollowsFromTheTurnsCounted() {
        walkTo("plan.back-out");
        accept(new Turned(current().id(), "P1.compensator", -3));
        accept(new StepDone(current().id()));
        walkTo("plan.compensator-down");
        accept(new Turned(current().id(), "P1.compensator", 2));
        walkTo("none");
        RunRecord.SettingRecord s = RunRecord.of(state()).settings().get(0);
        assertThat(s.asFoundFrom()).isEqualTo(RunRecord.AsFound.BY_TURNS);
        // A quarter turn proved it, two more set it: three quarters of a turn lower than found.
        assertThat(s.asFoundPa()).isCloseTo(160e5 + 45e5, within(1.0));
    }
}
