package earlygate.run;

import static earlygate.fixture.Units.stranger;
import static org.assertj.core.api.Assertions.assertThat;

import earlygate.explain.Reason;
import earlygate.plan.Step;
import earlygate.plan.Step.Demand;
import earlygate.run.RunEvent.Handled;
import org.junit.jupiter.api.Test;

/** Between two readings of a return the line is let go, by what the circuit has for it. */
class LetGoTest {
    @Test
    void aLoadHasMovedWhenItWasOpenedAndShutAgain() {
        Steps lg = Steps.lg().onRig();
        Step moved = lg.first(s -> s.demands(Demand.LOAD_MOVED));
        assertThat(lg.judge(moved).missing()).extracting(Reason::code).containsExactly("run.need.load-moved");
        lg.then(new Handled(moved.id(), "open", "TV1", "0.0"));
        assertThat(lg.judge(moved).missing()).as("only shut").hasSize(1);
        lg.then(new Handled(moved.id(), "open", "TV1", "0.4"));
        assertThat(lg.judge(moved).missing()).as("still open").hasSize(1);
        lg.then(new Handled(moved.id(), "open", "TV1", "0.0"));
        assertThat(lg.judge(moved).missing()).isEmpty();
        lg.then(new RunEvent.Again(moved.id()));
        assertThat(lg.judge(moved).missing()).as("begun again").hasSize(1);
        assertThat(Steps.lg().judge(moved).missing())
                .as("at a machine the hand says so itself")
                .isEmpty();
    }

    /** A gauge on a ball valve alone has no load: its drive lets it go. */
    @Test
    void withoutALoadTheDriveIsStoppedAndStarted() {
        Steps ball = Steps.of(stranger("01-ball-valve-deadhead")).onRig();
        Step moved = ball.first(s -> s.demands(Demand.LOAD_MOVED));
        assertThat(ball.judge(moved).missing())
                .containsExactly(Reason.of("run.need.drive-moved").name("motor", "M1"));
        ball.then(new Handled(moved.id(), "stop", "M1", ""));
        assertThat(ball.judge(moved).missing()).as("it stands").hasSize(1);
        ball.then(new Handled(moved.id(), "start", "M1", ""));
        assertThat(ball.judge(moved).missing()).isEmpty();
    }
}
