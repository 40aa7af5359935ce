package earlygate.server;

import static earlygate.server.Server.object;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import earlygate.fixture.Units;
import earlygate.server.Server.Answer;
import java.util.stream.StreamSupport;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** Judgement at the door of a run: a crack with where the relief stands, what screws taught, who has the gauge now. */
class JudgedRunsTest extends OnAServer {
    private static JsonNode screw(JsonNode view, String setting) {
        return StreamSupport.stream(view.get("screws").spliterator(), false)
                .filter(s -> s.get("setting").asString().equals(setting))
                .findFirst()
                .orElseThrow();
    }

    /** What screws teach is known to every later run of their unit. */
    @BeforeAll
    static void aUnitOfItsOwn() {
        assertThat(server.post("/api/units", Server.unit().put("tag", "LG-61")).status())
                .isEqualTo(201);
    }

    private static ObjectNode start(String tag) {
        return object().put("tag", tag).put("technician", "A. Marsh");
    }

    @Test
    void howRoughAMachineIsIsSaidAndUnknownOnesRefused() {
        Answer refused =
                server.post("/api/runs", start("LG-07").put("practice", true).put("rig", "smooth"));
        assertThat(refused.status()).isEqualTo(422);
        assertThat(refused.problem()).contains("smooth").contains("workshop");
        Answer rough =
                server.post("/api/runs", start("LG-07").put("practice", true).put("rig", "rough"));
        assertThat(rough.json().at("/log/0/text").asString()).contains("worn knobs");
        Answer typed = server.post("/api/runs", start("WD-05").put("practice", false));
        assertThat(typed.json().get("log")).isEmpty();
    }

    private void at(AtTheMachine typed, String kind, ObjectNode more) {
        Answer answer = server.event(
                typed.run, kind, more.put("step", typed.view.at("/step/id").asString()));
        assertThat(answer.status()).as(answer.text()).isEqualTo(200);
        typed.view = answer.json();
    }

    /** No live gauge: the ear marks it against what was read, what is read on finds it too, and both are kept. */
    @Test
    void atTheMachineACrackIsMarkedAndFoundByWhatIsTyped() {
        AtTheMachine typed =
                new AtTheMachine(server, start("LG-61").put("school", "lead-with-pump"), Units.demo("LG-07"), 5);
        typed.walkTo("Back RV1 out until it just cracks");
        assertThat(typed.view.path("crackRead").isNull()).isTrue();
        ObjectNode step = object().put("step", typed.view.at("/step/id").asString());
        Answer nothing = server.event(typed.run, "tap-crack", step);
        assertThat(nothing.status()).isEqualTo(409);
        assertThat(nothing.problem()).contains("Nothing has been read here yet");
        at(typed, "reading", object().put("instrument", "G1").put("text", "176,2"));
        at(typed, "turned", object().put("setting", "RV1").put("turns", -0.0625));
        at(typed, "reading", object().put("instrument", "G1").put("text", "176,0"));
        assertThat(server.event(typed.run, "take-crack", step).problem()).contains("No fall has been seen yet");
        at(typed, "turned", object().put("setting", "RV1").put("turns", -0.0625));
        at(typed, "reading", object().put("instrument", "G1").put("text", "173"));
        assertThat(typed.view.at("/crackRead/found").asBoolean())
                .as("it may be a slip")
                .isFalse();
        assertThat(typed.view.at("/advice/text").asString()).contains("read it again");
        at(typed, "tap-crack", object());
        assertThat(typed.view.at("/crack/tappedBar").asDouble()).isCloseTo(176.1, within(0.2));
        at(typed, "reading", object().put("instrument", "G1").put("text", "172,9"));
        at(typed, "take-crack", object());
        JsonNode crack = typed.view.get("crack");
        assertThat(crack.get("tappedBar").asDouble()).isCloseTo(176.1, within(0.2));
        assertThat(crack.get("foundBar").asDouble()).isCloseTo(176.1, within(0.2));
        assertThat(crack.get("standsBar").asDouble()).isBetween(168.0, 172.9);
    }

    @Test
    void whatScrewsTaughtIsKnownToTheNextRunUntilTheValveIsReplaced() {
        Server server = Finished.SERVER;
        JsonNode next =
                server.post("/api/runs", start("LG-07").put("practice", false)).json();
        // A unit that has run is read before a screw is touched.
        assertThat(server.get("/api/units/LG-07/plan.json").text()).contains("Touch no screw. Read G1");
        JsonNode screw = screw(next, "P1.compensator");
        assertThat(screw.get("learned").asBoolean()).isTrue();
        assertThat(screw.get("knownFrom").asString()).startsWith("learned").endsWith("by A. Marsh");
        assertThat(screw.get("barPerTurnError").asDouble()).isLessThan(15);
        assertThat(next.at("/log/0/text").asString())
                .contains("earlier runs learned")
                .contains("P1 compensator");
        ObjectNode replaced =
                object().put("step", next.at("/step/id").asString()).put("setting", "P1.compensator");
        JsonNode forgot =
                server.event(next.get("id").asLong(), "replaced", replaced).json();
        assertThat(screw(forgot, "P1.compensator").get("learned").asBoolean()).isFalse();
        assertThat(screw(forgot, "P1.compensator").get("knownFrom").asString()).isEmpty();
        Answer nobody = server.event(
                next.get("id").asLong(),
                "replaced",
                object().put("step", next.at("/step/id").asString()).put("setting", "XX9"));
        assertThat(nobody.status()).isEqualTo(409);
        // Another spring on the sheet is another screw.
        ObjectNode other = Server.unit();
        other.get("components").forEach(c -> {
            if (c.get("id").asString().equals("P1")) {
                ((ObjectNode) c.get("compensator")).put("barPerTurn", 30);
            }
        });
        assertThat(server.put("/api/units/LG-07", other).status()).isEqualTo(200);
        JsonNode third =
                server.post("/api/runs", start("LG-07").put("practice", false)).json();
        assertThat(screw(third, "P1.compensator").get("knownFrom").asString()).isEmpty();
    }

    /** 120 bar where 160 are wanted: named is who could hold it there, and what tells one from the other. */
    @Test
    void aReadingThatDoesNotComeNamesItsHolderAndWhatToLookAt() {
        AtTheMachine typed = new AtTheMachine(server, start("LG-61"), Units.demo("LG-07"), 3);
        typed.walkTo("Bring P1 compensator");
        String step = typed.view.at("/step/id").asString();
        ObjectNode reading = object().put("step", step)
                .put("instrument", "G1")
                .put("text", "120")
                .put("still", true);
        JsonNode view = server.event(typed.run, "reading", reading).json();
        assertThat(view.at("/log/0/text").asString()).contains("stood still");
        assertThat(view.at("/holder/setting").asString()).isEqualTo("P1.compensator");
        assertThat(view.at("/holder/text").asString()).contains("120 bar");
        assertThat(view.at("/holder/look/0").asString()).contains("M1").contains("RV1");
        ObjectNode good = object().put("step", step).put("instrument", "G1").put("text", "160");
        view = server.event(typed.run, "reading", good).json();
        assertThat(view.get("holder").isNull()).as("it came").isTrue();
        assertThat(view.at("/log/0/text").asString()).contains("nobody said");
    }
}
