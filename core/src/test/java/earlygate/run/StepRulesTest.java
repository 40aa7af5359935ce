package earlygate.run;

import static earlygate.run.Steps.WARM;
import static org.assertj.core.api.Assertions.assertThat;

import earlygate.explain.Reason;
import earlygate.explain.Value.Kind;
import earlygate.judge.ReliefEstimate;
import earlygate.judge.Verdict.Grade;
import earlygate.plan.Expect;
import earlygate.plan.Step;
import earlygate.run.RunEvent.Body;
import earlygate.run.RunEvent.Cracked;
import earlygate.run.RunEvent.Handled;
import earlygate.run.RunEvent.Reading;
import earlygate.run.RunEvent.Source;
import earlygate.run.RunEvent.Turned;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What a step asks, what voids what, where a failing reading leads, and what may be written. */
class StepRulesTest {
    private static Grade grade(Steps steps, Step step) {
        return steps.judge(step).judged().get(0).grade();
    }

    private static String refused(Steps steps, Body body) {
        return RunRules.refusal(steps.state(), body).map(Reason::code).orElse("accepted");
    }

    /** A band of 155.8 to 163.8 read on a gauge that may be 1.5 off. */
    @ParameterizedTest
    @CsvSource({
        "157.4, PASS",
        "160, PASS",
        "162.2, PASS",
        "157.2, CANNOT_TELL",
        "162.4, CANNOT_TELL",
        "154.4, CANNOT_TELL",
        "165.2, CANNOT_TELL",
        "154.2, FAIL",
        "165.4, FAIL"
    })
    void everyBandUsesTheGaugesError(double reads, Grade grade) {
        Steps lg = Steps.lg();
        Step step = lg.coded("plan.return");
        assertThat(grade(lg.reads(step, "G1", reads), step)).isEqualTo(grade);
    }

    /** What is read on the way is read again on the same gauge: its error cancels, the band is meant as it stands. */
    @Test
    void aPassingMoveIsReadPlainly() {
        Steps lg = Steps.lg();
        Step up = lg.coded("plan.compensator-up");
        Expect e = up.expect().get(0);
        assertThat(grade(lg.reads(up, "G1", e.low() / 1e5 + 0.01), up)).isEqualTo(Grade.PASS);
        assertThat(grade(lg.reads(up, "G1", e.low() / 1e5 - 0.01), up)).isEqualTo(Grade.FAIL);
        assertThat(grade(lg.reads(up, "G1", e.high() / 1e5 + 0.01), up)).isEqualTo(Grade.FAIL);
        // So near that a crack found there can pass: the relief's tolerance less the gauge's error.
        assertThat(176e5 - e.low()).isLessThan(2.5e5);
    }

    /** 54 bar a turn where its data say 45: no sixteenth may lie in the band, so it grows to where a crack can still pass. */
    @Test
    void aScrewCoarserThanItsDataMayStandOnItsBetterSide() {
        Steps lg = Steps.lg();
        Step up = lg.coded("plan.compensator-up");
        double low = up.expect().get(0).low() / 1e5;
        lg.reads(up, "G1", 120)
                .turns(up, 0.5)
                .reads(up, "G1", 147)
                .turns(up, 0.5)
                .reads(up, "G1", low - 0.1);
        assertThat(grade(lg, up)).isEqualTo(Grade.PASS);
        lg.reads(up, "G1", low - 0.9);
        assertThat(grade(lg, up)).as("176 less 4 and the gauge's 1.5").isEqualTo(Grade.FAIL);
    }

    @Test
    void aCurrentHasNoGaugeToBeWrong() {
        Steps lg = Steps.lg();
        Step flush = lg.coded("plan.flush");
        Expect amps = flush.expect().stream()
                .filter(e -> e.kind() == Kind.CURRENT)
                .findFirst()
                .orElseThrow();
        lg.then(new Reading(flush.id(), "M1", amps.high() - 0.01, Source.TYPED, WARM));
        assertThat(grade(lg, flush)).isEqualTo(Grade.PASS);
        lg.then(new Reading(flush.id(), "M1", amps.high() + 0.01, Source.TYPED, WARM));
        assertThat(grade(lg, flush)).isEqualTo(Grade.FAIL);
    }

    @ParameterizedTest
    @CsvSource({"open,true", "shift,true", "start,true", "stop,true", "pass,false", "nut,false", "suction,false"})
    void whatMovesTheLineVoidsItsReadings(String action, boolean voids) {
        Steps lg = Steps.lg().onRig();
        Step set = lg.of(Step.Kind.SET, "P1.compensator");
        lg.reads(set, "G1", 160).then(new Handled(set.id(), action, "TV1", "0"));
        assertThat(lg.state().record(set.id()).reading("G1").isEmpty()).isEqualTo(voids);
        assertThat(lg.state().screws().history(set).isEmpty()).isEqualTo(voids);
    }

