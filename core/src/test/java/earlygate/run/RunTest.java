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
    private final Curves curves = new Curves(unit);
    private final List<RunEvent> log = new ArrayList<>();
    private Instant now = Instant.EPOCH;

    private RunState state() {
        return RunState.of(unit, plan, log);
    }

    private Optional<Reason> offer(Body body) {
        Optional<Reason> refusal = RunRules.refusal(state(), body);
        if (refusal.isEmpty()) {
            log.add(new RunEvent(log.size() + 1, now, "A", body));
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
        while (!state().finished()) {
            state().waitingAt().ifPresent(p -> accept(new HoldOpened(p.id().key())));
            if (state().finished() || current().action().code().equals(action)) {
                return;
            }
            pass(current());
        }
    }

    private Optional<Coach.Advice> advice(Step step) {
        return Coach.advice(state(), step, curves);
    }

    private void pass(Step step) {
        step.goal()
                .filter(g -> g.way() == Step.Way.TO_THE_END || g.way() == Step.Way.COUNT_TURNS)
                .ifPresent(g -> accept(new Turned(
                        step.id(), step.setting().orElseThrow(), g.turns(), g.way() == Step.Way.TO_THE_END)));
        for (Expect e : step.expect()) {
            accept(
                    step.goes(Step.Way.BACK_OUT_TO_CRACK)
                            ? new Cracked(step.id(), 176e5, Source.TYPED, WARM)
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
        walkTo("plan.prove-zero-on-line");
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
        walkTo("plan.bring-down");
        Step step = current();
        assertThat(refused(new Deviation(step.id(), "spare the belt"))).isEqualTo("run.refused.nothing-read");
        accept(read(step, "G1", 171e5, WARM));
        assertThat(refused(new Deviation(step.id(), "it will do"))).isEqualTo("run.refused.above-schematic");
        accept(read(step, "G1", 150e5, WARM));
        assertThat(refused(new Deviation(step.id(), " "))).isEqualTo("run.refused.no-reason");
        assertThat(refused(new Deviation(step.id(), "x"))).isEqualTo("run.refused.no-reason");
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

    /** Read 130, left so, then read 200: the reason was given for another reading. */
    @Test
    void aDeviationIsVoidAfterAnyLaterReadingOrTurn() {
        walkTo("plan.bring-down");
        Step step = current();
        accept(read(step, "G1", 130e5, WARM));
        accept(new Deviation(step.id(), "spare the belt"));
        accept(read(step, "G1", 200e5, WARM));
        assertThat(refused(new StepDone(step.id()))).isEqualTo("run.need.pass");
        assertThat(refused(new Deviation(step.id(), "spare the belt"))).isEqualTo("run.refused.above-schematic");
        accept(new Deviation(step.id(), "tide gate jams at less", Optional.of("B. Second")));
        accept(new Turned(step.id(), "P1.compensator", 0.25));
        assertThat(refused(new StepDone(step.id()))).isEqualTo("run.need.reading");
        accept(read(step, "G1", 150e5, WARM));
        accept(new Deviation(step.id(), "spare the belt"));
        accept(new Again(step.id()));
        assertThat(refused(new StepDone(step.id()))).isEqualTo("run.need.reading");
    }

    @Test
    void aFailedProofOfZeroIsNeverLeftSo() {
        walkTo("plan.prove-zero-on-line");
        accept(read(current(), "G1", 127e5, WARM));
        assertThat(refused(new Deviation(current().id(), "it leaks down by itself")))
                .isEqualTo("run.refused.zero-proof");
        assertThat(new StepJudge(state(), current()).mayBeLeft()).isFalse();
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
        assertThat(new StepJudge(state(), step).missing()).isEmpty();
        accept(new Turned(step.id(), "P1.compensator", 2));
        assertThat(refused(new StepDone(step.id()))).isEqualTo("run.need.reading");
    }

    @Test
    void theWrongScrewIsNamedWithWhatToPutBack() {
        walkTo("plan.bring-down");
        Step step = current();
        accept(new Turned(step.id(), "RV1", 0.25));
        accept(read(step, "G1", 160e5, WARM));
        Reason missing = new StepJudge(state(), step).missing().get(0);
        assertThat(missing.code()).isEqualTo("run.need.put-back-out");
        assertThat(missing.values().get("setting")).isEqualTo(new earlygate.explain.Value.Name("RV1"));
        assertThat(refused(new Deviation(step.id(), "it was like that"))).isEqualTo("run.need.put-back-out");
        accept(new Turned(step.id(), "RV1", -0.25));
        accept(read(step, "G1", 160e5, WARM));
        accept(new StepDone(step.id()));
    }

    /** The gauge can't see a relief above the compensator: once its screw was moved, only a new crack counts. */
    @Test
    void aReliefTurnedAfterItsCrackHasNoReading() {
        walkTo("plan.lock");
        Step lock = current();
        assertThat(lock.setting()).contains("RV1");
        accept(new Turned(lock.id(), "RV1", 1));
        accept(read(lock, "G1", 176e5, WARM));
        assertThat(refused(new StepDone(lock.id()))).isEqualTo("run.need.crack-again");
        Step crack = plan.steps().get(plan.steps().indexOf(lock) - 1);
        accept(new RunEvent.Reopened(crack.id()));
        assertThat(current()).isEqualTo(crack);
        accept(new Cracked(crack.id(), 176e5, Source.TYPED, WARM));
        accept(new StepDone(crack.id()));
        accept(read(lock, "G1", 176e5, WARM));
        accept(new StepDone(lock.id()));
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
        double turns = clear.goal().orElseThrow().turns();
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
        assertThat(state().foundAt("P1.compensator").getAsDouble()).isEqualTo(2.5);
        accept(new Turned(current().id(), "P1.compensator", -0.25));
        assertThat(state().position("P1.compensator").getAsDouble()).isEqualTo(-0.25);
    }

    @Test
    void oilGoesStaleAndCountsAboveItsBandToo() {
        walkTo("plan.bring-down");
        Step step = current();
        accept(read(step, "G1", 160e5, OptionalDouble.of(273.15 + 63)));
        assertThat(new StepJudge(state(), step).judged().get(0).message().code())
                .isEqualTo("verdict.hot");
        accept(read(step, Expect.OIL, 273.15 + 45, OptionalDouble.empty()));
        now = now.plusSeconds(14 * 60);
        accept(read(step, "G1", 160e5, OptionalDouble.empty()));
        assertThat(new StepJudge(state(), step).missing()).isEmpty();
        now = now.plusSeconds(2 * 60);
        accept(read(step, "G1", 160e5, OptionalDouble.empty()));
        assertThat(new StepJudge(state(), step).judged().get(0).message().code())
                .isEqualTo("verdict.oil-unknown");
        accept(read(step, Expect.OIL, 273.15 + 44, OptionalDouble.empty()));
        accept(new StepDone(step.id()));
    }

    /** A cold oil that was let stand at warm-up poisons nothing: it is read anew where it counts. */
    @Test
    void oneColdDeviationDoesNotPoisonTheRest() {
        walkTo("plan.warm-up");
        accept(read(current(), Expect.OIL, 300, OptionalDouble.empty()));
        accept(new Deviation(current().id(), "the hall is cold today"));
        accept(new StepDone(current().id()));
        walkTo("plan.bring-down");
        accept(read(current(), "G1", 160e5, WARM));
        accept(new StepDone(current().id()));
    }

    @Test
    void aSlipIsNamedAndTeachesNothing() {
        walkTo("plan.bring-down");
        Step step = current();
        accept(read(step, "G1", 166e5, WARM));
        accept(new Turned(step.id(), "P1.compensator", -0.25));
        double before = state().screw("P1.compensator").slope();
        accept(read(step, "G1", 140e5, WARM));
        long slip = state().lastSeq();
        double fooled = state().screw("P1.compensator").slope();
        accept(new RunEvent.Struck(step.id(), slip));
        assertThat(state().isStruck(slip)).isTrue();
        assertThat(state().screw("P1.compensator").slope()).isEqualTo(before).isNotEqualTo(fooled);
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

    @Test
    void coachLearnsFromTurnsAndReadings() {
        walkTo("plan.compensator-up");
        Step step = current();
        assertThat(advice(step).orElseThrow().reason().code()).isEqualTo("advice.read-first");
        accept(read(step, "G1", 60e5, WARM));
        assertThat(advice(step).orElseThrow().turns()).isEqualTo(0.25);
        accept(new Turned(step.id(), "P1.compensator", 0.25));
        assertThat(advice(step).orElseThrow().reason().code()).isEqualTo("advice.read-first");
        accept(read(step, "G1", 73e5, WARM));
        assertThat(state().screw("P1.compensator").slope()).isCloseTo(52e5, within(2e5));
        for (int i = 0; i < 2; i++) {
            accept(new Turned(step.id(), "P1.compensator", 0.5));
            accept(read(step, "G1", 73e5, WARM));
        }
        Coach.Advice lost = advice(step).orElseThrow();
        assertThat(lost.turns()).isZero();
        assertThat(lost.reason().code()).startsWith("advice.no-answer");
        assertThat(lost.reason().values().get("holder"))
                .isNotEqualTo(new earlygate.explain.Value.Name("P1.compensator"));
        // Put right and read again: the gauge has moved without the screw, so it all starts anew.
        accept(read(step, "G1", 121e5, WARM));
        assertThat(advice(step).orElseThrow().turns()).isPositive();
    }

    /** Another gauge than the step's own teaches nothing, nor does a step in which somebody else's screw was turned. */
    @Test
    void onlyTheOwnGaugeTeachesTheSlope() {
        PowerUnit two = earlygate.fixture.Units.read(earlygate.fixture.Units.document("WD-05"));
        Plan p = Planner.plan(two, School.AUTO, GapSchool.DEFAULT);
        Step set = p.steps().stream()
                .filter(s -> s.kind() == Step.Kind.SET && s.setting().orElse("").equals("RV1"))
                .findFirst()
                .orElseThrow();
        List<Body> bodies =
                List.of(read(set, "G2", 20e5, WARM), new Turned(set.id(), "RV1", 0.25), read(set, "G2", 60e5, WARM));
        List<RunEvent> events = new ArrayList<>();
        bodies.forEach(b -> events.add(new RunEvent(events.size() + 1, now, "A", b)));
        assertThat(RunState.of(two, p, events).screw("RV1").answers()).isZero();
        List<RunEvent> own = new ArrayList<>();
        for (Body b :
                List.of(read(set, "G1", 40e5, WARM), new Turned(set.id(), "RV1", 0.25), read(set, "G1", 50e5, WARM))) {
            own.add(new RunEvent(own.size() + 1, now, "A", b));
        }
        assertThat(RunState.of(two, p, own).screw("RV1").answers()).isEqualTo(1);
    }

    @Test
    void asFoundSaysHowItIsKnown() {
        walkTo("plan.back-out");
        accept(new Turned(current().id(), "P1.compensator", -3, true));
        accept(new StepDone(current().id()));
        walkTo("plan.compensator-up");
        accept(new Turned(current().id(), "P1.compensator", 2));
        walkTo("none");
        RunRecord.SettingRecord s = RunRecord.of(state()).settings().get(0);
        assertThat(s.asFoundFrom()).isEqualTo(RunRecord.AsFound.BY_TURNS);
        // A quarter turn proved it, two more brought it up: three quarters of a turn lower than found.
        assertThat(s.asFoundPa()).isCloseTo(160e5 + 0.75 * 45e5, within(1e5));
    }

    /** Found all out by the count, read at its target without a turn: the count can't be whole, and says so. */
    @Test
    void aCountThatExplainsNothingIsNoAsFound() {
        walkTo("none");
        RunRecord.SettingRecord relief = RunRecord.of(state()).settings().stream()
                .filter(s -> s.setting().equals("P1.compensator"))
                .findFirst()
                .orElseThrow();
        assertThat(relief.asFoundFrom()).isEqualTo(RunRecord.AsFound.COUNT_INCOMPLETE);
        assertThat(relief.asFoundPa()).isEqualTo(unit.setting("P1.compensator").present());
    }

    /** A margin is the pump's gauge less the signal's: 70 - 50 is 20 whatever the model says of either. */
    @Test
    void aMarginIsTheDifferenceOfTwoGauges() {
        PowerUnit nh = earlygate.fixture.Units.read(earlygate.fixture.Units.document("NH-04"));
        Plan p = Planner.plan(nh, School.AUTO, GapSchool.DEFAULT);
        Step set = p.steps().stream()
                .filter(s -> s.kind() == Step.Kind.SET
                        && s.goal().orElseThrow().minus().isPresent())
                .findFirst()
                .orElseThrow();
        assertThat(grade(nh, p, set, 54.8, 35.8))
                .as("19.0, as the model has it at this stroke")
                .isEqualTo(Grade.PASS);
        assertThat(grade(nh, p, set, 63.0, 44.0))
                .as("the same margin at another load")
                .isEqualTo(Grade.PASS);
        assertThat(grade(nh, p, set, 54.8, 20)).as("34.8").isEqualTo(Grade.FAIL);
        assertThat(grade(nh, p, set, 54.8, 40)).as("14.8").isEqualTo(Grade.CANNOT_TELL);
        assertThat(grade(nh, p, set, 54.8, 41)).as("13.8").isEqualTo(Grade.FAIL);
        assertThat(grade(nh, p, set, 19, 0)).as("no flow: standby").isEqualTo(Grade.CANNOT_TELL);
        assertThat(grade(nh, p, set, 210, 210)).as("no flow: stalled").isEqualTo(Grade.CANNOT_TELL);
    }

    private static Grade grade(PowerUnit nh, Plan p, Step set, double pump, double signal) {
        List<RunEvent> events = List.of(
                new RunEvent(1, Instant.EPOCH, "A", read(set, "GP", pump * 1e5, WARM)),
                new RunEvent(2, Instant.EPOCH, "A", read(set, "GL", signal * 1e5, WARM)));
        return new StepJudge(RunState.of(nh, p, events), set).judged().get(0).grade();
    }
}
