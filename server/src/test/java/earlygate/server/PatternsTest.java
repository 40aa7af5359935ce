package earlygate.server;

import static earlygate.server.Server.object;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import earlygate.server.Server.Answer;
import java.util.HashMap;
import java.util.Map;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** A sheet begun from a pattern, over HTTP: asked in words, answered as paper has it, saved and planned as any other. */
class PatternsTest extends OnAServer {
    private static ObjectNode answers(Map<String, String> typed) {
        ObjectNode request = object().put("tag", "PT-01").put("name", "Weir crane");
        ObjectNode answers = request.putObject("answers");
        typed.forEach(answers::put);
        return request;
    }

    @Test
    void eachIsAskedInWordsAndItsExampleHasAPlan() {
        JsonNode patterns = server.get("/api/patterns").json();
        assertThat(patterns.size()).isGreaterThanOrEqualTo(17);
        for (JsonNode p : patterns) {
            assertThat(p.get("title").asString()).isNotBlank().doesNotContain("{", "pattern.");
            assertThat(p.get("tells").asString()).isNotBlank().doesNotContain("{", "pattern.");
            for (JsonNode q : p.get("questions")) {
                assertThat(q.get("label").asString() + q.get("where").asString() + q.get("groupTitle"))
                        .doesNotContain("{", "pattern.");
                assertThat(q.get("units")).isNotEmpty();
            }
            ObjectNode request = object();
            request.set("unit", p.get("example"));
            JsonNode plan = server.post("/api/calc/plan", request).json();
            assertThat(plan.get("refused")).as(p.get("id").asString()).isEmpty();
            assertThat(plan.get("phases")).isNotEmpty();
        }
    }

    /** 2611 psi are 180 bar, 1.34 in³ are 22 cm³, 15 hp are 11.2 kW. */
    @Test
    void answersStandInTheUnitsOfThePaper() {
        Map<String, String> typed = Map.of(
                "power",
                "15 hp",
                "speed",
                "1460",
                "displacement",
                "1,3425 in3",
                "pump-rating",
                "25 MPa",
                "relief",
                "2611 psi",
                "work-pressure",
                "120",
                "work-flow",
                "7.4 gpm");
        JsonNode drawn = server.post("/api/patterns/fixed-pump", answers(typed)).json();
        JsonNode unit = drawn.get("document");
        assertThat(unit.at("/targets/0/pressureBar").asDouble()).isBetween(179.9, 180.1);
        assertThat(unit.at("/components/0/ratedPowerKw").asDouble()).isBetween(11.18, 11.19);
        assertThat(unit.at("/components/1/displacementCm3").asDouble()).isBetween(21.9, 22.1);
        assertThat(unit.at("/components/1/ratedPressureBar").asDouble()).isEqualTo(250);
        assertThat(unit.get("work").get(0).get("flowLpm").asDouble()).isBetween(28.0, 28.1);
        assertThat(drawn.get("problems")).isEmpty();
        ObjectNode save = object().put("base", 0).put("by", "A. Marsh");
        save.set("document", unit);
        save.set("unconfirmed", drawn.get("unconfirmed"));
        Answer saved = server.post("/api/units/PT-01/revisions", save);
        assertThat(saved.status()).as(saved.text()).isEqualTo(201);
        assertThat(server.get("/api/units/PT-01").json().get("unconfirmed")).isEqualTo(drawn.get("unconfirmed"));
        ObjectNode request = object();
        request.set("unit", unit);
        assertThat(server.post("/api/calc/plan", request).json().get("refused")).isEmpty();
    }

    /** 3000 psi are 206.8 bar, which is a third more than 155; a gauge out of calibration, or one that saw oxygen, is none. */
    @Test
    void theGaugeIsOneOfTheRegisterThatFits() {
        Map<String, String> typed = Map.of(
                "power",
                "11",
                "speed",
                "1460",
                "displacement",
                "22",
                "pump-rating",
                "250",
                "relief",
                "155",
                "work-pressure",
                "120",
                "work-flow",
                "28");
        register("Sill 1, out of date", 3000, "2020-01-31", "oil");
        register("Sill 2, oxygen", 3000, "2099-01-31", "oxygen");
        assertThat(gauge(typed).get("rangeBar").asDouble()).isEqualTo(250);
        assertThat(gauge(typed).get("reads").asString()).isEqualTo("bar");
        register("Sill 3, psi", 3000, "2099-01-31", "oil");
        assertThat(gauge(typed).get("rangeBar").asDouble()).isCloseTo(206.84, within(0.01));
        assertThat(gauge(typed).get("reads").asString()).isEqualTo("psi");
        assertThat(gauge(typed).get("class").asDouble()).isEqualTo(0.5);
        // What the paper says goes before what lies on the shelf.
        Map<String, String> said = new HashMap<>(typed);
        said.put("gauge", "315");
        assertThat(gauge(said).get("rangeBar").asDouble()).isEqualTo(315);
    }

