package earlygate.run;

import static earlygate.quantity.Si.BAR;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import earlygate.fixture.Units;
import earlygate.judge.ReliefEstimate;
import earlygate.judge.Verdict.Grade;
import earlygate.plan.Step;
import earlygate.run.RunEvent.Cracked;
import earlygate.run.RunEvent.Source;
import earlygate.run.RunEvent.StepDone;
import java.util.Optional;
import org.junit.jupiter.api.Test;

/** What was held is not what the relief cracks at: turned past, it stands lower itself, and comes in again. RV1: 176 ± 4. */
class ComeInAgainTest {
    private final Steps lg = Steps.lg();
    private final Step crack = lg.coded("plan.relief-crack");

    private Steps cracked(double held, double stands, double doubt) {
        return cracked(lg, held, stands, doubt);
    }

    private Steps cracked(Steps run, double held, double stands, double doubt) {
        ReliefEstimate place = new ReliefEstimate(stands * BAR, (stands - doubt) * BAR, (stands + doubt) * BAR);
        return run.then(new Cracked(crack.id(), held * BAR, Source.LIVE, Steps.WARM, Optional.of(place)));
    }

    private Grade grade() {
        return lg.judge(crack).judged().get(0).grade();
    }

    @Test
    void aReliefThatStandsInsideIsGood() {
        cracked(176, 175, 1);
        assertThat(grade()).isEqualTo(Grade.PASS);
        assertThat(lg.advice(crack).orElseThrow().reason().code()).isEqualTo("advice.cracked-stands");
        assertThat(lg.advice(crack).orElseThrow().turns()).isZero();
    }

    /** 176 less 4 is the least. */
    @Test
    void oneThatStandsTooLowComesInByWhatItWentPast() {
        Steps live = cracked(lg.onRig(), 176, 171.4, 1);
        assertThat(live.judge(crack).judged().get(0).grade()).isEqualTo(Grade.FAIL);
        assertThat(live.judge(crack).missing()).isNotEmpty();
        Coach.Advice in = live.advice(crack).orElseThrow();
        assertThat(in.reason().code()).isEqualTo("advice.come-in-again");
        // 4.6 bar at 40 a turn are a sixteenth and 0.84 of one: two, so that it stands above its crack again.
        assertThat(in.turns()).isEqualTo(2 / 16.0);
        assertThat(Steps.amount(in, "past")).isCloseTo(4.6 * BAR, within(1.0));
        live.turns(crack, in.turns());
        assertThat(live.state().record(crack.id()).cracked())
                .as("a turn voids it")
                .isEmpty();
        assertThat(live.advice(crack).orElseThrow().turns())
                .as("out again, finely")
                .isEqualTo(-1 / 16.0);
    }

    /** Without a live gauge a sixteenth is enough: 171.4 and 2.5 are 173.9, which turns and gauge then tell together. */
    @Test
    void byTypedReadingsItComesInToItsPlace() {
        lg.reads(crack, "G1", 176).reads(crack, "G1", 176.1);
        cracked(176, 171.4, 1);
        lg.says(crack, 1 / 16.0, "advice.come-in-to-it");
        lg.turns(crack, 1 / 16.0).says(crack, 0, "advice.read-come-in");
        lg.reads(crack, "G1", 175.1).says(crack, 0, "advice.read-came-in");
        CrackFromReadings in = lg.state().assess(crack).crackRead().orElseThrow();
        assertThat(in.state()).isEqualTo(CrackFromReadings.State.CAME_IN);
        assertThat(in.stands().orElseThrow().settingPa()).isBetween(173 * BAR, 175 * BAR);
        // Far from where its turns should have brought it, it is sought anew.
        lg.then(new RunEvent.Struck(crack.id(), lg.state().lastSeq())).reads(crack, "G1", 171);
        assertThat(lg.state().assess(crack).crackRead().orElseThrow().state())
                .isNotEqualTo(CrackFromReadings.State.CAME_IN);
    }

    /** Nothing reads a soft relief again once it is locked: what the gauge's 1.5 bar leave open does not pass. */
    @Test
    void whereNoProofFollowsItMustBeSure() {
        Steps soft = Steps.of(Units.lg07(u -> Units.part(u, "components", "RV1").put("overrideBar", 10)));
        Step found = soft.of(Step.Kind.SET, "RV1");
        for (double[] stands : new double[][] {{173.4, 1}, {175, 4}}) {
            ReliefEstimate place =
                    new ReliefEstimate(stands[0] * BAR, (stands[0] - stands[1]) * BAR, (stands[0] + stands[1]) * BAR);
            soft.then(new Cracked(found.id(), 176 * BAR, Source.LIVE, Steps.WARM, Optional.of(place)));
            assertThat(soft.judge(found).judged().get(0).grade()).isEqualTo(Grade.FAIL);
        }
    }

