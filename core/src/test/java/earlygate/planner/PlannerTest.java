package earlygate.planner;

import static earlygate.fixture.Units.component;
import static earlygate.fixture.Units.lg07;
import static earlygate.fixture.Units.part;
import static earlygate.fixture.Units.target;
import static earlygate.fixture.Units.without;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import earlygate.fixture.Plans;
import earlygate.network.Network;
import earlygate.plan.Expect;
import earlygate.plan.Phase;
import earlygate.plan.Plan;
import earlygate.plan.School;
import earlygate.plan.Step;
import earlygate.solve.Outcome;
import earlygate.solve.Solver;
import earlygate.solve.SteadyState;
import earlygate.unit.PowerUnit;
import java.util.List;
import java.util.Map;
import java.util.function.Consumer;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;
import tools.jackson.databind.node.ObjectNode;

/** What a plan is made of: its order, its steps held against the model, the comparison of the schools. */
class PlannerTest {
    @Test
    void reliefFirstCompensatorLast() {
        Plan plan = plan(lg07());
        assertThat(plan.settingOrder()).containsExactly("RV1", "P1.compensator");
        assertThat(plan.phases()).extracting(Phase::id).containsExactly(Phase.Id.values());
        assertThat(plan.phases()).allSatisfy(p -> {
            assertThat(p.steps()).isNotEmpty();
            assertThat(p.holdPoint()).isNotEmpty();
        });
        assertThat(plan.why().code()).isEqualTo("plan.why.motor-too-small");
        assertThat(plan(lg07(component("M1", "ratedPowerKw", 30))).why().code()).isEqualTo("plan.why.relief-leads");
    }

    /** An independent walk over the plan: at every step the model agrees with what the step says. */
    @Test
    void everyStepHoldsOnTheModel() {
        PowerUnit unit = lg07();
        Network network = new Network(unit);
        for (Step step : plan(unit).steps()) {
            Outcome outcome = new Solver(network).steady(network.conditions(step.situation()));
            SteadyState s = ((Outcome.Converged) outcome).state();
            assertThat(s.pressure("P"))
                    .as(step.id())
                    .isLessThan(unit.weakest("P").pressurePa());
            assertThat(s.driver("M1").load()).as(step.id()).isLessThanOrEqualTo(1.0);
            for (Expect e : step.expect()) {
                if (e.instrument().equals("G1")) {
                    assertThat(s.pressure("P")).as(step.id()).isCloseTo(e.value(), within(10.0));
                    assertThat(e.accepts(e.value())).as(step.id()).isTrue();
                }
            }
            if (step.kind() == Step.Kind.SET) {
                assertThat(step.measured().orElseThrow().targetPa())
                        .isEqualTo(unit.target(step.setting().orElseThrow())
                                .orElseThrow()
                                .pressurePa());
            }
        }
    }

    @Test
    void aTargetChangedChangesThePlan() {
        Plan plan = plan(lg07(target("RV1", 196).andThen(target("P1.compensator", 170))));
        Step up = step(plan, "plan.compensator-up");
        assertThat(up.measured().orElseThrow().targetPa()).isEqualTo(196e5);
        assertThat(up.expect().get(0).value()).isCloseTo(195.7e5, within(0.3e5));
        assertThat(up.unprotected()).isTrue();
        assertThat(step(plan, "plan.bring-down").expect().get(0).value()).isCloseTo(169.8e5, within(0.3e5));
        assertThat(step(plan, "plan.relief-in").goesAllIn()).isTrue();
    }

    @Test
    void comparisonIsComputed() {
        Plan.Comparison cost = plan(lg07()).comparison().get(0);
        assertThat(cost.peakMotorLoad()).isBetween(0.5, 1.0);
        assertThat(cost.unprotected()).isPositive();
        assertThat(cost.tankRise()).isCloseTo(cost.heat() / (870 * 1900 * 0.12), within(0.01));
    }

