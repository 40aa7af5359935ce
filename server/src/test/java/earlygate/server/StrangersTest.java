package earlygate.server;

import static earlygate.server.Server.object;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import earlygate.fixture.Units;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** Units of other structure than the demo's at the door: imported, solved, planned, begun. */
class StrangersTest extends OnAServer {
    /** The plan goes out with its moves, and each situation in it is one that the calculation takes and agrees with. */
    @ParameterizedTest
    @ValueSource(
            strings = {"07-highlow-cylinder", "10-accu-two-reliefs", "16-ls-four-sections", "23-hoist-counterbalance"})
    void eachStepsSituationIsSolvedToWhatItExpects(String name) {
        ObjectNode unit = Units.strangerDocument(name);
        JsonNode plan =
                server.post("/api/calc/plan", object().set("unit", unit)).json();
        assertThat(plan.get("refused")).isEmpty();
        int read = 0;
        for (JsonNode phase : plan.get("phases")) {
            for (JsonNode step : phase.get("steps")) {
                if (!step.get("kind").asString().equals("set")) {
                    continue;
                }
                ObjectNode ask = object().<ObjectNode>set("unit", unit).set("situation", step.get("situation"));
                JsonNode steady = server.post("/api/calc/steady", ask).json();
                for (JsonNode e : step.get("expect")) {
                    JsonNode reads =
                            steady.at("/testPoints/" + e.get("testPoint").asString() + "/reads");
                    if (e.get("take").asString().equals("standing") && reads.isNumber()) {
                        assertThat(reads.asDouble()).isCloseTo(e.get("value").asDouble(), within(0.5));
                        read++;
                    }
                }
                assertThat(step.get("moves")).isNotEmpty();
            }
        }
        assertThat(read).isPositive();
    }

    /** What the practice rig can't do is said before the run begins, not in the middle of it. */
    @Test
    void aPlanWithGearIsWalkedWithTypedReadings() {
        server.post("/api/units", Units.strangerDocument("07-highlow-cylinder"));
        ObjectNode start = object().put("tag", "SQR-SP7").put("technician", "Ann");
        Server.Answer refused = server.post("/api/runs", start.deepCopy().put("practice", true));
        assertThat(refused.status()).isEqualTo(409);
        assertThat(refused.problem()).contains("type the readings");
        assertThat(server.post("/api/runs", start).status()).isEqualTo(201);
    }

    /** Flow and clamp meters read what the model says of their part, fitted ones too. */
    @Test
    void metersAnswerBesideTheGauges() {
        ObjectNode unit = Units.strangerDocument("15-ls-needle");
        unit.withArray("testPoints")
                .add(Server.JSON.readTree("{\"id\":\"FM9\",\"component\":\"TV1\",\"rangeLpm\":120,\"class\":1}"));
        unit.withArray("testPoints")
                .add(Server.JSON.readTree("{\"id\":\"CM9\",\"driver\":\"M1\",\"rangeA\":200,\"class\":1.5}"));
        ObjectNode situation = object();
        situation.putObject("openings").put("TV1", 0.4).put("NV1", 1);
        situation.putObject("gear").putObject("PFM1").put("component", "P1");
        JsonNode a = server.post(
                        "/api/calc/steady",
                        object().<ObjectNode>set("unit", unit).set("situation", situation))
                .json();
        assertThat(a.at("/testPoints/FM9/reads").asDouble())
                .isPositive()
                .isEqualTo(a.at("/components/TV1/flowLpm").asDouble());
        assertThat(a.at("/testPoints/CM9/reads").asDouble())
                .isPositive()
                .isEqualTo(a.at("/components/M1/currentA").asDouble());
        assertThat(a.at("/testPoints/PFM1/reads").asDouble())
                .isEqualTo(a.at("/components/P1/flowLpm").asDouble());
        assertThat(a.at("/testPoints/PFM1/unit").asString()).isEqualTo("L/min");
    }
}
