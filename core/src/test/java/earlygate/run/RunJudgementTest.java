package earlygate.run;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import earlygate.fixture.Plans;
import earlygate.judge.Verdict.Grade;
import earlygate.plan.Expect;
import earlygate.plan.Goal;
import earlygate.plan.Plan;
import earlygate.plan.Step;
import earlygate.run.RunEvent.Again;
import earlygate.run.RunEvent.Body;
import earlygate.run.RunEvent.Cracked;
import earlygate.run.RunEvent.Deviation;
import earlygate.run.RunEvent.Source;
import earlygate.run.RunEvent.StepDone;
import earlygate.run.RunEvent.Turned;
import earlygate.unit.PowerUnit;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.junit.jupiter.api.Test;

/** What a run makes of its readings: oil, deviations, margins, slopes, as found. */
class RunJudgementTest extends WalkedRun {
    @Test
    void coldOilPassesNoSetting() {
        walkTo("plan.relief-crack");
        accept(new Cracked(current().id(), 176e5, Source.LIVE, COLD));
        assertThat(state().assess(current()).judged().get(0).message().code()).isEqualTo("verdict.cold");
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
            // At the first the motor must draw at deadhead what the model says.
            double amps = current().expect().stream()
                    .filter(e -> e.instrument().equals("M1"))
                    .mapToDouble(Expect::value)
                    .sum();
            assertThat(amps > 0).isEqualTo(i == 0);
            if (amps > 0) {
                accept(read(current(), "M1", amps, WARM));
            }
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

    /** The gauge can't see a relief above the compensator: once its screw was moved, only a new crack counts. */
    /** Locked where it has the gauge itself, a relief is judged by that reading; what the nut moved is seen. */
    @Test
    void aReliefIsLockedWhereItHasTheGauge() {
        walkTo("plan.lock");
        Step lock = current();
        assertThat(lock.setting()).contains("RV1");
        assertThat(lock.inControl()).contains("RV1");
        double proved = lock.measured().orElseThrow().targetPa();
        accept(new Turned(lock.id(), "RV1", 0.25));
        accept(read(lock, "G1", proved + 9e5, WARM));
        assertThat(refused(new StepDone(lock.id()))).isNotEqualTo("accepted");
        accept(new Turned(lock.id(), "RV1", -0.25));
        accept(read(lock, "G1", proved, WARM));
        accept(new StepDone(lock.id()));
    }

    @Test
    void oilGoesStaleAndCountsAboveItsBandToo() {
        walkTo("plan.bring-down");
        Step step = current();
        accept(read(step, "G1", 160e5, OptionalDouble.of(273.15 + 63)));
        assertThat(state().assess(step).judged().get(0).message().code()).isEqualTo("verdict.hot");
        accept(read(step, Expect.OIL, 273.15 + 45, OptionalDouble.empty()));
        now = now.plusSeconds(14 * 60);
        accept(read(step, "G1", 160e5, OptionalDouble.empty()));
        assertThat(state().assess(step).missing()).isEmpty();
        now = now.plusSeconds(2 * 60);
        accept(read(step, "G1", 160e5, OptionalDouble.empty()));
        assertThat(state().assess(step).judged().get(0).message().code()).isEqualTo("verdict.oil-unknown");
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
    void coachLearnsFromTurnsAndReadings() {
        walkTo("plan.compensator-up");
        Step step = current();
        assertThat(advice(step).orElseThrow().reason().code()).isEqualTo("advice.read-first");
        accept(read(step, "G1", 60e5, WARM));
        assertThat(advice(step).orElseThrow().turns()).isEqualTo(0.25);
        accept(new Turned(step.id(), "P1.compensator", 0.25));
        assertThat(advice(step).orElseThrow().reason().code()).isEqualTo("advice.read-first");
        accept(read(step, "G1", 73e5, WARM));
        // 13 bar by a quarter are 52 a turn, and somewhat more if the quarter had play to take up.
        assertThat(state().slope("P1.compensator").perTurn()).isBetween(50e5, 66e5);
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
        Plan p = Plans.of(two);
        Step set = p.steps().stream()
                .filter(s -> s.kind() == Step.Kind.SET && s.setting().orElse("").equals("RV1"))
                .findFirst()
                .orElseThrow();
        List<Body> bodies =
                List.of(read(set, "G2", 20e5, WARM), new Turned(set.id(), "RV1", 0.25), read(set, "G2", 60e5, WARM));
        List<RunEvent> events = new ArrayList<>();
        bodies.forEach(b -> events.add(new RunEvent(events.size() + 1, now, "A", b)));
        assertThat(RunState.of(two, p, events).slope("RV1").answers()).isZero();
        List<RunEvent> own = new ArrayList<>();
        for (Body b :
                List.of(read(set, "G1", 40e5, WARM), new Turned(set.id(), "RV1", 0.25), read(set, "G1", 50e5, WARM))) {
            own.add(new RunEvent(own.size() + 1, now, "A", b));
        }
        assertThat(RunState.of(two, p, own).slope("RV1").answers()).isEqualTo(1);
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
        double proof = plan.steps().stream()
                .filter(x -> x.action().code().equals("plan.prove-relief"))
                .mapToDouble(x -> ((Goal.Turned) x.goal().orElseThrow()).turns())
                .sum();
        // A quarter turn proved it, two more brought it up, a little more proved the relief; three turns out as found.
        assertThat(s.asFoundPa()).isCloseTo(160e5 + (0.75 - proof) * 45e5, within(1e5));
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
        Plan p = Plans.of(nh);
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
        return RunState.of(nh, p, events).assess(set).judged().get(0).grade();
    }
}
