package earlygate.solve;

import static org.assertj.core.api.Assertions.assertThat;

import earlygate.circuit.PowerUnit;
import earlygate.circuit.Problem;
import earlygate.circuit.Situation;
import earlygate.circuit.SituationFile;
import earlygate.circuit.UnitFile;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

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
        Outcome outcome = Solver.solve(new Network(unit), read);
        assertThat(outcome).isInstanceOf(Outcome.Converged.class);
        JsonNode answer = JSON.valueToTree(SteadyAnswer.of(unit, ((Outcome.Converged) outcome).state()));
        for (String part : List.of("lines", "components", "testPoints", "inControl")) {
            compare(part, "", expect.path(part), answer.path(part));
        }
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
