package earlygate.planner;

import static earlygate.fixture.Units.component;
import static earlygate.fixture.Units.document;
import static earlygate.fixture.Units.part;
import static earlygate.fixture.Units.read;
import static earlygate.fixture.Units.target;
import static earlygate.fixture.Units.unit;
import static earlygate.fixture.Units.without;
import static earlygate.quantity.Si.BAR;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import earlygate.fixture.Effort;
import earlygate.fixture.Plans;
import earlygate.fixture.Units;
import earlygate.network.Network;
import earlygate.plan.Goal;
import earlygate.plan.Plan;
import earlygate.plan.School;
import earlygate.plan.SectionOrder;
import earlygate.plan.Step;
import earlygate.solve.Outcome;
import earlygate.solve.Solver;
import earlygate.solve.SteadyState;
import earlygate.unit.Driver;
import earlygate.unit.PowerUnit;
import earlygate.unit.ReliefValve;
import earlygate.unit.Setting;
import earlygate.unit.Situation;
import earlygate.unit.Target;
import earlygate.unit.TestPoint;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.function.Consumer;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * Plans of every family of unit, with their facts shaken at random, replayed by a checker that knows the model and
 * nothing of the planner: what comes out is safe at every step, or is refused with a reason.
 */
class PlanReplayTest {
    private static final Map<String, PowerUnit> SHAKEN = new HashMap<>();

    static Stream<Arguments> shaken() {
        return Units.DEMO.stream()
                .flatMap(tag ->
                        IntStream.range(0, Effort.of("shakes", 5, 20)).mapToObj(seed -> Arguments.of(tag, seed)));
    }

    /** Targets, sizes, ratings and overrides, each by up to a fifth; seed 0 leaves the unit as it is. */
    private static PowerUnit shake(String tag, int seed) {
        return SHAKEN.computeIfAbsent(tag + " " + seed, key -> shaken(tag, seed));
    }

    private static PowerUnit shaken(String tag, int seed) {
        ObjectNode u = document(tag);
        Random r = new Random(31L * seed + tag.hashCode());
        if (seed > 0) {
            for (JsonNode t : u.get("targets")) {
                scale((ObjectNode) t, "pressureBar", r, 0.1);
            }
            for (JsonNode c : u.get("components")) {
                scale((ObjectNode) c, "displacementCm3", r, 0.2);
                scale((ObjectNode) c, "overrideBar", r, 0.2);
                scale((ObjectNode) c, "ratedPowerKw", r, 0.2);
            }
            for (JsonNode l : u.get("lines")) {
                scale((ObjectNode) l, "ratingBar", r, 0.15);
            }
        }
        return read(u);
    }

    private static void scale(ObjectNode node, String key, Random r, double by) {
        if (node.has(key)) {
            double value = node.get(key).doubleValue() * (1 - by + 2 * by * r.nextDouble());
            node.put(key, Math.round(value * 10) / 10.0);
        }
    }

    @ParameterizedTest(name = "{0} {1}")
    @MethodSource("shaken")
    void everySchoolIsSafeOrRefused(String tag, int seed) {
        PowerUnit unit = shake(tag, seed);
        for (School school : School.values()) {
            Plan plan = Plans.of(unit, school);
            if (plan.phases().isEmpty()) {
                assertThat(plan.refused()).as("%s %s", tag, school).isNotEmpty();
            } else {
                new Replay(unit, plan).run();
            }
        }
    }

    /** Shaken or not, most of these units can be planned; a planner that refuses everything is no planner. */
    @Test
    void mostOfThemArePlanned() {
        long planned = shaken().map(a -> shake((String) a.get()[0], (int) a.get()[1]))
                .filter(u -> Plans.of(u).refused().isEmpty())
                .count();
        assertThat(planned).isGreaterThan(shaken().count() / 2);
    }

    private record Replay(PowerUnit unit, Plan plan) {
        void run() {
            Network network = new Network(unit);
            Map<String, Double> reached = new LinkedHashMap<>();
            Set<String> locked = new LinkedHashSet<>();
            Situation before = Situation.AS_THE_FILE;
            for (Step step : plan.steps()) {
                SteadyState state = safe(network, step, step.situation());
                motors(step, state);
                // A setting that is locked is never touched again.
                Situation previous = before;
                for (String done : locked) {
                    assertThat(step.situation().settings().get(done))
                            .as("%s after its lock, %s", done, step.id())
                            .isEqualTo(previous.settings().get(done));
                }
                if (step.kind() == Step.Kind.SET) {
                    set(network, step, state);
                    reached.put(
                            step.setting().orElseThrow(),
                            step.situation().settings().get(step.setting().get()));
                }
                if (step.kind() == Step.Kind.LOCK) {
                    locked.add(step.setting().orElseThrow());
                }
                before = step.situation();
            }
            assertThat(locked).containsExactlyInAnyOrderElementsOf(reached.keySet());
            unit.targets().forEach(t -> assertThat(reached).as(t.setting()).containsKey(t.setting()));
            unit.targets().forEach(t -> asDrawn(t, reached.get(t.setting())));
        }