    @Test
    void aNutVoidsTheReadingOfItsLock() {
        Steps lg = Steps.lg().onRig();
        Step lock = lg.of(Step.Kind.LOCK, "P1.compensator");
        lg.then(new Handled(lock.id(), "nut", "P1.compensator", "0")).reads(lock, "G1", 160);
        assertThat(lg.judge(lock).missing()).extracting(Reason::code).containsExactly("run.need.nut");
        lg.then(new Handled(lock.id(), "nut", "P1.compensator", "1"));
        assertThat(lg.judge(lock).missing()).extracting(Reason::code).containsExactly("run.need.reading");
        lg.reads(lock, "G1", 160);
        assertThat(lg.judge(lock).missing()).isEmpty();
    }

    @Test
    void aDriveThatStoppedByItselfVoidsAndIsRemembered() {
        Steps lg = Steps.lg().onRig();
        Step set = lg.of(Step.Kind.SET, "P1.compensator");
        lg.reads(set, "G1", 160).then(new RunEvent.Stopped(set.id(), "M1", "thermal"));
        assertThat(lg.state().stoppedBy("M1")).contains("thermal");
        assertThat(lg.state().record(set.id()).reading("G1")).isEmpty();
        lg.then(new Handled(set.id(), "start", "M1", ""));
        assertThat(lg.state().stoppedBy("M1")).isEmpty();
    }

    @Test
    void aFailingReadingLeadsToWhereItWasSet() {
        Steps lg = Steps.lg();
        Step crack = lg.coded("plan.relief-crack");
        assertThat(StepToRepeat.of(lg.state(), crack)).isEmpty();
        lg.then(new Cracked(crack.id(), 173e5, Source.LIVE, WARM));
        assertThat(StepToRepeat.of(lg.state(), crack)).contains(lg.coded("plan.compensator-up"));
        lg.then(new Cracked(crack.id(), 176e5, Source.LIVE, WARM));
        assertThat(StepToRepeat.of(lg.state(), crack)).isEmpty();
        // Backed out it would hold the line itself while the pump is raised: it goes in again first.
        lg.turns(crack, -1.5).then(new Cracked(crack.id(), 173e5, Source.LIVE, WARM));
        assertThat(StepToRepeat.of(lg.state(), crack)).isEmpty();
        lg.says(crack, 1.5, "advice.in-and-raise-again");
        lg.turns(crack, 1.5);
        lg.says(crack, 0, "advice.raise-again");
        Steps again = Steps.lg();
        again.then(new Cracked(crack.id(), 173e5, Source.LIVE, WARM), new RunEvent.Again(crack.id()));
        again.says(crack, -0.25, "advice.back-out");
        assertThat(StepToRepeat.of(lg.state(), crack)).contains(lg.coded("plan.compensator-up"));
        Step returns = lg.coded("plan.return");
        lg.reads(returns, "G1", 150);
        assertThat(StepToRepeat.of(lg.state(), returns)).contains(lg.of(Step.Kind.SET, "P1.compensator"));
        lg.reads(returns, "G1", 160);
        assertThat(StepToRepeat.of(lg.state(), returns)).isEmpty();
        Step set = lg.of(Step.Kind.SET, "P1.compensator");
        lg.reads(set, "G1", 150);
        assertThat(StepToRepeat.of(lg.state(), set)).as("it is set here").isEmpty();
        Step flush = lg.coded("plan.flush");
        lg.reads(flush, "G1", 200);
        assertThat(StepToRepeat.of(lg.state(), flush))
                .as("no screw to go back to")
                .isEmpty();
        Step lock = lg.of(Step.Kind.LOCK, "RV1");
        lg.turns(lock, 0.25).reads(lock, "G1", 150);
        assertThat(StepToRepeat.of(lg.state(), lock))
                .as("it is mended where it is locked")
                .isEmpty();
    }

    @Test
    void aHoldTestBeginsWithItsPressure() {
        Steps pack = Steps.of("PL-01");
        Step start = pack.coded("plan.hold-start");
        Step end = pack.coded("plan.hold-end");
        double low = end.expect().get(0).low() / 1e5;
        assertThat(StepToRepeat.of(pack.reads(end, "G1", low + 5).state(), end)).isEmpty();
        assertThat(StepToRepeat.of(pack.reads(end, "G1", low - 20).state(), end))
                .contains(start);
    }

