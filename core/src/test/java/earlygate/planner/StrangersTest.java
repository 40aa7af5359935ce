package earlygate.planner;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import earlygate.fixture.Plans;
import earlygate.fixture.Units;
import earlygate.plan.Expect;
import earlygate.plan.Plan;
import earlygate.plan.School;
import earlygate.plan.Step;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import tools.jackson.databind.JsonNode;

/** Units of other structure than the demo's, as real schematics give them: each has a plan, in an order that is allowed. */
class StrangersTest {
    private static final JsonNode ORDERS = Units.strangerDocument("orders");

    static Stream<String> units() {
        return ORDERS.propertyStream().map(e -> e.getKey());
    }

    @ParameterizedTest
    @MethodSource("units")
    void isPlannedInAnAllowedOrder(String name) {
        Plan plan = Plans.of(Units.stranger(name));
        assertThat(plan.refused()).isEmpty();
        List<String> order = plan.settingOrder();
        boolean allowed = ORDERS.get(name).valueStream().anyMatch(o -> follows(order, o));
        assertThat(allowed).as("%s in %s", order, ORDERS.get(name)).isTrue();
    }

    /** Another school may ask too much of the motor, or not be there for this pump; for no other reason is it refused. */
    @ParameterizedTest
    @MethodSource("units")
    void isPlannedInEverySchoolThatItsMotorStands(String name) {
        for (School school : School.values()) {
            Plan plan = Plans.of(Units.stranger(name), school);
            if (plan.refused().isEmpty()) {
                List<String> order = plan.settingOrder();
                assertThat(ORDERS.get(name).valueStream().anyMatch(o -> follows(order, o)))
                        .as("%s %s", school, order)
                        .isTrue();
            } else {
                assertThat(plan.refused())
                        .extracting(Plan.Refusal::code)
                        .as("%s", school)
                        .containsAnyOf("motor-overload", "school-not-for-this-unit");
            }
        }
    }

    /**
     * Nobody knows the end of a screw better than to some 15 %: with its accumulator shut off, a charging valve that stands
     * there may send the pump home before a relief that stands as high, and the line saws for ever.
     */
    @Test
    void aReliefIsNotBroughtDownFromWhereAChargingValveMayUnload() {
        Plan plan = Plans.of(Units.stranger("10-accu-two-reliefs"));
        Step set = plan.steps().stream()
                .filter(s -> s.kind() == Step.Kind.SET && s.setting().equals(Optional.of("RV1")))
                .findFirst()
                .orElseThrow();
        Step start = plan.steps().get(plan.steps().indexOf(set) - 1);
        for (Step s : List.of(start, set)) {
            assertThat(s.situation().openings().get("IV1")).as("shut off").isZero();
            assertThat(s.situation().settings().get("RV1") * 1.15)
                    .as("%s", s.action())
                    .isLessThan(s.situation().settings().get("UV1"));
        }
        assertThat(set.action().code()).as("from below").isEqualTo("plan.set");
    }

    /**
     * 40 kW into 160 L of oil, 0.87 kg/L and 1.9 kJ/kgK: 18 K in two minutes of each load. From 55 °C, where a run had it, a
     * tank's switch at 70 would have stopped the engine in the middle of the second one.
     */
    @Test
    void oilIsCoolBeforeEachHotLoad() {
        List<Step> steps = Plans.of(Units.stranger("20-twin-limited")).steps();
        List<Step> hot = steps.stream()
                .filter(s -> s.curve().isPresent() || s.action().code().startsWith("plan.working-point"))
                .toList();
        assertThat(hot).hasSize(4).allSatisfy(load -> {
            Step oil = steps.subList(0, steps.indexOf(load)).stream()
                    .filter(s ->
                            s.expect().stream().anyMatch(e -> e.instrument().equals(Expect.OIL)))
                    .reduce((first, last) -> last)
                    .orElseThrow();
            assertThat(steps.indexOf(load) - steps.indexOf(oil)).isLessThanOrEqualTo(2);
            assertThat(oil.expect().get(0).high() - 273.15).isCloseTo(50, within(0.1));
            assertThat(oil.why().amounts().get("rise").si()).isCloseTo(18, within(2.5));
        });
    }

    /** An allowed order is a subsequence of what the plan sets. */
    private static boolean follows(List<String> order, JsonNode allowed) {
        List<String> left = new ArrayList<>();
        allowed.forEach(s -> left.add(s.asString()));
        for (String s : order) {
            if (!left.isEmpty() && left.get(0).equals(s)) {
                left.remove(0);
            }
        }
        return left.isEmpty();
    }
}
