package earlygate.planner;

import static earlygate.fixture.Units.document;
import static earlygate.fixture.Units.part;
import static earlygate.fixture.Units.read;
import static org.assertj.core.api.Assertions.assertThat;

import earlygate.fixture.Plans;
import earlygate.network.Network;
import earlygate.plan.Plan;
import earlygate.plan.Step;
import earlygate.solve.Outcome;
import earlygate.solve.Solver;
import earlygate.solve.SteadyState;
import earlygate.unit.PowerUnit;
import earlygate.unit.Situation;
import java.util.HashMap;
import java.util.Map;
import java.util.Random;
import java.util.stream.LongStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import tools.jackson.databind.node.ObjectNode;

/** Random units of the family: what is planned passes a checker that knows only the model, not the planner. */
class PlanProofTest {
    private static final Map<Long, PowerUnit> RANDOM = new HashMap<>();

    static LongStream seeds() {
        return LongStream.range(1, 41);
    }

    private static PowerUnit random(long seed) {
        return RANDOM.computeIfAbsent(seed, PlanProofTest::drawn);
    }

    private static PowerUnit drawn(long seed) {
        Random r = new Random(seed);
        ObjectNode u = document("LG-07");
        double compensator = 60 + 120 * r.nextDouble();
        part(u, "targets", "P1.compensator").put("pressureBar", compensator);
        part(u, "targets", "RV1").put("pressureBar", compensator + 2 + 40 * r.nextDouble());
        part(u, "components", "P1").put("displacementCm3", 15 + 60 * r.nextDouble());
        part(u, "components", "M1").put("ratedPowerKw", 8 + 30 * r.nextDouble());
        part(u, "components", "RV1").put("overrideBar", 3 + 12 * r.nextDouble());
        part(u, "lines", "P").put("ratingBar", 180 + 140 * r.nextDouble());
        part(u, "testPoints", "G1").put("rangeBar", r.nextBoolean() ? 250 : 400);
        return read(u);
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void aPlanIsSafeOrRefusedWithAReason(long seed) {
        PowerUnit unit = random(seed);
        Plan plan = Plans.of(unit);
        if (plan.phases().isEmpty()) {
            assertThat(plan.refused()).isNotEmpty();
            return;
        }
        Network network = new Network(unit);
        Map<String, Double> reached = new HashMap<>();
        for (Step step : plan.steps()) {
            check(unit, network, step.situation(), step.id());
            if (step.kind() == Step.Kind.SET) {
                String setting = step.setting().orElseThrow();
                reached.put(setting, step.situation().settings().get(setting));
                overshoot(unit, network, step, setting);
            }
        }
        unit.targets().forEach(t -> assertThat(reached).containsEntry(t.setting(), t.pressurePa()));
        hasTheGaugeInTheEnd(unit, network, reached);
    }

    private static void check(PowerUnit unit, Network network, Situation s, String step) {
        SteadyState state = ((Outcome.Converged) new Solver(network).steady(network.conditions(s))).state();
        assertThat(state.pressure("P"))
                .as(step)
                .isLessThanOrEqualTo(unit.weakest("P").pressurePa());
        assertThat(state.driver("M1").load()).as(step).isLessThanOrEqualTo(1.0);
    }

    private static void overshoot(PowerUnit unit, Network network, Step step, String setting) {
        double past = unit.setting(setting)
                .screw()
                .clamp(1.25 * step.situation().settings().get(setting));
        SteadyState state = ((Outcome.Converged) new Solver(network)
                        .steady(network.conditions(step.situation().withSetting(setting, past))))
                .state();
        assertThat(state.pressure("P"))
                .as("%s past its target", setting)
                .isLessThanOrEqualTo(unit.weakest("P").pressurePa());
    }

    /** With everything set, the compensator has the line and the relief stands above, shut. */
    private static void hasTheGaugeInTheEnd(PowerUnit unit, Network network, Map<String, Double> reached) {
        Situation s = Situation.AS_THE_FILE;
        for (var e : reached.entrySet()) {
            s = s.withSetting(e.getKey(), e.getValue());
        }
        SteadyState state = ((Outcome.Converged) new Solver(network).steady(network.conditions(s))).state();
        assertThat(state.limiterOf("P")).contains("P1.compensator");
        assertThat(state.valve("RV1").flow()).isZero();
    }

    @Test
    void theFamilyHoldsBothPlansAndRefusals() {
        long planned = seeds().filter(seed -> Plans.of(random(seed)).refused().isEmpty())
                .count();
        assertThat(planned).isBetween(5L, 35L);
    }
}
