package earlygate.run;

import static earlygate.quantity.Si.BAR;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import earlygate.judge.Slope;
import earlygate.plan.Step;
import earlygate.run.RunEvent.Began;
import earlygate.run.RunEvent.Replaced;
import earlygate.run.RunEvent.StepDone;
import earlygate.run.RunEvent.Turned;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.junit.jupiter.api.Test;

/** What screws teach: each gauge by itself, the nut's drag, the travel; kept for the next run, until the valve is replaced. */
class ScrewsTest {
    private static final ScrewTaught EARLIER = new ScrewTaught(
            "P1.compensator", "G1", 52 * BAR, 2 * BAR, 4, 0.02, OptionalDouble.of(6.5), Instant.EPOCH, "B. Dunlin");

    private final Steps lg = Steps.lg();
    private final Step set = lg.of(Step.Kind.SET, "P1.compensator");

    private Steps taught() {
        return lg.reads(set, "G1", 120)
                .turns(set, 0.25)
                .reads(set, "G1", 133)
                .turns(set, 0.25)
                .reads(set, "G1", 146);
    }

    @Test
    void turnsAndReadingsOfOneGaugeTeach() {
        Slope data = lg.state().slope("P1.compensator");
        assertThat(data.answers()).isZero();
        Slope learned = taught().state().slope("P1.compensator");
        assertThat(learned.answers()).isEqualTo(2);
        assertThat(learned.perTurn()).isCloseTo(52 * BAR, within(4 * BAR));
        assertThat(learned.sd()).isLessThan(data.sd() / 3);
        lg.then(new StepDone(set.id()));
        assertThat(lg.state().slope("P1.compensator").perTurn()).isCloseTo(learned.perTurn(), within(1.0));
    }

    /** NH-04 reads its margin on two gauges: one of them rising by another 18 bar is no slope of the screw. */
    @Test
    void noTwoGaugesTeachOneSlope() {
        Steps nh = Steps.of("NH-04");
        Step margin = nh.of(Step.Kind.SET, "P1.loadSense");
        nh.reads(margin, "GP", 52).reads(margin, "GL", 36).turns(margin, 0.25);
        nh.reads(margin, "GP", 72);
        assertThat(nh.state().slope("P1.loadSense").answers())
                .as("one gauge of two")
                .isZero();
        nh.reads(margin, "GL", 54);
        assertThat(nh.state().slope("P1.loadSense").perTurn()).isCloseTo(8 * BAR, within(2 * BAR));
    }

    @Test
    void whatAnEarlierRunLearnedIsKnown() {
        lg.then(new Began(Optional.empty(), List.of(EARLIER)));
        assertThat(lg.state().slope("P1.compensator").perTurn()).isEqualTo(52 * BAR);
        assertThat(ScrewHistory.known(lg.state(), "P1.compensator")).contains(EARLIER);
        assertThat(ScrewHistory.known(lg.state(), "RV1")).isEmpty();
        // Proven from the start: more than a quarter at once.
        lg.reads(set, "G1", 100);
        assertThat(lg.advice(set).orElseThrow().turns()).isBetween(0.5, 1.0);
        assertThat(ScrewHistory.taught(lg.state())).containsExactly(EARLIER);
        lg.turns(set, 0.5).reads(set, "G1", 126).then(new StepDone(set.id()));
        ScrewTaught passedOn = ScrewHistory.taught(lg.state()).get(0);
        assertThat(passedOn.answers()).isEqualTo(5);
        assertThat(passedOn.by()).isEqualTo("A");
        assertThat(passedOn.travel().getAsDouble()).isEqualTo(6.5);
    }

    @Test
    void aReplacedValveForgets() {
        lg.then(new Began(Optional.empty(), List.of(EARLIER)));
        lg.then(new Replaced(set.id(), "P1.compensator"));
        assertThat(lg.state().slope("P1.compensator"))
                .isEqualTo(
                        Slope.ofData(lg.unit.setting("P1.compensator").screw().paPerTurn()));
        assertThat(ScrewHistory.taught(lg.state())).isEmpty();
        assertThat(RunRules.refusal(lg.state(), new Began(Optional.empty(), List.of())))
                .isPresent();
    }