    /** A knock is heard like a crack: with a live gauge that stands on, the mark alone passes nothing. */
    @Test
    void aMarkThatNothingBearsOutPassesNothing() {
        Steps rig = Steps.lg().onRig();
        Step crack = rig.coded("plan.relief-crack");
        rig.then(new Cracked(crack.id(), 176e5, Source.TAPPED, WARM));
        assertThat(grade(rig, crack)).isEqualTo(Grade.CANNOT_TELL);
        assertThat(rig.judge(crack).missing()).isNotEmpty();
        rig.says(crack, -1 / 16.0, "advice.only-heard");
        rig.turns(crack, -1 / 16.0);
        assertThat(rig.judge(crack).judged()).as("it stands elsewhere now").isEmpty();
        ReliefEstimate place = new ReliefEstimate(175.2e5, 174.6e5, 175.8e5);
        rig.then(new Cracked(crack.id(), 176.1e5, Source.LIVE, WARM, Optional.of(place)));
        assertThat(grade(rig, crack)).isEqualTo(Grade.PASS);
        assertThat(rig.state().record(crack.id()).tapped().orElseThrow().pressurePa())
                .as("what was heard stays beside it")
                .isEqualTo(176e5);
        rig.turns(crack, 1 / 16.0);
        assertThat(rig.state().record(crack.id()).tapped()).as("in again").isEmpty();
    }

    @Test
    void aCrackTappedIsKeptBesideTheOneFound() {
        Steps lg = Steps.lg();
        Step crack = lg.coded("plan.relief-crack");
        lg.then(new Cracked(crack.id(), 175e5, Source.TAPPED, WARM));
        assertThat(lg.judge(crack).decisive().getAsDouble()).isEqualTo(175e5);
        lg.then(new Cracked(crack.id(), 176.5e5, Source.LIVE, WARM));
        assertThat(lg.judge(crack).decisive().getAsDouble()).isEqualTo(176.5e5);
        assertThat(lg.state().record(crack.id()).tapped().orElseThrow().pressurePa())
                .isEqualTo(175e5);
        RunRecord.SettingRecord relief = RunRecord.of(lg.state()).settings().stream()
                .filter(s -> s.setting().equals("RV1"))
                .findFirst()
                .orElseThrow();
        assertThat(relief.crackFoundPa()).contains(176.5e5);
        assertThat(relief.crackTappedPa()).contains(175e5);
        lg.turns(crack, -0.0625);
        assertThat(lg.state().record(crack.id()).cracked()).as("turned on").isEmpty();
        assertThat(lg.state().record(crack.id()).tapped().orElseThrow().pressurePa())
                .as("turned out beside a mark: it stays, beside what is found")
                .isEqualTo(175e5);
        lg.turns(crack, 0.0625);
        assertThat(lg.state().record(crack.id()).tapped()).as("turned in").isEmpty();
    }

    @Test
    void onlyAbovePlusToleranceIsAboveTheSchematic() {
        Steps lg = Steps.lg();
        Step set = lg.of(Step.Kind.SET, "P1.compensator");
        assertThat(lg.judge(set).aboveSchematic()).isFalse();
        assertThat(lg.reads(set, "G1", 163.9).judge(set).aboveSchematic()).isFalse();
        assertThat(lg.reads(set, "G1", 164.1).judge(set).aboveSchematic()).isTrue();
        Step returns = lg.coded("plan.return");
        assertThat(lg.reads(returns, "G1", 190).judge(returns).aboveSchematic()).isFalse();
    }

    @Test
    void whatAMachineReportsIsNeverRefused() {
        Steps lg = Steps.lg().onRig();
        String last = lg.plan.steps().get(lg.plan.steps().size() - 1).id();
        assertThat(refused(lg, new Turned(last, "RV1", -0.25))).isEqualTo("accepted");
        assertThat(refused(lg, new Handled(last, "open", "TV1", "1"))).isEqualTo("accepted");
        assertThat(refused(lg, new RunEvent.Stopped(last, "M1", "thermal"))).isEqualTo("accepted");
        assertThat(refused(lg, new Turned("s999", "RV1", -0.25))).isEqualTo("run.refused.no-step");
        assertThat(refused(lg, new Turned(last, "RV9", -0.25))).isEqualTo("run.refused.no-screw");
        assertThat(refused(Steps.lg(), new Turned(last, "RV1", -0.25)))
                .as("at a machine somebody types it")
                .isEqualTo("run.refused.other-step");
    }

    @ParameterizedTest
    @CsvSource({
        "20, false, accepted",
        "-20, false, accepted",
        "20.1, false, run.refused.turns",
        "0, false, run.refused.turns",
        "0, true, accepted"
    })
    void turnsHaveTheirBounds(double turns, boolean atEnd, String answer) {
        assertThat(refused(Steps.lg(), new Turned("s1", "RV1", turns, atEnd))).isEqualTo(answer);
    }

    @Test
    void onlyWhatWasDoneCanBeGoneBackTo() {
        Steps lg = Steps.lg();
        assertThat(refused(lg, new RunEvent.Reopened("s1"))).isEqualTo("run.refused.not-done");
        lg.then(new RunEvent.StepDone("s1"));
        assertThat(refused(lg, new RunEvent.Reopened("s1"))).isEqualTo("accepted");
        lg.then(new RunEvent.Reopened("s1"));
        assertThat(lg.state().current().orElseThrow().id()).isEqualTo("s1");
        assertThat(lg.state().record("s1").attempts()).isEqualTo(2);
    }
}
