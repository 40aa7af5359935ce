package earlygate.solve;

import static org.assertj.core.api.Assertions.assertThat;

import earlygate.network.ComponentState.DriverState;
import earlygate.network.ComponentState.PumpState;
import earlygate.network.ComponentState.ValveState;
import earlygate.unit.PowerUnit;
import earlygate.unit.Situation;
import earlygate.unit.file.Problem;
import earlygate.unit.file.SituationFile;
import earlygate.unit.file.UnitFile;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/** Every case of the reference circuits, solved by another program, within the tolerances they state. */
class VectorsTest {
    private static final JsonMapper JSON = new JsonMapper();

    static Stream<Arguments> cases() {
        return Stream.of("ex-01-compensated", "ex-02-high-low").flatMap(VectorsTest::casesOf);
    }

    private static Stream<Arguments> casesOf(String file) {
        JsonNode vectors = JSON.readTree(VectorsTest.class.getResourceAsStream("/vectors/" + file + ".json"));
        PowerUnit unit = ((UnitFile.Reading.Read) UnitFile.read(vectors.get("unit"))).unit();
        List<Arguments> all = new ArrayList<>();
        for (JsonNode c : vectors.get("cases")) {
            all.add(Arguments.of(
                    unit.tag() + ": " + c.get("name").asString(), unit, c.get("situation"), c.get("expect")));
        }
        return all.stream();
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("cases")
    void agrees(String name, PowerUnit unit, JsonNode situation, JsonNode expect) {
        List<Problem> problems = new ArrayList<>();
        Situation read = SituationFile.read(unit, situation, problems);
        assertThat(problems).isEmpty();
        Outcome outcome = Model.of(unit).outcome(read);
        assertThat(outcome).isInstanceOf(Outcome.Converged.class);
        JsonNode answer = answer(unit, ((Outcome.Converged) outcome).state());
        for (String part : List.of("lines", "components", "testPoints", "inControl")) {
            compare(part, "", expect.path(part), answer.path(part));
        }
    }

    /** A solution as the vectors write one. */
    private static JsonNode answer(PowerUnit unit, SteadyState state) {
        ObjectNode answer = JSON.createObjectNode();
        state.pressures().forEach((line, pa) -> {
            answer.withObject("lines").putObject(line).put("pressureBar", pa / 1e5);
            answer.withObject("inControl").put(line, state.limiterOf(line).orElse(null));
        });
        unit.testPoints()
                .forEach(t -> answer.withObject("testPoints")
                        .putObject(t.id())
                        .put(
                                "reads",
                                state.pressure(t.line()) / (t.reads().label().equals("psi") ? 6894.757 : 1e5))
                        .put("unit", t.reads().label()));
        state.components().forEach((id, c) -> {
            ObjectNode figures = answer.withObject("components").putObject(id);
            if (c instanceof PumpState p) {
                figures.put("flowLpm", p.flow() * 60_000)
                        .put("stroke", p.stroke())
                        .put("shaftPowerKw", p.shaftPower() / 1000)
                        .put("inControl", p.inControl().orElse(null));
            } else if (c instanceof DriverState d) {
                figures.put("speedRpm", d.speed() * 60)
                        .put("powerKw", d.power() / 1000)
                        .put("currentA", d.current())
                        .put("load", d.load());
            } else if (c instanceof ValveState v) {
                figures.put("flowLpm", v.flow() * 60_000).put("open", v.open()).put("heatKw", v.heat() / 1000);
            }
        });
        return answer;
    }

    private static void compare(String path, String key, JsonNode expected, JsonNode found) {
        if (expected.isObject()) {
            expected.properties()
                    .forEach(e -> compare(path + "." + e.getKey(), e.getKey(), e.getValue(), found.path(e.getKey())));
        } else if (expected.isNumber()) {
            assertThat(found.isNumber()).as(path).isTrue();
            double e = expected.doubleValue();
            assertThat(Math.abs(found.doubleValue() - e))
                    .as("%s: %s for %s", path, found, e)
                    .isLessThanOrEqualTo(tolerance(key, Math.abs(e)));
        } else {
            assertThat(found).as(path).isEqualTo(expected);
        }
    }

    private static double tolerance(String key, double expected) {
        return switch (key) {
            case "pressureBar", "reads" -> Math.max(0.01 * expected, 0.5);
            case "flowLpm" -> Math.max(0.015 * expected, 0.3);
            case "powerKw", "shaftPowerKw" -> Math.max(0.02 * expected, 0.05);
            case "currentA" -> Math.max(0.02 * expected, 0.1);
            case "load" -> Math.max(0.02 * expected, 0.005);
            case "heatKw" -> Math.max(0.025 * expected, 0.05);
            case "speedRpm" -> 0.005 * expected;
            case "stroke", "open" -> Math.max(0.015 * expected, 0.01);
            default -> throw new IllegalArgumentException("No tolerance is stated for " + key);
        };
    }
}
