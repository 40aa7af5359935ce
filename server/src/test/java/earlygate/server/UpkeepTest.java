package earlygate.server;

import static earlygate.server.Server.object;
import static org.assertj.core.api.Assertions.assertThat;

import earlygate.server.Server.Answer;
import java.time.LocalDate;
import java.util.List;
import java.util.stream.StreamSupport;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.FieldSource;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** What is due at a machine, by the calendar, the counter, its oil and its filters. */
class UpkeepTest extends OnAServer {
    private static final String FRESH = "/api/units/LG-14/upkeep";
    private static final LocalDate TODAY = Server.TODAY;

    @BeforeAll
    static void aUnitOfItsOwn() {
        assertThat(server.post("/api/units", Server.unit().put("tag", "LG-14")).status())
                .isEqualTo(201);
        assertThat(server.post("/api/units", Server.unit().put("tag", "LG-15")).status())
                .isEqualTo(201);
    }

    private static JsonNode upkeep(String tag) {
        return server.get("/api/units/" + tag + "/upkeep").json();
    }

    private static JsonNode task(JsonNode upkeep, String task) {
        return StreamSupport.stream(upkeep.get("tasks").spliterator(), false)
                .filter(t -> t.get("task").asString().equals(task))
                .findFirst()
                .orElseThrow();
    }

    private static String state(String tag, String task) {
        return task(upkeep(tag), task).get("state").asString();
    }

    private static ObjectNode entry(String kind) {
        return object().put("kind", kind).put("by", "Ada Marsh");
    }

    @ParameterizedTest
    @FieldSource("earlygate.fixture.Units#DEMO")
    void eachDemoUnitIsKept(String tag) {
        JsonNode upkeep = upkeep(tag);
        assertThat(upkeep.get("tasks")).hasSize(9);
        assertThat(upkeep.at("/oil/samples")).isNotEmpty();
        assertThat(upkeep.get("indicators")).isNotEmpty();
        // The most pressing first.
        List<String> states = upkeep.get("tasks").findValuesAsString("state");
        assertThat(states.lastIndexOf("due"))
                .isLessThan(
                        states.stream().filter(s -> s.equals("due")).toList().size());
        // Commissioned more than a year ago.
        assertThat(task(upkeep, "check").get("state").asString()).isEqualTo("due");
        JsonNode listed = StreamSupport.stream(server.get("/api/units").json().spliterator(), false)
                .filter(u -> u.get("tag").asString().equals(tag))
                .findFirst()
                .orElseThrow();
        assertThat(listed.get("due"))
                .hasSize((int) states.stream().filter("due"::equals).count());
    }

    /** By the figures that were written down: 640 ppm, red at 46 C, red at 12 C, 22/20/16 for 20/18/15. */
    @Test
    void whatShowsIt() {
        assertThat(state("NH-04", "oil-change")).isEqualTo("due");
        assertThat(task(upkeep("NH-04"), "filter-change").get("said").asString())
                .contains("red")
                .contains("warm oil");
        assertThat(state("WD-05", "filter-change")).isEqualTo("waits");
        assertThat(task(upkeep("WD-05"), "indicator").get("said").asString())
                .contains("cold oil")
                .contains("40 °C");
        assertThat(server.get("/api/units/WD-05/upkeep?pressure=psi").text())
                .contains("104 °F")
                .doesNotContain("40 °C.");
        JsonNode samples = upkeep("DR-09").at("/oil/samples");
        assertThat(samples.findValuesAsString("verdict")).containsExactly("pass", "fail", "pass");
        assertThat(samples.at("/1/said/0").asString()).contains("2 classes too dirty");
        assertThat(samples.at("/1/classesAbove").asInt()).isEqualTo(2);
        assertThat(state("LG-07", "oil-change")).isEqualTo("waits");
        // By hours, by two readings of the counter.
        assertThat(task(upkeep("BP-11"), "filter-change").get("said").asString())
                .contains("10420 h");
    }

