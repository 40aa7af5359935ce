package earlygate.run;

import static earlygate.quantity.Si.BAR;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import earlygate.fixture.Units;
import earlygate.judge.ReliefPlace;
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
        ReliefPlace place = new ReliefPlace(stands * BAR, (stands - doubt) * BAR, (stands + doubt) * BAR);
        return lg.then(new Cracked(crack.id(), held * BAR, Source.LIVE, Steps.WARM, Optional.of(place)));
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
        cracked(176, 171.4, 1);
        assertThat(grade()).isEqualTo(Grade.FAIL);
        assertThat(lg.judge(crack).missing()).isNotEmpty();
        Coach.Advice in = lg.advice(crack).orElseThrow();
        assertThat(in.reason().code()).isEqualTo("advice.come-in-again");
        // 4.6 bar at 40 a turn are a sixteenth and 0.84 of one: two, so that it stands above its crack again.
        assertThat(in.turns()).isEqualTo(2 / 16.0);
        assertThat(Steps.amount(in, "past")).isCloseTo(4.6 * BAR, within(1.0));
        lg.turns(crack, in.turns());
        assertThat(lg.state().record(crack.id()).cracked())
                .as("a turn voids it")
                .isEmpty();
        assertThat(lg.advice(crack).orElseThrow().turns())
                .as("out again, finely")
                .isEqualTo(-1 / 16.0);
    }

    /** Nothing reads a soft relief again once it is locked: what the gauge's 1.5 bar leave open does not pass. */
    @Test
    void whereNoProofFollowsItMustBeSure() {
        Steps soft = Steps.of(Units.lg07(u -> Units.part(u, "components", "RV1").put("overrideBar", 10)));
        Step found = soft.of(Step.Kind.SET, "RV1");
        for (double[] stands : new double[][] {{173.4, 1}, {175, 4}}) {
            ReliefPlace place =
                    new ReliefPlace(stands[0] * BAR, (stands[0] - stands[1]) * BAR, (stands[0] + stands[1]) * BAR);
            soft.then(new Cracked(found.id(), 176 * BAR, Source.LIVE, Steps.WARM, Optional.of(place)));
            assertThat(soft.judge(found).judged().get(0).grade()).isEqualTo(Grade.FAIL);
        }
    }

    /** By two readings of one gauge: it held 176 and fell to 172, and the model says how far the relief went below. */
    @Test
    void aTypedFallTellsItToo() {
        lg.reads(crack, "G1", 172).then(new Cracked(crack.id(), 176 * BAR, Source.TYPED, Steps.WARM));
        assertThat(grade()).isEqualTo(Grade.PASS);
        assertThat(ReliefStands.of(lg.state(), crack))
                .as("what was read before says nothing")
                .isEmpty();
        lg.reads(crack, "G1", 175.9);
        assertThat(grade()).as("hardly past").isEqualTo(Grade.PASS);
        double near = ReliefStands.of(lg.state(), crack).orElseThrow().settingPa();
        lg.reads(crack, "G1", 169);
        double far = ReliefStands.of(lg.state(), crack).orElseThrow().settingPa();
        assertThat(far).isLessThan(169 * BAR).isLessThan(near);
        assertThat(grade()).isEqualTo(Grade.FAIL);
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
