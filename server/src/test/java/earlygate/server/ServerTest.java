package earlygate.server;

import static earlygate.server.Server.object;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import earlygate.server.Server.Answer;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** Features of the server, over HTTP, on a real H2 file. */
class ServerTest extends OnAServer {
    @Test
    void solvesASituation() {
        ObjectNode situation = object();
        situation.putObject("openings").put("TV1", 1.0);
        ObjectNode body = object().set("unit", Server.unit());
        JsonNode answer = server.post("/api/calc/steady", body.set("situation", situation))
                .json();
        assertThat(answer.at("/lines/P/pressureBar").asDouble()).isCloseTo(19.4, within(0.5));
        assertThat(answer.at("/components/P1/stroke").asDouble()).isEqualTo(1);
        assertThat(answer.get("inControl").has("P")).isTrue();
        assertThat(answer.at("/testPoints/G1/unit").asString()).isEqualTo("bar");
    }

    @Test
    void speaksTheUnitThatIsAskedFor() {
        ObjectNode unit = Server.unit();
        ((ObjectNode) unit.at("/targets/1")).put("pressureBar", 166);
        ObjectNode body = object().set("unit", unit);
        assertThat(server.post("/api/calc/ladder", body).text()).contains("RV1 cracks only 6 bar above");
        assertThat(server.post("/api/calc/ladder?pressure=psi", body).text()).contains("RV1 cracks only 87 psi above");
        assertThat(server.post("/api/calc/plan?pressure=MPa", body).text()).contains("166 bar (16.60 MPa)");
    }