    private static JsonNode gauge(Map<String, String> typed) {
        JsonNode drawn = server.post("/api/patterns/fixed-pump", answers(typed)).json();
        assertThat(drawn.get("problems")).isEmpty();
        return drawn.at("/document/testPoints/0");
    }

    private static void register(String name, double range, String due, String medium) {
        Answer answer = server.post(
                "/api/instruments",
                object().put("name", name)
                        .put("kind", "gauge")
                        .put("unit", "psi")
                        .put("range", range)
                        .put("accuracyClass", 0.5)
                        .put("resolution", 20)
                        .put("calibrationDue", due)
                        .put("medium", medium)
                        .put("retired", false));
        assertThat(answer.status()).as(answer.text()).isIn(200, 201);
    }

    @Test
    void whatIsOpenOrWrongIsSaid() {
        JsonNode open = server.post("/api/patterns/fixed-pump", answers(Map.of("power", "11")))
                .json();
        assertThat(open.get("document").isNull()).isTrue();
        assertThat(open.get("open").toString()).contains("speed", "relief").doesNotContain("power", "tank");
        JsonNode wrong = server.post(
                        "/api/patterns/fixed-pump",
                        answers(Map.of(
                                "power", "-3", "speed", "fast", "relief", "150 bars", "tank", "1000000", "oil", "2")))
                .json();
        assertThat(wrong.at("/wrong/power").asString()).contains("below zero");
        assertThat(wrong.at("/wrong/speed").asString()).contains("\"fast\" is no number");
        assertThat(wrong.at("/wrong/relief").asString())
                .contains("\"bars\" is no unit")
                .contains("bar, psi");
        assertThat(wrong.at("/wrong/tank").asString()).contains("1000000 is too much here: 20000 L at most");
        assertThat(wrong.at("/wrong/oil").asString()).contains("10 cSt at least");
        Answer nobody = server.post("/api/patterns/steam", answers(Map.of()));
        assertThat(nobody.status()).isEqualTo(404);
        assertThat(nobody.problem()).contains("steam");
        assertThat(server.post("/api/patterns/fixed-pump", object()).status()).isEqualTo(200);
    }

    private static ObjectNode redraw(JsonNode unit, Map<String, String> change) {
        ObjectNode request = object();
        request.set("unit", unit);
        request.putArray("unconfirmed").add("components.RV1.overrideBar");
        change.forEach(request.putObject("change")::put);
        return request;
    }

    /** Whatever is pointed out comes back as a whole unit file, or as a reason; nothing is kept by the server. */
    @Test
    void whatIsPointedOutIsDrawn() {
        JsonNode unit = server.get("/api/units/LG-07").json().get("document");
        ObjectNode put = redraw(unit, Map.of("kind", "put", "subject", "P", "type", "reducing-valve"));
        ((ObjectNode) put.get("change")).put("bar", 60);
        JsonNode drawn = server.post("/api/calc/redraw", put).json();
        assertThat(drawn.get("made").asString()).isEqualTo("RD1");
        assertThat(drawn.get("said").asString()).isEqualTo("RD1 is on P now; the line behind it is R.");
        assertThat(drawn.get("unconfirmed").toString())
                .contains("components.RV1.overrideBar", "components.RD1.settingBar", "lines.R.ratingBar");
        Answer out = server.post(
                "/api/calc/redraw", redraw(drawn.get("document"), Map.of("kind", "remove", "subject", "RD1")));
        assertThat(out.json().get("document")).isEqualTo(unit);
        assertThat(out.json().get("gone").toString()).contains("RD1", "R");
        assertThat(server.get("/api/units/LG-07").json().get("document")).isEqualTo(unit);
    }

    @Test
    void whatCantBePointedOutIsSaid() {
        JsonNode unit = server.get("/api/units/LG-07").json().get("document");
        refused(redraw(unit, Map.of("kind", "put", "subject", "P", "type", "relief-valve")), "At what pressure?");
        refused(redraw(unit, Map.of("kind", "paint", "subject", "P")), "\"paint\" is no change of a drawing");
        refused(redraw(unit, Map.of("kind", "rename", "subject", "P1", "to", "RV1")), "RV1 is another thing's name");
        refused(redraw(unit, Map.of()), "is no change of a drawing");
        ObjectNode high = redraw(unit, Map.of("kind", "put", "subject", "P", "type", "relief-valve"));
        ((ObjectNode) high.get("change")).put("bar", -3);
        refused(high, "-3.0 bar can't be: give more than 0 and at most 1000 bar");
        ObjectNode none = object();
        none.set("unit", unit);
        refused(none, "Say what is changed");
        refused(
                redraw(object().put("x", "LG-07").get("x"), Map.of("kind", "remove", "subject", "P1")),
                "Send the unit file");
    }

    private void refused(ObjectNode request, String why) {
        Answer answer = server.post("/api/calc/redraw", request);
        assertThat(answer.status()).as(answer.problem()).isEqualTo(422);
        assertThat(answer.problem()).contains(why);
    }
}
