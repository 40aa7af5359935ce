package earlygate.server;

import static earlygate.server.Server.object;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import earlygate.server.Server.Answer;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** The calculators over HTTP: their formulas, the units that are typed and those that are chosen. */
class ReckonerTest extends OnAServer {
    @Test
    void everyCalculatorShowsItsFormulaWithTheNumbersIn() {
        JsonNode all = server.get("/api/reckon").json();
        assertThat(all).hasSizeGreaterThan(12);
        for (JsonNode c : all) {
            JsonNode answer = server.post("/api/reckon/" + c.get("key").asString(), object())
                    .json();
            assertThat(answer.get("formula").asString())
                    .as(c.toString())
                    .containsPattern("\\d")
                    .doesNotContain("{");
            assertThat(answer.get("results")).isNotEmpty();
        }
        Answer wrong = server.post("/api/reckon/motor-pressure", object().put("displacement", 0));
        assertThat(wrong.problem()).contains("Displacement: 0 cm3 is out of range");
        assertThat(server.post("/api/reckon/nonsense", object()).status()).isEqualTo(404);
    }

    /** Figures by hand: 2900 psi are 199.95 bar, on 1005.3 cm2/20 of an 80 mm bore; 50 kN are 11240 lbf. */
    @Test
    void aCalculatorTakesAnyUnitAndAnswersInTheChosenOnes() {
        JsonNode typed = server.post(
                        "/api/reckon/cylinder-force",
                        object().put("pressure", "2900 psi").put("bore", "8 cm"))
                .json();
        assertThat(result(typed, "pushing").get("unit").asString()).isEqualTo("N");
        assertThat(result(typed, "pushing").get("value").asDouble()).isCloseTo(100_505, within(60.0));
        JsonNode psi = server.post(
                        "/api/reckon/cylinder-pressure?pressure=psi",
                        object().put("force", "50 kN").put("bore", 80))
                .json();
        assertThat(psi.get("formula").asString()).contains("11240 lbf").contains("1443 psi");
        assertThat(result(psi, "pushing").get("value").asDouble()).isCloseTo(1442.7, within(0.5));
        assertThat(result(psi, "pushing").get("fileValue").asDouble()).isCloseTo(99.47, within(0.02));
        JsonNode cold = server.post("/api/reckon/viscosity?pressure=psi", object().put("temperature", "-4"))
                .json();
        assertThat(cold.get("formula").asString()).as("-4 F are -20 C").contains("-4 °F");
        assertThat(server.post("/api/reckon/psi?pressure=MPa", object().put("psi", 1450))
                        .json()
                        .toString())
                .as("what only converts keeps its units")
                .contains("\"unit\":\"bar\"");
        Answer wrong = server.post(
                "/api/reckon/cylinder-force", object().put("pressure", "100 hp").put("bore", "1OO"));
        assertThat(wrong.status()).isEqualTo(422);
        assertThat(wrong.json().toString())
                .contains("\\\"hp\\\" is no unit for this")
                .contains("\\\"1OO\\\" is not a number");
        assertThat(server.post("/api/reckon/cylinder-force?pressure=psi", object().put("pressure", 99999))
                        .problem())
                .contains("99999 psi is out of range; 0 to 14504 psi");
    }

    private static JsonNode result(JsonNode answer, String key) {
        for (JsonNode r : answer.get("results")) {
            if (r.get("key").asString().equals(key)) {
                return r;
            }
        }
        throw new AssertionError("No " + key + " in " + answer);
    }
}