    static Stream<Arguments> unsound() {
        return Stream.of(
                Arguments.of("no gauge", without("testPoints", "G1"), "gauge-missing"),
                Arguments.of("target beyond the screw", target("RV1", 255), "target-out-of-range"),
                Arguments.of("both limiters the same", target("RV1", 160), "never-has-the-gauge"),
                Arguments.of("overshoot passes the rating", target("RV1", 210), "rating-passed"),
                Arguments.of(
                        "relief out of the compensator's reach",
                        (Consumer<ObjectNode>)
                                u -> ((ObjectNode) part(u, "components", "P1").get("compensator"))
                                        .putArray("rangeBar")
                                        .add(20)
                                        .add(170),
                        "never-has-the-gauge"),
                Arguments.of("motor too small even so", component("M1", "ratedPowerKw", 5), "motor-overload"),
                Arguments.of("no target", (Consumer<ObjectNode>) u -> u.putArray("targets"), "target-missing"));
    }

    /** A deadhead needs no load valve: a capped outlet does. */
    @Test
    void aUnitWithoutALoadValveIsPlannedAllTheSame() {
        Plan plan = plan(lg07(without("components", "TV1")));
        assertThat(plan.refused()).isEmpty();
        assertThat(plan.settingOrder()).containsExactly("RV1", "P1.compensator");
        assertThat(plan.steps()).allMatch(s -> s.situation().gear().isEmpty());
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("unsound")
    void refusesWhatCannotBeDoneSafely(String name, Consumer<ObjectNode> change, String code) {
        Plan plan = plan(lg07(change));
        assertThat(plan.phases()).isEmpty();
        assertThat(plan.refused()).extracting(Plan.Refusal::code).contains(code);
    }

    /** Full flow over the relief is too much for this motor; the other two ways are safe and differ in what they cost. */
    @Test
    void schoolsAreComparedInFigures() {
        PowerUnit unit = lg07();
        Plan relief = Plans.of(unit, School.LEAD_WITH_RELIEF);
        assertThat(relief.refused()).extracting(Plan.Refusal::code).containsExactly("motor-overload");
        Plan side = Plans.of(unit, School.SIDE_BY_SIDE);
        assertThat(side.settingOrder()).containsExactly("RV1", "P1.compensator");
        Map<School, Plan.Comparison> by =
                plan(unit).comparison().stream().collect(Collectors.toMap(Plan.Comparison::school, c -> c));
        assertThat(by).hasSize(3);
        assertThat(by.get(School.LEAD_WITH_RELIEF).refused()).isPresent();
        assertThat(by.get(School.SIDE_BY_SIDE).moves())
                .isGreaterThan(by.get(School.LEAD_WITH_PUMP).moves());
        assertThat(by.get(School.LEAD_WITH_PUMP).unprotected()).isPositive();
        // With a motor that stands it, the relief protects throughout, at the price of heat.
        Plan strong = Planner.plan(lg07(component("M1", "ratedPowerKw", 30)), School.LEAD_WITH_RELIEF);
        assertThat(strong.refused()).isEmpty();
        assertThat(strong.settingOrder()).containsExactly("RV1", "P1.compensator");
        Plan.Comparison led = strong.comparison().stream()
                .filter(c -> c.school() == School.LEAD_WITH_RELIEF)
                .findFirst()
                .orElseThrow();
        assertThat(led.heat()).isGreaterThan(by.get(School.LEAD_WITH_PUMP).heat());
        assertThat(led.unprotected()).isLessThan(by.get(School.LEAD_WITH_PUMP).unprotected());
    }

    private static Plan plan(PowerUnit unit) {
        return Plans.of(unit);
    }

    private static Step step(Plan plan, String action) {
        List<Step> found = plan.steps().stream()
                .filter(s -> s.action().code().equals(action))
                .toList();
        assertThat(found).hasSize(1);
        return found.get(0);
    }
}