    /** Read 160 before, 158 after: at some 45 bar a turn the nut took 2/45 of a turn out, and is set against. */
    @Test
    void theNutsDragIsLearnedAndSetAgainst() {
        Step lock = lg.of(Step.Kind.LOCK, "P1.compensator");
        lg.reads(set, "G1", 160).then(new StepDone(set.id())).reads(lock, "G1", 154);
        double drag = lg.state().screws().drag("P1.compensator");
        assertThat(drag).isCloseTo(-6 / 45.0, within(0.002));
        // 6 bar to go are two sixteenths; another two against the drag that comes again.
        assertThat(lg.advice(lock).orElseThrow().relock()).isEqualTo(4 / 16.0);
        lg.turns(lock, 4 / 16.0).reads(lock, "G1", 159.5);
        assertThat(lg.state().screws().drag("P1.compensator")).isCloseTo((159.5 - 154) / 45 - 0.25, within(0.002));
    }

    @Test
    void fromEndToEndTheTravelIsCounted() {
        Step out = lg.coded("plan.back-out");
        lg.then(new Turned(out.id(), "P1.compensator", -2, true), new Turned(out.id(), "P1.compensator", 6.25, true));
        assertThat(lg.state().screws().travel("P1.compensator")).isEqualTo(6.25);
        assertThat(ScrewHistory.undo(lg.state(), "P1.compensator")).isEqualTo(-4.25);
    }

    /** One reading far off, read again at once: the right one stands with the turn that was made. */
    @Test
    void aMisreadGaugeIsPutRightByReadingAgain() {
        lg.reads(set, "G1", 120).turns(set, 0.25).reads(set, "G1", 150).reads(set, "G1", 133);
        assertThat(lg.state().slope("P1.compensator").perTurn()).isCloseTo(52 * BAR, within(8 * BAR));
    }

    /** Its drag and its travel go with it; what is turned and read afterwards is the new one's. */
    @Test
    void aReplacedValveForgetsItsNutAndItsTravelToo() {
        lg.then(new Began(Optional.empty(), List.of(EARLIER)));
        assertThat(lg.state().screws().drag("P1.compensator")).isEqualTo(0.02);
        assertThat(lg.state().screws().drag("RV1")).isZero();
        assertThat(lg.state().screws().travel("P1.compensator")).isEqualTo(6.5);
        lg.reads(set, "G1", 120).turns(set, 0.25);
        lg.then(new Replaced(set.id(), "P1.compensator"));
        assertThat(lg.state().screws().drag("P1.compensator")).isZero();
        assertThat(lg.state().screws().travel("P1.compensator"))
                .isEqualTo(lg.unit.setting("P1.compensator").screw().travel());
        lg.reads(set, "G1", 150);
        assertThat(lg.state().slope("P1.compensator").answers())
                .as("a turn of the old one and a reading of the new one")
                .isZero();
    }

    @Test
    void whatOneScrewTaughtIsNothingOfAnother() {
        taught().then(new StepDone(set.id()));
        assertThat(lg.state().slope("RV1").answers()).isZero();
        assertThat(lg.state().slope("RV1"))
                .isEqualTo(Slope.ofData(lg.unit.setting("RV1").screw().paPerTurn()));
    }

    /** Felt half a turn after the other end, it was something else. */
    @Test
    void anEndWhereNoneCanBeIsNoTravel() {
        Step out = lg.coded("plan.back-out");
        lg.then(new Turned(out.id(), "P1.compensator", -2, true), new Turned(out.id(), "P1.compensator", 0.5, true));
        assertThat(lg.state().screws().travel("P1.compensator"))
                .isEqualTo(lg.unit.setting("P1.compensator").screw().travel());
    }
}