    /** By two readings of one gauge: it held 176 and fell to 172, and the model says how far the relief went below. */
    @Test
    void aTypedFallTellsItToo() {
        lg.reads(crack, "G1", 172).then(new Cracked(crack.id(), 176 * BAR, Source.TYPED, Steps.WARM));
        assertThat(grade()).isEqualTo(Grade.PASS);
        assertThat(ReliefCheck.of(lg.state(), crack))
                .as("what was read before says nothing")
                .isEmpty();
        lg.reads(crack, "G1", 175.9);
        assertThat(grade()).as("hardly past").isEqualTo(Grade.PASS);
        double near = ReliefCheck.of(lg.state(), crack).orElseThrow().settingPa();
        lg.reads(crack, "G1", 169);
        double far = ReliefCheck.of(lg.state(), crack).orElseThrow().settingPa();
        assertThat(far).isLessThan(169 * BAR).isLessThan(near);
        assertThat(grade()).isEqualTo(Grade.FAIL);
    }

    /** No live gauge: what is typed between the turns tells that it held 176, and has fallen; a slip alone does not. */
    @Test
    void readingsBetweenTheTurnsTellTheCrack() {
        lg.reads(crack, "G1", 176).turns(crack, -1 / 16.0).reads(crack, "G1", 176.2);
        assertThat(lg.state().assess(crack).crackRead().orElseThrow())
                .returns(false, CrackFromReadings::found)
                .returns(176.2 * BAR, CrackFromReadings::heldPa);
        lg.turns(crack, -1 / 16.0).reads(crack, "G1", 172.8);
        Coach.Advice once = lg.advice(crack).orElseThrow();
        assertThat(once.reason().code()).isEqualTo("advice.read-fall-again");
        assertThat(once.turns()).isZero();
        assertThat(Steps.amount(once, "fall")).isCloseTo(3.4 * BAR, within(1.0));
        lg.reads(crack, "G1", 172.9);
        CrackFromReadings found = lg.state().assess(crack).crackRead().orElseThrow();
        assertThat(found.found()).isTrue();
        assertThat(found.heldPa()).isCloseTo(176.1 * BAR, within(0.2 * BAR));
        assertThat(lg.advice(crack).orElseThrow().reason().code()).isEqualTo("advice.read-fall");
        assertThat(found.stands().orElseThrow().settingPa())
                .as("below what the gauge shows now: the pump still gives")
                .isLessThan(172.9 * BAR);
        lg.turns(crack, -1 / 16.0);
        assertThat(lg.state().assess(crack).crackRead().orElseThrow().stands())
                .as("not read since it was turned")
                .isEmpty();
        lg.then(new RunEvent.Struck(crack.id(), lg.state().lastSeq()));
        // Turned in, the line comes up again to what it held: the next fall is seen against that, at the first reading.
        lg.turns(crack, 2 / 16.0)
                .reads(crack, "G1", 176.1)
                .turns(crack, -1 / 16.0)
                .reads(crack, "G1", 174.8);
        assertThat(lg.state().assess(crack).crackRead().orElseThrow())
                .returns(CrackFromReadings.State.SUSPECTED, CrackFromReadings::state);
        lg.reads(crack, "G1", 174.7);
        assertThat(lg.advice(crack).orElseThrow().reason().code()).isEqualTo("advice.read-fall-again");
        lg.reads(crack, "G1", 174.9);
        assertThat(lg.state().assess(crack).crackRead().orElseThrow().found()).isTrue();
        lg.then(new RunEvent.Again(crack.id()));
        assertThat(lg.state().assess(crack).crackRead()).isEmpty();
    }

    @Test
    void theRecordKeepsBothPressuresAndTheTries() {
        cracked(176, 170, 1);
        lg.then(new RunEvent.Again(crack.id()));
        cracked(176.2, 175.4, 0.8);
        lg.then(new StepDone(crack.id()));
        RunRecord.SettingRecord relief = RunRecord.of(lg.state()).settings().stream()
                .filter(s -> s.setting().equals("RV1"))
                .findFirst()
                .orElseThrow();
        assertThat(relief.crackFoundPa().orElseThrow()).isCloseTo(176.2 * BAR, within(1.0));
        assertThat(relief.stands().orElseThrow().settingPa()).isCloseTo(175.4 * BAR, within(1.0));
        assertThat(relief.attempts()).isEqualTo(3);
        assertThat(relief.errorPa()).isEmpty();
    }
}
