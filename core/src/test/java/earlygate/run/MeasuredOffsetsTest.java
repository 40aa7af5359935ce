package earlygate.run;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import earlygate.explain.Reason;
import earlygate.judge.Verdict.Grade;
import earlygate.plan.Expect;
import earlygate.plan.Procedure;
import earlygate.plan.Step;
import earlygate.plan.Step.Kind;
import earlygate.run.RunEvent.Again;
import earlygate.run.RunEvent.Cracked;
import earlygate.run.RunEvent.Reopened;
import earlygate.run.RunEvent.Source;
import earlygate.run.RunEvent.StepDone;
import java.util.List;
import org.junit.jupiter.api.Test;

/** What was measured goes into what is expected after it; by the sums a technician does on a rag. */
class MeasuredOffsetsTest {
    private static final double BAR = 1e5;

    private final Steps nh = Steps.of("NH-04");
    private final Step standby = nh.coded("plan.standby");
    private final Step atThePump = nh.of(Kind.SET, "S1.reliefB");
    private final Step atThePort = nh.of(Kind.SET, "S1.reliefA");

    private static Expect on(RunState run, Step step, String gauge) {
        return run.step(step.id()).orElseThrow().expect().stream()
                .filter(e -> e.instrument().equals(gauge))
                .findFirst()
                .orElseThrow();
    }

    private double target(RunState run, Step step) {
        return run.step(step.id()).orElseThrow().measured().orElseThrow().targetPa();
    }

    /** A section's relief reads its target plus the standby at the pump, and its target alone at the port. */
    @Test
    void theStandbyThatWasMeasuredIsAddedAtThePump() {
        double planned = target(nh.state(), atThePump);
        nh.reads(standby, "GP", 22).then(new StepDone(standby.id()));
        RunState run = nh.state();
        assertThat(target(run, atThePump) - planned).isCloseTo(2 * BAR, within(0.1 * BAR));
        Expect shows = on(run, atThePump, "GP");
        assertThat(shows.high() - shows.low())
                .as("the drawing's tolerance, no wider")
                .isEqualTo(10 * BAR);
        assertThat(run.step(atThePump.id())
                        .orElseThrow()
                        .action()
                        .amounts()
                        .get("target")
                        .si())
                .as("what the sentence says")
                .isEqualTo(target(run, atThePump));
        assertThat(run.step(atThePort.id()).orElseThrow()).isEqualTo(atThePort);
        assertThat(run.carried(atThePump.id())).extracting(Reason::code).containsExactly("run.carried");
        assertThat(run.carried(atThePort.id())).isEmpty();
    }

    /** A load that a hand opens until a gauge shows so much tells how far it was opened, not where the margin stands. */
    @Test
    void aLoadInAHandTellsNothingOfAScrew() {
        Step underSpeed = nh.coded("plan.speed");
        Step after = nh.state().plan().steps().stream()
                .filter(s -> s.procedure()
                        .filter(p -> p.kind() == Procedure.Kind.STANDBY)
                        .isPresent())
                .reduce((first, last) -> last)
                .orElseThrow();
        nh.reads(underSpeed, "GP", underSpeed.expect().get(0).value() / BAR + 5).then(new StepDone(underSpeed.id()));
        assertThat(nh.state().carried(after.id())).isEmpty();
        assertThat(on(nh.state(), after, "GP")).isEqualTo(on(Steps.of("NH-04").state(), after, "GP"));
    }

    /** 4.5 bar above the plan's figure fails but for the 2 bar that the standby stands higher. */
    @Test
    void theVerdictFollows() {
        double reads = target(nh.state(), atThePump) / BAR + 5.5;
        nh.reads(atThePump, "GP", reads);
        assertThat(nh.judge(atThePump).judged().get(0).grade()).isNotEqualTo(Grade.PASS);
        Steps higher = Steps.of("NH-04");
        higher.reads(standby, "GP", 22).then(new StepDone(standby.id())).reads(atThePump, "GP", reads);
        Step now = higher.state().step(atThePump.id()).orElseThrow();
        assertThat(higher.state().assess(now).judged().get(0).grade()).isEqualTo(Grade.PASS);
    }

    /** A step that is open, or was opened again, has told nothing. */
    @Test
    void onlyWhatIsDoneTells() {
        nh.reads(standby, "GP", 22);
        assertThat(nh.state().step(atThePump.id())).contains(atThePump);
        nh.then(new StepDone(standby.id()), new Reopened(standby.id()));
        assertThat(nh.state().step(atThePump.id())).contains(atThePump);
        nh.reads(standby, "GP", 20).then(new StepDone(standby.id()));
        assertThat(nh.state().step(atThePump.id()).orElseThrow().expect()).isEqualTo(atThePump.expect());
    }

    /** A cut-off left 3 bar high is found 3 bar high wherever it is looked at; its own verdict stays the drawing's. */
    @Test
    void whatIsReadAgainIsExpectedWhereItStands() {
        Step cutOff = nh.of(Kind.SET, "P1.compensator");
        Step again = nh.coded("plan.cut-off-again");
        nh.reads(cutOff, "GP", 212.4).then(new StepDone(cutOff.id()));
        RunState run = nh.state();
        assertThat(on(run, again, "GP").value() - on(nh.plan, again)).isCloseTo(3 * BAR, within(0.1 * BAR));
        Step lock = nh.of(Kind.LOCK, "P1.compensator");
        assertThat(run.step(lock.id())).contains(lock);
        assertThat(run.carried(again.id()).get(0).amounts().get("stands").si()).isCloseTo(213 * BAR, within(0.2 * BAR));
    }

    private static double on(earlygate.plan.Plan plan, Step step) {
        return plan.step(step.id()).expect().get(0).value();
    }

    /** The relief cracked at 178 in place of 176: raised past it, the pump's gauge comes to stand 2 bar higher. */
    @Test
    void theCrackThatWasFoundIsWhereTheReliefTakesTheGauge() {
        Steps lg = Steps.lg();
        Step crack = lg.of(Kind.SET, "RV1");
        Step proof = lg.coded("plan.prove-relief");
        lg.then(new Cracked(crack.id(), 178 * BAR, Source.LIVE, Steps.WARM), new StepDone(crack.id()));
        RunState run = lg.state();
        // The pump is all but at its end there: some of the 2 bar are taken by its own band.
        assertThat(on(run, proof, "G1").value() - on(lg.plan, proof)).isBetween(0.5 * BAR, 2 * BAR);
        Step lock = lg.of(Kind.LOCK, "RV1");
        assertThat(run.step(lock.id())).as("judged against the drawing").contains(lock);
        lg.then(new Again(crack.id()), new Reopened(crack.id()));
        assertThat(lg.state().step(proof.id())).contains(proof);
    }

    /** The same log gives the same expectations, folded in one go or step by step. */
    @Test
    void foldedInOneGoOrStepByStep() {
        nh.reads(standby, "GP", 21.3).then(new StepDone(standby.id()));
        RunState first = nh.state();
        assertThat(nh.state().plan()).isEqualTo(first.plan());
        assertThat(RunState.of(nh.unit, nh.plan, first.events()).plan()).isEqualTo(first.plan());
        assertThat(List.copyOf(first.plan().phases())).hasSameSizeAs(nh.plan.phases());
    }
}
