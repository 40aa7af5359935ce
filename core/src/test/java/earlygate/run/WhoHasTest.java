package earlygate.run;

import static org.assertj.core.api.Assertions.assertThat;

import earlygate.explain.Reason;
import earlygate.explain.Value.Kind;
import earlygate.explain.Value.Name;
import earlygate.plan.Step;
import earlygate.run.Coach.Advice;
import java.util.Optional;
import org.junit.jupiter.api.Test;

/** Who has the gauge where a reading does not come: a pump at its limit draws little, a relief that passes all draws much. */
class WhoHasTest {
    private static final Optional<Advice> LOST = Optional.of(new Advice(0, Reason.of("advice.no-answer"), 0, true));

    private final Steps lg = Steps.lg();
    private final Step set = lg.of(Step.Kind.SET, "P1.compensator");

    private Optional<WhoHas> who(Optional<Advice> advice) {
        return Coach.whoHas(lg.state(), set, advice);
    }

    private static Name name(Reason r, String key) {
        return (Name) r.values().get(key);
    }

    @Test
    void nobodyAsksWhileNothingIsReadOrItReadsRight() {
        assertThat(who(Optional.empty())).isEmpty();
        assertThat(who(LOST)).as("not read").isEmpty();
        lg.reads(set, "G1", 160);
        assertThat(who(Optional.empty())).isEmpty();
        assertThat(who(LOST)).as("turned, and nothing came of it").isPresent();
        assertThat(WhoHas.of(lg.state(), lg.coded("plan.return"), false)).isEmpty();
    }

    @Test
    void itsOwnScrewIsTheLikeliestAndTheCurrentTellsItFromTheRelief() {
        lg.reads(set, "G1", 120);
        WhoHas who = who(Optional.empty()).orElseThrow();
        assertThat(who.setting()).contains("P1.compensator");
        assertThat(who.why().code()).isEqualTo("who-has.itself");
        assertThat(who.look()).hasSize(1);
        Reason look = who.look().get(0);
        assertThat(name(look, "instrument").text()).isEqualTo("M1");
        assertThat(name(look, "holder").text()).isEqualTo("P1.compensator");
        assertThat(name(look, "other").text()).isEqualTo("RV1");
        assertThat(look.amounts().get("first").kind()).isEqualTo(Kind.CURRENT);
        assertThat(look.amounts().get("second").si())
                .isGreaterThan(look.amounts().get("first").si() + 5);
    }

    /** Its screw was turned and the gauge did not answer: another has it. */
    @Test
    void aScrewThatTheGaugeDoesNotAnswerHasItNot() {
        lg.reads(set, "G1", 120);
        WhoHas who = who(LOST).orElseThrow();
        assertThat(who.setting()).contains("RV1");
        assertThat(who.why().code()).isEqualTo("who-has.other");
        assertThat(who.why().amounts().get("stands").si()).isBetween(100e5, 121e5);
        Reason look = who.look().get(0);
        assertThat(name(look, "other").text()).isEqualTo("P1.compensator");
        assertThat(look.amounts().get("first").si())
                .isGreaterThan(look.amounts().get("second").si() + 5);
    }

    /** WD-05's branch reads too low: its reducer, or a supply that doesn't reach it, which the supply's gauge tells in bar. */
    @Test
    void whatIsLookedAtIsInTheUnitOfItsInstrument() {
        Steps wd = Steps.of("WD-05");
        Step branch = wd.of(Step.Kind.SET, "RD1");
        String gauge = branch.goal().orElseThrow().testPoint();
        wd.reads(branch, gauge, 30);
        WhoHas who = Coach.whoHas(wd.state(), branch, LOST).orElseThrow();
        assertThat(who.setting()).as("the supply does not reach it").contains("P1.compensator");
        Reason look = who.look().get(0);
        assertThat(name(look, "instrument").text()).isEqualTo("G1");
        assertThat(look.amounts().get("first").kind()).isEqualTo(Kind.PRESSURE);
        // A supply as low as the branch, or the whole supply before a reducer that passes only so much.
        assertThat(look.amounts().get("first").si()).isBetween(29e5, 32e5);
        assertThat(look.amounts().get("second").si()).isBetween(135e5, 145e5);
    }

    /** A margin is between two gauges: none of them is had by anybody. */
    @Test
    void aDifferenceOfTwoGaugesHasNoHolder() {
        Steps nh = Steps.of("NH-04");
        Step margin = nh.of(Step.Kind.SET, "P1.loadSense");
        nh.reads(margin, "GP", 110).reads(margin, "GL", 36);
        assertThat(Coach.whoHas(nh.state(), margin, LOST)).isEmpty();
    }
}