    @Test
    void begunDoneAndTakenBack() {
        assertThat(upkeep("LG-14").get("tasks")).isEmpty();
        assertThat(upkeep("LG-14").get("school").isNull()).isTrue();
        ObjectNode begin = entry("schedule").put("school", "by-hours");
        begin.putObject("days").put("level", 3);
        begin.putObject("everyHours").put("filter-change", 250);
        JsonNode begun = server.postOnce(FRESH, begin, "b").json();
        assertThat(server.postOnce(FRESH, begin, "b").json().get("entries")).hasSize(1);
        assertThat(task(begun, "level").get("on").asString())
                .isEqualTo(TODAY.plusDays(3).toString());
        assertThat(task(begun, "filter-change").get("state").asString()).isEqualTo("unknown");
        server.post(
                FRESH,
                entry("counter")
                        .put("hours", 1000)
                        .put("on", TODAY.minusDays(100).toString()));
        server.post(FRESH, entry("counter").put("hours", 1500));
        // Five a day: 250 of them in 50 days.
        assertThat(task(upkeep("LG-14"), "filter-change").get("on").asString())
                .isEqualTo(TODAY.plusDays(50).toString());
        JsonNode done = server.post(FRESH, entry("done").put("task", "level").put("note", "half a litre"))
                .json();
        assertThat(done.at("/entries/0/said").asString()).isEqualTo("Oil level: done. half a litre");
        assertThat(task(done, "level").get("last").asString()).isEqualTo(TODAY.toString());
        String one = FRESH + "/" + done.at("/entries/0/id").asLong();
        assertThat(task(server.ask("DELETE", one).json(), "level").get("last").isNull())
                .isTrue();
        assertThat(task(server.ask("POST", one + "/bring-back", "{}").json(), "level")
                        .get("last")
                        .isNull())
                .isFalse();
        assertThat(server.ask("DELETE", FRESH + "/999999").status()).isEqualTo(404);
        // Intervals that a new schedule doesn't name stay, those of the other school too.
        server.post(FRESH, entry("schedule").put("school", "by-condition"));
        JsonNode back =
                server.post(FRESH, entry("schedule").put("school", "by-hours")).json();
        assertThat(task(back, "level").get("everyDays").asInt()).isEqualTo(3);
        assertThat(task(back, "filter-change").get("everyHours").asInt()).isEqualTo(250);
        String calendar = server.get("/api/units/LG-14/upkeep.ics").text();
        assertThat(calendar)
                .startsWith("BEGIN:VCALENDAR")
                .contains("SUMMARY:LG-14: Oil level")
                .contains("UID:LG-14-level@early-gate")
                .contains("DTSTART;VALUE=DATE:" + TODAY.plusDays(3).toString().replace("-", ""));
        assertThat(server.get("/api/upkeep.ics").text())
                .contains("LG-14: Oil level")
                .contains("NH-04: Change the oil");
        assertThat(server.get("/api/units/NH-04/upkeep.ics").text())
                .contains("DTSTART;VALUE=DATE:" + TODAY.toString().replace("-", ""));
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "{\"kind\":\"dance\"}|kind|nothing that is written down",
                "{\"kind\":\"done\",\"task\":\"level\"}|by|Give a name",
                "{\"kind\":\"counter\"}|hours|",
                "{\"kind\":\"counter\",\"hours\":-1}|hours|-1",
                "{\"kind\":\"counter\",\"hours\":5,\"on\":\"2099-01-01\"}|on|2099-01-01",
                "{\"kind\":\"done\",\"task\":\"sleep\"}|task|level",
                "{\"kind\":\"sample\"}|cleanliness|says nothing",
                "{\"kind\":\"sample\",\"cleanliness\":\"17/19/14\"}|cleanliness|ISO 4406",
                "{\"kind\":\"sample\",\"waterPpm\":1e9}|waterPpm|100000",
                "{\"kind\":\"indicator\",\"filter\":\" \",\"state\":\"red\",\"oilC\":40}|filter|Which filter",
                "{\"kind\":\"indicator\",\"filter\":\"F\",\"state\":\"pink\",\"oilC\":40}|state|green",
                "{\"kind\":\"indicator\",\"filter\":\"F\",\"state\":\"red\",\"oilC\":400}|oilC|150",
                "{\"kind\":\"schedule\",\"school\":\"by-moon\"}|school|by-condition",
                "{\"kind\":\"schedule\",\"school\":\"by-hours\",\"days\":{\"level\":0}}|days.level|1"
            })
    void whatIsWrongIsNamed(String body, String place, String said) {
        Answer refused = server.post("/api/units/LG-15/upkeep", body);
        assertThat(refused.status()).as(refused.text()).isEqualTo(422);
        assertThat(refused.json().at("/problems/0/path").asString()).isEqualTo(place);
        assertThat(refused.problem()).contains(said == null ? "" : said);
        assertThat(upkeep("LG-15").get("entries")).isEmpty();
    }

    @Test
    void aCounterCountsUp() {
        // On paper LG-07 stood at 3190 h in April 2025, and at 3910 h twelve days ago.
        String path = "/api/units/LG-07/upkeep";
        assertThat(server.post(path, entry("counter").put("hours", 100)).problem())
                .contains("3910 h");
        assertThat(server.post(path, entry("counter").put("hours", 3000).put("on", "2025-04-30"))
                        .problem())
                .contains("3190 h");
        assertThat(server.post(path, entry("counter").put("hours", 9999).put("on", "2024-01-01"))
                        .problem())
                .contains("9999 h");
        assertThat(server.get("/api/units/XX-1/upkeep").status()).isEqualTo(404);
        assertThat(server.post("/api/units/XX-1/upkeep", entry("counter").put("hours", 1))
                        .status())
                .isEqualTo(404);
    }
}