    @Test
    void everySentenceOfAPlanHasItsWords() {
        JsonNode plan = server.post("/api/calc/plan", object().set("unit", Server.unit()))
                .json();
        assertThat(plan.get("phases")).hasSize(9);
        for (JsonNode phase : plan.get("phases")) {
            for (JsonNode step : phase.get("steps")) {
                assertThat(step.get("action").asString()).isNotBlank().doesNotContain("{");
                assertThat(step.get("why").asString()).isNotBlank();
            }
        }
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "{\"unit\": 7}|422|",
                "{\"unit\": {}}|422|format",
                "not json|400|",
                "[]|400|",
                "{\"situation\": {\"oilC\": 999}}|422|situation.oilC",
                "{\"situation\": {\"openings\": {\"TV9\": 1}}}|422|situation.openings.TV9",
                "{\"situation\": {\"openings\": {\"TV1\": \"wide\"}}}|422|situation.openings.TV1",
                "{\"situation\": {\"mood\": 1}}|422|situation.mood",
                "{\"situation\": []}|422|situation"
            })
    void badCalculationsAreNamedProblems(String body, int status, String path) {
        String sent =
                body.startsWith("{\"situation") ? body.replaceFirst("\\{", "{\"unit\": " + Server.unit() + ", ") : body;
        Answer answer = server.post("/api/calc/steady", sent);
        assertThat(answer.status()).isEqualTo(status);
        assertThat(answer.contentType()).startsWith("application/problem+json");
        assertThat(answer.text()).doesNotContain("Exception").doesNotContain("NaN");
        if (path != null) {
            assertThat(answer.json().get("problems").toString()).contains(path);
        }
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "POST|/api/instruments|{\"name\":\"Gauge 9\",\"kind\":\"banjo\"}|422|\"banjo\" is no kind of instrument",
                "POST|/api/units/LG-07/revisions|{}|422|There is no sheet in this",
                "POST|/api/units/LG-07/revisions|{\"document\":7}|422|There is no sheet in this",
                "POST|/api/calc/ladder|{\"unit\":{\"lines\":[]}}|422|has the wrong number of entries",
                "GET|/api/runs||400|\"tag\" is missing from the address",
                "GET|/api/units/XX-99?pressure=furlong||404|There is no unit \"XX-99\"",
                "POST|/api/removed-units/XX-99/bring-back||404|There is no unit \"XX-99\""
            })
    void whatCantBeDoneIsRefusedByName(String method, String path, String body, int status, String why) {
        Answer answer = body == null ? server.ask(method, path) : server.ask(method, path, body);
        assertThat(answer.status()).isEqualTo(status);
        assertThat(answer.json().get("problems").findValuesAsString("message")).anyMatch(m -> m.contains(why));
    }

    @Test
    void sweepsOneThing() {
        ObjectNode vary =
                object().put("path", "openings.TV1").put("from", 0).put("to", 1).put("points", 11);
        ObjectNode body = object().set("unit", Server.unit());
        JsonNode answers =
                server.post("/api/calc/sweep", body.set("vary", vary)).json();
        assertThat(answers).hasSize(11);
        assertThat(answers.at("/0/lines/P/pressureBar").asDouble()).isCloseTo(144.8, within(0.2));
        assertThat(answers.at("/10/lines/P/pressureBar").asDouble()).isCloseTo(19.4, within(0.5));
        vary.put("path", "openings.TV9");
        assertThat(server.post("/api/calc/sweep", body).problem()).contains("openings.TV9");
        vary.put("path", "openings.TV1").put("points", 0);
        assertThat(server.post("/api/calc/sweep", body).status()).isEqualTo(422);
        assertThat(server.post("/api/calc/sweep", object().set("unit", Server.unit()))
                        .status())
                .isEqualTo(422);
    }

    @Test
    void followsAnEventThroughTime() {
        ObjectNode body = object().put("seconds", 1).put("stepMs", 1).set("unit", Server.unit());
        ObjectNode event = object().put("atS", 0.5);
        event.putObject("set").putObject("openings").put("TV1", 1.0);
        body.putArray("events").add(event);
        JsonNode series = server.post("/api/calc/transient", body).json();
        assertThat(series.get("timesS")).hasSize(1001);
        assertThat(series.at("/lines/P/400").asDouble()).isCloseTo(144.8, within(0.2));
        assertThat(series.at("/lines/P/1000").asDouble()).isCloseTo(19.4, within(0.5));
        assertThat(series.at("/components/M1/currentA")).hasSize(1001);
        assertThat(server.post("/api/calc/transient", body.put("stepMs", 1e-6)).status())
                .isEqualTo(422);
    }

    @Test
    void aCircuitWithNowhereToGoIsNamed() {
        ObjectNode unit = Server.unit();
        ((ObjectNode) unit.at("/components/1")).remove("compensator");
        ((tools.jackson.databind.node.ArrayNode) unit.get("components")).remove(2);
        unit.putArray("targets");
        Answer answer = server.post("/api/calc/steady", object().set("unit", unit));
        assertThat(answer.status()).isEqualTo(422);
        assertThat(answer.problem()).contains("line P").contains("nowhere to go");
    }

    @Test
    void importsSavesAndRefusesUnits() {
        ObjectNode unit = Server.unit().put("tag", "LG-08");
        assertThat(server.post("/api/units", unit).status()).isEqualTo(201);
        assertThat(server.post("/api/units", unit).status()).isEqualTo(409);
        ((ObjectNode) unit.at("/targets/0")).put("pressureBar", 150);
        assertThat(server.put("/api/units/LG-08", unit).json().get("revision").asInt())
                .isEqualTo(2);
        assertThat(server.get("/api/units/LG-08")
                        .json()
                        .at("/document/targets/0/pressureBar")
                        .asInt())
                .isEqualTo(150);
        assertThat(server.put("/api/units/LG-99", unit).status()).isEqualTo(422);
        assertThat(server.get("/api/units/XX-1").status()).isEqualTo(404);
        Answer bad = server.post("/api/units", unit.put("tag", "LG-10").put("colour", "red"));
        assertThat(bad.status()).isEqualTo(422);
        assertThat(bad.problem()).contains("Unknown key \"colour\"");
        assertThat(server.get("/api/units").text()).doesNotContain("LG-10");
    }

    @Test
    void aRunNeedsAName() {
        Answer answer = server.post("/api/runs", object().put("tag", "LG-07").put("technician", "  "));
        assertThat(answer.status()).isEqualTo(422);
        assertThat(answer.json().at("/problems/0/path").asString()).isEqualTo("technician");
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "|Type what G1 reads",
                "-4|below zero",
                "9999|250 bar at most",
                "12x|is not a number",
                "1e3|is not a number"
            })
    void badReadingsSayWhatIsWrongAndChangeNothing(String typed, String message) {
        long run = server.startRun(false);
        server.walkTo(run, "Prove zero");
        ObjectNode reading =
                object().put("step", server.step(run)).put("instrument", "G1").put("text", typed == null ? "" : typed);
        Answer answer = server.event(run, "reading", reading);
        assertThat(answer.status()).isEqualTo(422);
        assertThat(answer.json().at("/problems/0/path").asString()).isEqualTo("reading");
        assertThat(answer.problem()).contains(message);
        assertThat(server.run(run).get("readings")).isEmpty();
    }

    @Test
    void aCommaIsADecimalPointAndARepeatedDeliveryIsOneReading() {
        long run = server.startRun(false);
        server.walkTo(run, "Prove zero");
        ObjectNode event = object().put("kind", "reading")
                .put("step", server.step(run))
                .put("instrument", "G1")
                .put("text", "0,7")
                .put("key", "k-1");
        JsonNode first = server.post("/api/runs/" + run + "/events", event).json();
        JsonNode second = server.post("/api/runs/" + run + "/events", event).json();
        assertThat(first.at("/readings/0/value").asDouble()).isEqualTo(0.7);
        assertThat(second.get("seq")).isEqualTo(first.get("seq"));
    }

    @Test
    void theRigIsTurnedReadAndLogged() {
        long run = server.startRun(true);
        server.walkTo(run, "Back P1 compensator out");
        ObjectNode turn = object().put("action", "turn").put("target", "RV1").put("value", -1);
        assertThat(server.post("/api/runs/" + run + "/rig", turn).problem()).contains("jam nut of RV1 is tight");
        server.post(
                "/api/runs/" + run + "/rig",
                object().put("action", "nut").put("target", "RV1").put("value", 0));
        assertThat(server.post("/api/runs/" + run + "/rig", turn)
                        .json()
                        .get("made")
                        .asDouble())
                .isEqualTo(-1);
        assertThat(server.run(run).at("/log/0/text").asString()).isEqualTo("Turned RV1 1 turn out");
        assertThat(server.post("/api/runs/" + run + "/rig", object().put("action", "kick"))
                        .status())
                .isEqualTo(422);
        ObjectNode reading = object().put("step", server.step(run)).put("instrument", "G1");
        assertThat(server.event(run, "live-reading", reading).problem()).contains("not settled");
        server.machine(run, 9);
        assertThat(server.event(run, "live-reading", reading).status()).isEqualTo(200);
        assertThat(server.startRun(false))
                .satisfies(at -> assertThat(
                                server.post("/api/runs/" + at + "/rig", turn).status())
                        .isEqualTo(409));
    }

    /** The contract that the front end is built against is the one the server keeps. */
    @Test
    void contractIsTheCommittedOne() throws IOException {
        Path committed = Path.of("../api/openapi.json");
        String served = Server.JSON
                .writerWithDefaultPrettyPrinter()
                .writeValueAsString(server.get("/api/openapi").json());
        if (Boolean.getBoolean("api.write")) {
            Files.writeString(committed, served + "\n");
        }
        assertThat(Server.JSON.readTree(Files.readString(committed)))
                .as("api/openapi.json is out of date: run the server's tests with -Dapi.write=true")
                .isEqualTo(Server.JSON.readTree(served));
    }

    @Test
    void screensAreOnePageAndUnknownCallsAreNot() {
        assertThat(server.get("/unit/LG-07/sheet").text()).contains("<div id=\"app\">");
        assertThat(server.get("/api/nothing").status()).isEqualTo(404);
        assertThat(server.get("/nothing.js").status()).isEqualTo(404);
    }

    /** A line held at 50 bar until 1.5 s, then let go with its load open and the drive off: it falls to nothing. */
    @Test
    void anEventOfATransientReleasesAndShutsAgain() {
        ObjectNode body = Server.JSON.readTree("""
                        {"seconds":3,"stepMs":1,
                         "situation":{"drivers":{"M1":{"running":false}},"openings":{"TV1":1}},
                         "events":[{"atS":0.5,"set":{"pressures":{"P":50}}},{"atS":1.5,"set":{"pressures":{}}}]}""").deepCopy().asObject().set("unit", Server.unit());
        JsonNode series = server.post("/api/calc/transient", body).json();
        assertThat(at(series, 0.4)).isCloseTo(0, within(0.5));
        assertThat(at(series, 1.2)).isCloseTo(50, within(0.01));
        assertThat(at(series, 2.9)).isCloseTo(0, within(0.5));
    }

    private static double at(JsonNode series, double timeS) {
        for (int i = 0; i < series.get("timesS").size(); i++) {
            if (series.get("timesS").get(i).asDouble() >= timeS) {
                return series.get("lines").get("P").get(i).asDouble();
            }
        }
        throw new AssertionError("No sample at " + timeS);
    }
}
