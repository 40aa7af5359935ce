package earlygate.run;

import static org.assertj.core.api.Assertions.assertThat;

import earlygate.explain.Reason;
import earlygate.plan.Step;
import earlygate.run.RunEvent.Body;
import earlygate.run.RunEvent.Handled;
import earlygate.run.RunEvent.HoldOpened;
import earlygate.run.RunEvent.Noted;
import earlygate.run.RunEvent.Paused;
import earlygate.run.RunEvent.Reading;
import earlygate.run.RunEvent.Source;
import earlygate.run.RunEvent.StepDone;
import earlygate.run.RunEvent.Stopped;
import earlygate.run.RunEvent.Turned;
import earlygate.run.RunEvent.WentOn;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

/** A run that is left for a while. */
class PauseTest {
    private final Steps lg = Steps.lg();
    private final Step first = lg.plan.steps().get(0);

    private Optional<String> refused(Body body) {
        return RunRules.refusal(lg.state(), body).map(Reason::code);
    }

    private List<Body> entries() {
        return List.of(
                new StepDone(first.id()),
                new HoldOpened("paper"),
                new Reading(first.id(), "G1", 1e5, Source.TYPED, Steps.WARM),
                new Turned(first.id(), "RV1", 0.5),
                new Handled(first.id(), "open", "TV1", "1"),
                new Noted(first.id(), "", "something"),
                new RunEvent.Again(first.id()),
                new Paused("once more"));
    }

    @Test
    void nothingIsEnteredBeforeSomebodyGoesOn() {
        assertThat(refused(new StepDone(first.id()))).isEmpty();
        lg.then(new Paused("lunch, load on its blocks"));
        for (Body b : entries()) {
            assertThat(refused(b)).as("%s", b).contains("run.refused.paused");
        }
        // What a machine reports has happened, whoever is away.
        assertThat(refused(new Stopped(first.id(), "M1", "thermal"))).isEmpty();
        assertThat(refused(new WentOn())).isEmpty();
        assertThat(Pause.of(lg.state())).map(Pause::reason).contains("lunch, load on its blocks");
        lg.then(new WentOn());
        assertThat(Pause.of(lg.state())).isEmpty();
        assertThat(refused(new StepDone(first.id()))).isEmpty();
        assertThat(refused(new WentOn())).contains("run.refused.not-paused");
    }

    /** It costs nothing of what was done: the same step is at hand, the same gates are open. */
    @Test
    void theRunStandsWhereItStood() {
        lg.then(new StepDone(first.id()));
        Optional<Step> before = lg.state().current();
        lg.then(new Paused(""), new WentOn(), new Paused("again"), new WentOn());
        assertThat(lg.state().current()).isEqualTo(before);
        assertThat(lg.state().record(first.id()).isDone()).isTrue();
        assertThat(RunRecord.of(lg.state()).settings()).hasSameSizeAs(lg.unit.settings());
    }

    @Test
    void whatIsAllDoneIsNotPaused() {
        lg.plan.phases().forEach(p -> {
            p.steps().forEach(s -> lg.then(new StepDone(s.id())));
            lg.then(new HoldOpened(p.id().key()));
        });
        assertThat(lg.state().finished()).isTrue();
        assertThat(refused(new Paused(""))).contains("run.refused.finished");
    }
}
