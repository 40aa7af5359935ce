package earlygate.run;

import static earlygate.fixture.Units.lg07;
import static org.assertj.core.api.Assertions.assertThat;

import earlygate.explain.Reason;
import earlygate.explain.Value.Kind;
import earlygate.fixture.Plans;
import earlygate.plan.Expect;
import earlygate.plan.Goal;
import earlygate.plan.Plan;
import earlygate.plan.Step;
import earlygate.run.RunEvent.Body;
import earlygate.run.RunEvent.Cracked;
import earlygate.run.RunEvent.HoldOpened;
import earlygate.run.RunEvent.Reading;
import earlygate.run.RunEvent.Source;
import earlygate.run.RunEvent.StepDone;
import earlygate.run.RunEvent.Turned;
import earlygate.unit.PowerUnit;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;

/** A run of LG-07 at a machine, walked with good readings up to where a test begins. */
abstract class WalkedRun {
    static final OptionalDouble WARM = OptionalDouble.of(318);
    static final OptionalDouble COLD = OptionalDouble.of(300);

    final PowerUnit unit = lg07();
    final Plan plan = Plans.of(unit);
    final ModelCache answers = new ModelCache(unit);
    final List<RunEvent> log = new ArrayList<>();
    Instant now = Instant.EPOCH;

    RunState state() {
        return RunState.of(unit, plan, log);
    }

    Optional<Reason> offer(Body body) {
        Optional<Reason> refusal = RunRules.refusal(state(), body);
        if (refusal.isEmpty()) {
            log.add(new RunEvent(log.size() + 1, now, "A", body));
        }
        return refusal;
    }

    void accept(Body body) {
        assertThat(offer(body)).as("%s", body).isEmpty();
    }

    String refused(Body body) {
        return offer(body).map(Reason::code).orElse("accepted");
    }

    Step current() {
        return state().current().orElseThrow();
    }

    /** Walks on with good readings until this action is at hand. */
    void walkTo(String action) {
        while (!state().finished()) {
            state().waitingAt().ifPresent(p -> accept(new HoldOpened(p.id().key())));
            if (state().finished() || current().action().code().equals(action)) {
                return;
            }
            pass(current());
        }
    }

    Optional<Coach.Advice> advice(Step step) {
        return Coach.advice(state(), step, answers);
    }

    void pass(Step step) {
        step.goal()
                .filter(g -> g instanceof Goal.Turned)
                .ifPresent(g -> accept(new Turned(
                        step.id(), step.setting().orElseThrow(), ((Goal.Turned) g).turns(), g instanceof Goal.ToEnd)));
        for (Expect e : step.expect()) {
            accept(
                    step.cracks()
                            ? new Cracked(step.id(), 176e5, Source.TYPED, WARM)
                            : read(
                                    step,
                                    e.instrument(),
                                    e.kind() == Kind.PRESSURE && step.judgesSetting()
                                            ? step.measured().orElseThrow().targetPa()
                                            : e.value(),
                                    WARM));
        }
        accept(new StepDone(step.id()));
    }

    static Reading read(Step step, String instrument, double value, OptionalDouble oil) {
        return new Reading(step.id(), instrument, value, Source.TYPED, oil);
    }
}