        private void asDrawn(Target t, double setting) {
            if (t.defined() == Target.Defined.CRACKING || !(unit.partOf(t.setting()) instanceof ReliefValve)) {
                assertThat(setting).as(t.setting()).isCloseTo(t.pressurePa(), within(1.0));
            } else {
                assertThat(setting).as(t.setting()).isLessThanOrEqualTo(t.pressurePa());
            }
        }

        private SteadyState safe(Network network, Step step, Situation s) {
            Outcome outcome = new Solver(network).steady(network.conditions(s));
            assertThat(outcome).as(step.id()).isInstanceOf(Outcome.Converged.class);
            SteadyState state = ((Outcome.Converged) outcome).state();
            state.pressures()
                    .forEach((line, pa) -> assertThat(pa)
                            .as("%s %s on %s", step.id(), step.action().code(), line)
                            .isLessThanOrEqualTo(unit.weakest(line).pressurePa() + 1));
            return state;
        }

        private void motors(Step step, SteadyState state) {
            for (Driver d : unit.all(Driver.class)) {
                assertThat(state.driver(d.id()).load())
                        .as("%s %s", step.id(), d.id())
                        .isLessThanOrEqualTo(d.serviceFactor() + 1e-9);
            }
        }

        private void set(Network network, Step step, SteadyState state) {
            String setting = step.setting().orElseThrow();
            Goal.Measured goal = step.measured().orElseThrow();
            Setting s = unit.setting(setting);
            double at = step.situation().settings().get(setting);
            safe(network, step, step.situation().withSetting(setting, s.screw().clamp(1.25 * at)));
            TestPoint gauge = unit.testPoints().stream()
                    .filter(t -> t.id().equals(goal.testPoint()))
                    .findFirst()
                    .orElseThrow();
            if (goal instanceof Goal.Crack) {
                // The pump holds the line at the relief's target; a little further out and the relief would have it.
                SteadyState out = safe(network, step, step.situation().withSetting(setting, at - 6 * BAR));
                assertThat(out.valve(setting).flow()).as(step.id()).isPositive();
                assertThat(out.pressure(gauge.line())).isLessThan(state.pressure(gauge.line()) - 0.5 * BAR);
                return;
            }
            assertThat(state.limiterOf(gauge.line()))
                    .as("%s has the gauge", step.id())
                    .contains(setting);
            SteadyState higher = safe(network, step, step.situation().withSetting(setting, at + gauge.errorPa()));
            assertThat(higher.limiterOf(gauge.line()))
                    .as("%s by more than %s can tell", step.id(), gauge.id())
                    .contains(setting);
            double other = goal.minus()
                    .map(m -> state.pressure(unit.testPoint(m).line()))
                    .orElse(0.0);
            assertThat(state.pressure(gauge.line()) - other)
                    .as(step.id())
                    .isCloseTo(goal.targetPa(), within(goal.tolerancePa()));
        }
    }

    static Stream<Arguments> unsound() {
        return Stream.of(
                Arguments.of("branch without a gauge", "WD-05", without("testPoints", "G2"), "gauge-missing"),
                Arguments.of(
                        "branch above its supply",
                        "WD-05",
                        target("RD1", 109).andThen(target("P1.compensator", 90)),
                        "never-has-the-gauge"),
                Arguments.of("cross-port above the main", "SW-03", target("RX", 152), "never-has-the-gauge"),
                Arguments.of("port relief out of reach", "NH-04", target("S1.reliefB", 212), "never-has-the-gauge"),
                Arguments.of("cut-out above the relief", "FB-02", target("UV1", 170), "motor-overload"),
                Arguments.of("margin beyond the screw", "NH-04", target("P1.loadSense", 40), "target-out-of-range"),
                Arguments.of(
                        "motor too small for the transfer",
                        "BP-11",
                        component("M1", "ratedPowerKw", 9),
                        "motor-overload"),
                Arguments.of(
                        "weak accumulator line",
                        "FB-02",
                        (Consumer<ObjectNode>) u -> part(u, "lines", "P").put("ratingBar", 170),
                        "rating-passed"));
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("unsound")
    void unsoundUnitsAreRefusedForTheRightReason(String name, String tag, Consumer<ObjectNode> change, String code) {
        Plan plan = Plans.of(unit(tag, change));
        assertThat(plan.phases()).isEmpty();
        assertThat(plan.refused()).extracting(Plan.Refusal::code).contains(code);
    }

    /** Change the circuit and the order follows: with the branch valve on a line of its own nothing waits for it. */
    @Test
    void orderFollowsTargetsAndCircuit() {
        Plan swapped =
                Planner.plan(unit("NH-04", target("S1.reliefA", 172).andThen(target("S1.reliefB", 150))), School.AUTO);
        assertThat(swapped.settingOrder()).containsSubsequence("S1.reliefA", "S1.reliefB", "S2.reliefA");
        Plan branches = Planner.plan(
                unit("NH-04", component("RV1", "settingBar", 240)),
                School.LEAD_WITH_RELIEF,
                SectionOrder.BRANCHES_FIRST);
        if (branches.refused().isEmpty()) {
            assertThat(branches.settingOrder()).containsSubsequence("S1.reliefB", "RV1");
        } else {
            assertThat(branches.refused()).extracting(Plan.Refusal::code).contains("never-has-the-gauge");
        }
    }
}
