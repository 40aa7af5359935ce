package earlygate.run;

import static earlygate.fixture.Units.lg07;
import static earlygate.fixture.Units.part;
import static earlygate.run.Steps.WARM;
import static org.assertj.core.api.Assertions.assertThat;

import earlygate.judge.Watch.Moment;
import earlygate.judge.Watch.Wanted;
import earlygate.plan.Expect;
import earlygate.plan.Phase;
import earlygate.plan.Step;
import earlygate.run.RunEvent.Again;
import earlygate.run.RunEvent.Began;
import earlygate.run.RunEvent.Cracked;
import earlygate.run.RunEvent.HoldOpened;
import earlygate.run.RunEvent.Source;
import earlygate.run.RunEvent.StepDone;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

/** What each kind of step makes the watch look for, and what a run brings along. */
class WatchRequestTest {
    /** A run that has come to a step, with every gate before it open. */
    private static Steps upTo(Steps steps, Step step) {
        for (Phase p : steps.plan.phases()) {
            for (Step s : p.steps()) {
                if (s.id().equals(step.id())) {
                    return steps;
                }
                steps.then(new StepDone(s.id()));
            }
            steps.then(new HoldOpened(p.id().key()));
        }
        throw new AssertionError("No step " + step.id());
    }

    @Test
    void aReliefThatIsBackedOutIsWatchedForItsCrackUntilOneIsFound() {
        Steps lg = Steps.lg();
        Step crack = lg.coded("plan.relief-crack");
        upTo(lg, crack);
        Wanted first = WatchRequest.at(lg.state());
        assertThat(first.atHand().orElseThrow().setting()).isEqualTo("RV1");
        assertThat(first.atHand().orElseThrow().gauge()).isEqualTo("G1");
        assertThat(first.atHand().orElseThrow().situation()).isEqualTo(crack.situation());
        lg.then(new Cracked(crack.id(), 176e5, Source.TAPPED, WARM));
        assertThat(WatchRequest.at(lg.state()).cracks())
                .as("a hand's mark is still to be found")
                .isTrue();
        lg.then(new Cracked(crack.id(), 176e5, Source.LIVE, WARM));
        assertThat(WatchRequest.at(lg.state()).cracks()).isFalse();
        lg.then(new Again(crack.id()));
        Wanted again = WatchRequest.at(lg.state());
        assertThat(again.cracks()).isTrue();
        assertThat(again.what()).as("another look, from the start").isNotEqualTo(first.what());
    }

    @Test
    void aLockedReliefAndAnyOtherStepHaveNoCrackToFind() {
        Steps lg = Steps.lg();
        Step set = lg.of(Step.Kind.SET, "P1.compensator");
        Wanted standing = WatchRequest.at(upTo(lg, set).state());
        assertThat(standing.cracks()).isFalse();
        assertThat(standing.moments()).containsEntry("G1", Moment.STANDING);
        assertThat(standing.afterS()).isZero();
        // Soft beyond its crack, it is locked where the pump brings it up to it: no fall tells that.
        Steps soft = Steps.of(lg07(u -> part(u, "components", "RV1").put("overrideBar", 10)));
        Step locked = soft.first(x -> x.cracks() && x.kind() == Step.Kind.LOCK);
        assertThat(WatchRequest.at(upTo(soft, locked).state()).cracks()).isFalse();
    }

    @Test
    void aPeakAValleyAndWhatIsLeftAfterAWhileAreLookedForWhereThePlanAsks() {
        Steps fb = Steps.of("FB-02");
        Step peak = fb.first(s -> s.expect().stream().anyMatch(e -> e.take() == Expect.Take.PEAK));
        assertThat(WatchRequest.at(upTo(fb, peak).state()).moments()).containsValue(Moment.PEAK);
        Steps later = Steps.of("PL-01");
        Step hold = later.first(s -> s.expect().stream().anyMatch(e -> e.take() == Expect.Take.AFTER));
        Wanted after = WatchRequest.at(upTo(later, hold).state());
        assertThat(after.moments()).containsValue(Moment.AFTER);
        assertThat(after.afterS())
                .isEqualTo(
                        hold.expect().stream().mapToDouble(Expect::afterS).max().orElseThrow())
                .isPositive();
    }

    @Test
    void nothingIsLookedForAtAShutGateOrWhenAllIsDone() {
        Steps lg = Steps.lg();
        Phase first = lg.plan.phases().get(0);
        first.steps().forEach(s -> lg.then(new StepDone(s.id())));
        assertThat(WatchRequest.at(lg.state())).isEqualTo(Wanted.NOTHING);
        lg.then(new HoldOpened(first.id().key()));
        assertThat(WatchRequest.at(lg.state()).what())
                .startsWith(lg.plan.phases().get(1).steps().get(0).id());
        lg.plan.steps().forEach(s -> lg.then(new StepDone(s.id())));
        lg.plan.phases().forEach(p -> lg.then(new HoldOpened(p.id().key())));
        assertThat(WatchRequest.at(lg.state())).isEqualTo(Wanted.NOTHING);
    }

    /** Logs of earlier versions say nothing of their machine. */
    @Test
    void howRoughItsMachineIsComesWithTheRun() {
        Steps lg = Steps.lg();
        assertThat(ScrewHistory.rig(lg.state())).isEmpty();
        lg.then(new StepDone(lg.plan.steps().get(0).id()));
        assertThat(ScrewHistory.rig(lg.state())).isEmpty();
        assertThat(ScrewHistory.rig(Steps.lg()
                        .then(new Began(Optional.of("rough"), List.of()))
                        .state()))
                .contains("rough");
    }
}
