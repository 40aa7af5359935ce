package earlygate.run;

import static earlygate.fixture.Units.demo;
import static earlygate.fixture.Units.lg07;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import earlygate.explain.Value.Amount;
import earlygate.fixture.Plans;
import earlygate.plan.Plan;
import earlygate.plan.School;
import earlygate.plan.Step;
import earlygate.run.RunEvent.Body;
import earlygate.run.RunEvent.Source;
import earlygate.unit.PowerUnit;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.Predicate;

/** One step of a plan under a magnifying glass: what a run says of it after a few events, wherever the run stands. */
final class Steps {
    static final OptionalDouble WARM = OptionalDouble.of(318);

    final PowerUnit unit;
    final Plan plan;
    final ModelCache answers;
    private final boolean rig;
    private final List<RunEvent> log = new ArrayList<>();
    private Instant now = Instant.EPOCH;

    private Steps(PowerUnit unit, Plan plan, boolean rig) {
        this.unit = unit;
        this.plan = plan;
        this.answers = new ModelCache(unit);
        this.rig = rig;
    }

    static Steps lg() {
        PowerUnit unit = lg07();
        return new Steps(unit, Plans.of(unit, School.LEAD_WITH_PUMP), false);
    }

    static Steps of(String tag) {
        return of(demo(tag));
    }

    static Steps of(PowerUnit unit) {
        return new Steps(unit, Plans.of(unit), false);
    }

    static Steps of(PowerUnit unit, Plan plan) {
        return new Steps(unit, plan, false);
    }

    /** The same plan on a machine that reports what is done to it. */
    Steps onRig() {
        return new Steps(unit, plan, true);
    }

    Step first(Predicate<Step> which) {
        return plan.steps().stream().filter(which).findFirst().orElseThrow();
    }

    Step coded(String action) {
        return first(s -> s.action().code().equals(action));
    }

    Step of(Step.Kind kind, String setting) {
        return first(s -> s.kind() == kind && s.setting().equals(Optional.of(setting)));
    }

    Steps then(Body... bodies) {
        for (Body b : bodies) {
            log.add(new RunEvent(log.size() + 1, now, "A", b));
        }
        return this;
    }

    Steps later(double minutes) {
        now = now.plusMillis(Math.round(minutes * 60_000));
        return this;
    }

    Steps reads(Step step, String gauge, double bar) {
        return then(new RunEvent.Reading(step.id(), gauge, bar * 1e5, Source.TYPED, WARM));
    }

    Steps turns(Step step, double turns) {
        return then(new RunEvent.Turned(step.id(), step.setting().orElseThrow(), turns));
    }

    RunState state() {
        return RunState.of(unit, plan, log, rig, answers);
    }

    Optional<Coach.Advice> advice(Step step) {
        return Coach.advice(state(), step, answers);
    }

    StepAssessment judge(Step step) {
        return state().assess(step);
    }

    /** What is advised now has this code, and so many turns. */
    void says(Step step, double turns, String code) {
        Coach.Advice a = advice(step).orElseThrow();
        assertThat(a.reason().code()).isEqualTo(code);
        assertThat(a.turns()).as(code).isCloseTo(turns, within(1e-9));
    }

    static double amount(Coach.Advice a, String value) {
        return ((Amount) a.reason().values().get(value)).si();
    }
}
