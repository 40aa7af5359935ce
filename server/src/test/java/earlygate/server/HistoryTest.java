package earlygate.server;

import static earlygate.server.Server.object;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import earlygate.server.Server.Answer;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.List;
import java.util.stream.StreamSupport;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.FieldSource;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** A machine over the years: what was typed in from paper, what comes in as a file, and what was run here. */
class HistoryTest {
    private static final Server server = Finished.SERVER;

    private static final String LG = "/api/units/LG-07";
    private static final JsonNode record = Finished.RECORD;
    private static final String proof = Finished.PROOF;

    @BeforeAll
    static void aUnitOfItsOwn() {
        assertThat(server.post("/api/units", Server.unit().put("tag", "LG-12")).status())
                .isEqualTo(201);
    }

    private static JsonNode setting(JsonNode history, String id) {
        return only(history.get("settings"), "setting", id);
    }

    private static JsonNode only(JsonNode list, String key, String value) {
        return StreamSupport.stream(list.spliterator(), false)
                .filter(s -> s.get(key).asString().equals(value))
                .findFirst()
                .orElseThrow();
    }

    private static ObjectNode paper(String tag, String on, String setting, double left) {
        ObjectNode record = object().put("format", "early-gate/older-record/1").put("tag", tag);
        record.put("on", on).put("by", "Ada Marsh").put("source", "field-sheet");
        record.putArray("settings").addObject().put("setting", setting).put("asLeftBar", left);
        return record;
    }

    private static Answer add(Server to, String tag, ObjectNode record) {
        return to.post(
                "/api/units/" + tag + "/older-records",
                object().put("typedBy", "Bea").set("record", record));
    }

    private static Answer read(Server by, String tag, String file) {
        return by.post("/api/units/" + tag + "/older-records/read", object().put("file", file));
    }

    @ParameterizedTest
    @FieldSource("earlygate.fixture.Units#DEMO")
    void eachDemoUnitHasADriftAWornPumpAndADeliberateLowerSetting(String tag) {
        JsonNode history = server.get("/api/units/" + tag + "/history").json();
        assertThat(history.get("commissionings").findValuesAsString("source").stream()
                        .filter("field-sheet"::equals))
                .hasSize(3);
        assertThat(history.get("settings").findValuesAsString("drift")).containsAnyOf("creeps", "moved");
        boolean lower = false;
        for (JsonNode s : history.get("settings").findValues("stood")) {
            for (JsonNode at : s) {
                lower |= at.get("reason").isString()
                        && at.get("leftBar").asDouble()
                                < at.get("targetBar").asDouble()
                                        - at.get("toleranceBar").asDouble();
            }
        }
        assertThat(lower).isTrue();
        boolean worn = false;
        for (JsonNode p : history.get("pumps")) {
            for (JsonNode m : p.get("measured")) {
                worn |= m.get("volumetricEfficiency").asDouble()
                        < p.get("wornBelow").asDouble();
            }
        }
        assertThat(worn).isTrue();
    }

    /** Three bar lost in 385 days, three more in 357, by gauges of 1.5 bar. */
    @Test
    void aCreepByTheFiguresOfThePaper(@TempDir Path fresh) {
        try (Server other = new Server(fresh)) {
            JsonNode relief = setting(other.get(LG + "/history").json(), "RV1");
            assertThat(relief.get("drift").asString()).isEqualTo("creeps");
            assertThat(relief.get("perYearBar").asDouble()).isCloseTo(-2.95, within(0.02));
            assertThat(relief.get("plusMinusBar").asDouble()).isCloseTo(2.09, within(0.02));
            // Left at 176.5, out at 172.
            assertThat(LocalDate.parse(relief.get("leaves").asString()))
                    .isBetween(LocalDate.parse("2026-11-01"), LocalDate.parse("2026-11-15"));
            assertThat(setting(other.get(LG + "/history?pressure=psi").json(), "RV1")
                            .get("said")
                            .asString())
                    .contains("43 psi down a year")
                    .doesNotContain("bar");
            proofOfAnotherFolder(other);
        }
    }

    /** Done here, exported, and put in where nobody knows the run. */
    private static void proofOfAnotherFolder(Server other) {
        JsonNode taken = read(other, "LG-07", proof).json().get("record");
        assertThat(taken.get("source").asString()).isEqualTo("proved-record");
        assertThat(taken.get("by").asString()).isEqualTo("A. Marsh");
        // Made better on the way: what counts is the proof.
        ObjectNode better = (ObjectNode) taken.deepCopy();
        ((ObjectNode) better.at("/settings/0")).put("asLeftBar", 160);
        better.put("remark", "From the other workshop");
        ObjectNode body = object().put("typedBy", "Bea").put("file", proof).set("record", better);
        Answer kept = other.post(LG + "/older-records", body);
        assertThat(kept.status()).as(kept.text()).isEqualTo(201);
        JsonNode stood = setting(kept.json(), "RV1").get("stood");
        JsonNode last = stood.get(stood.size() - 1);
        JsonNode truth = only(record.get("settings"), "setting", "RV1");
        assertThat(last.get("leftBar").asDouble())
                .isEqualTo(truth.get("asLeftBar").asDouble());
        assertThat(kept.json().at("/commissionings/3/remark").asString()).isEqualTo("From the other workshop");
        assertThat(kept.json().at("/commissionings/3/source").asString()).isEqualTo("proved-record");
        assertThat(kept.json().at("/pumps/0/measured/3/volumetricEfficiency").asDouble())
                .isCloseTo(0.94, within(0.03));
        // Without its proof it is a record like any other, and may not be called proved.
        Answer claimed = other.post(LG + "/older-records", body.put("file", (String) null));
        assertThat(claimed.problem()).contains("exported proof");
        assertThat(read(
                                other,
                                "LG-07",
                                server.get("/api/runs/" + Finished.RUN + "/record.json")
                                        .text())
                        .json()
                        .at("/record/source")
                        .asString())
                .isEqualTo("record");
    }

    @Test
    void aRunHereStandsBesideThePaper() {
        JsonNode history = server.get(LG + "/history").json();
        JsonNode last =
                history.at("/commissionings/" + (history.get("commissionings").size() - 1));
        assertThat(last.get("source").asString()).isEqualTo("run");
        for (JsonNode s : record.get("settings")) {
            JsonNode stood = setting(history, s.get("setting").asString()).get("stood");
            JsonNode now = stood.get(stood.size() - 1);
            assertThat(now.get("leftBar").asDouble())
                    .isEqualTo(s.get("asLeftBar").asDouble());
            boolean known =
                    List.of("read", "by-turns").contains(s.get("asFoundHow").asString());
            assertThat(now.get("foundBar").isNumber()).isEqualTo(known);
        }
        // A flow meter of class 1 may be wrong by one percent of at least all that the pump gives.
        JsonNode measured = history.at("/pumps/0/measured");
        JsonNode eta = record.at("/curves/0/fit/parameters/volumetricEfficiency");
        double bounds = (eta.get("high").asDouble() - eta.get("low").asDouble()) / 2;
        assertThat(measured.get(measured.size() - 1).get("plusMinus").asDouble())
                .isGreaterThan(bounds + 0.0099);
        assertThat(read(server, "LG-07", proof).problem()).contains("stands here anyway");
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "asLeftBar\":1|asLeftBar\":2|FB-02|record.settings|changed after it was written",
                "early-gate/proof/1|early-gate/proof/7|LG-07|format|later version",
                "early-gate/proof/1|early-gate/record/7|LG-07|format|later version",
                "early-gate/proof/1|early-gate/unit/1|LG-07|file|no record that can be read",
                "nothing there|nothing there|FB-02|tag|This is a record of LG-07; here is FB-02"
            })
    void aFileThatIsNotWhatItShouldBe(String of, String to, String tag, String place, String said) {
        Answer refused = read(server, tag, proof.replaceFirst(of, to));
        assertThat(refused.status()).isEqualTo(422);
        assertThat(refused.problem()).contains(said);
        String where = refused.json().at("/problems/0/path").asString() + refused.problem();
        assertThat(where).contains(place);
    }

    @Test
    void aTableOfASpreadsheet() {
        String csv =
                "Setting;As-Found;As left;Unit;Reason\r\nRV1;2500;2552,5;psi;\r\n\r\nP1.compensator;;150;bar;seal weeps\r\n";
        JsonNode rows = read(server, "LG-07", csv).json().at("/record/settings");
        assertThat(rows.at("/0/asFoundBar").asDouble()).isCloseTo(172.4, within(0.05));
        assertThat(rows.at("/0/asLeftBar").asDouble()).isCloseTo(176.0, within(0.05));
        assertThat(rows.at("/1/reason").asString()).isEqualTo("seal weeps");
        // What is in no column that is known is not lost without a word.
        assertThat(read(server, "LG-07", "setting,left,unit\nRV1,170,bar\n")
                        .json()
                        .get("ignored")
                        .toString())
                .isEqualTo("[\"left\"]");
        JsonNode problems = read(server, "LG-07", "setting,as left,unit\nRV1,abc,bar\nRV1,170,kPa\n")
                .json()
                .get("problems");
        assertThat(problems.findValuesAsString("path")).containsExactly("line 2, as left", "line 3");
        assertThat(read(server, "LG-07", "setting,as left\nRV1,170").problem()).contains("unit");
        assertThat(read(server, "LG-07", "setting,unit\n").problem()).contains("no row");
        assertThat(read(server, "LG-07", "").problem()).contains("empty");
        assertThat(read(server, "LG-07", "{not json").problem()).contains("no record that can be read");
    }

    /** As it leaves in a table: the apostrophe keeps a spreadsheet from running it. */
    @Test
    void aReasonThatBeginsLikeAFormulaComesInAsItWasWritten() {
        JsonNode rows = read(server, "LG-07", "setting,as left,unit,reason\nRV1,170,bar,' =1+1 is two\n")
                .json()
                .at("/record/settings");
        assertThat(rows.at("/0/reason").asString()).isEqualTo("=1+1 is two");
    }

    /** The table that a record gives is the table that is taken: no figure is lost on the way, and none comes to it. */
    @Test
    void theTableOfARecordComesInAgain() {
        Answer csv = server.get("/api/runs/" + record.get("run").asLong() + "/record.csv");
        assertThat(csv.contentType()).startsWith("text/csv");
        JsonNode rows = read(server, "LG-07", csv.text()).json().at("/record/settings");
        assertThat(rows).hasSize(record.get("settings").size());
        for (JsonNode row : rows) {
            JsonNode s =
                    only(record.get("settings"), "setting", row.get("setting").asString());
            assertThat(row.get("asLeftBar").asDouble())
                    .isEqualTo(s.get("asLeftBar").asDouble());
            assertThat(row.get("targetBar").asDouble())
                    .isEqualTo(s.get("targetBar").asDouble());
            boolean known =
                    List.of("read", "by-turns").contains(s.get("asFoundHow").asString());
            assertThat(row.has("asFoundBar")).isEqualTo(known);
        }
    }

    @ParameterizedTest
    @CsvSource({
        "on, 2099-01-01, on, no day",
        "on, 31.5.2024, on, no day",
        "by, '', by, ''",
        "tag, FB-02, tag, record of FB-02",
        "colour, red, colour, Unknown key",
        "format, early-gate/older-record/2, format, older-record/1"
    })
    void whatIsTypedWrongIsNamed(String key, String value, String place, String said) {
        Answer refused =
                add(server, "LG-07", paper("LG-07", "2019-05-01", "RV1", 176).put(key, value));
        assertThat(refused.status()).isEqualTo(422);
        assertThat(refused.json().at("/problems/0/path").asString()).isEqualTo(place);
        assertThat(refused.problem()).contains(said);
    }

    @Test
    void rowsThatSayNothingOrTwice() {
        assertThat(server.post(LG + "/older-records", object().set("record", paper("LG-07", "2019-05-01", "RV1", 176)))
                        .problem())
                .contains("Give a name");
        ObjectNode record = paper("LG-07", "2019-05-01", "RV9", 176);
        record.withArray("settings").addObject().put("setting", "RV1");
        record.withArray("settings").addObject().put("setting", "RV1").put("asLeftBar", 1e9);
        assertThat(add(server, "LG-07", record).problem()).contains("1000");
        ((ObjectNode) record.at("/settings/2")).put("asLeftBar", 100);
        JsonNode problems = add(server, "LG-07", record).json().get("problems");
        assertThat(problems.findValuesAsString("path"))
                .containsExactly("settings[0].setting", "settings[1]", "settings[2].setting");
    }

    @Test
    void keptOnceTakenAwayAndBroughtBack() {
        ObjectNode body = object().put("typedBy", "Bea").set("record", paper("LG-12", "2020-02-03", "RV1", 149));
        String path = "/api/units/LG-12/older-records";
        JsonNode kept = server.postOnce(path, body, "k1").json();
        assertThat(server.postOnce(path, body, "k1").status()).isEqualTo(201);
        assertThat(server.post(path, body).status()).isEqualTo(409);
        JsonNode first = kept.at("/commissionings/0");
        assertThat(first.get("on").asString()).isEqualTo("2020-02-03");
        assertThat(first.get("typedBy").asString()).isEqualTo("Bea");
        assertThat(LocalDate.parse(first.get("typedAt").asString().substring(0, 10)))
                .isAfter(LocalDate.parse("2026-01-01"));
        String one = path + "/" + first.get("older").asLong();
        assertThat(server.ask("DELETE", one + "?by=Bea").json().get("commissionings"))
                .isEmpty();
        assertThat(server.ask("POST", one + "/bring-back", "{}").json().get("commissionings"))
                .hasSize(1);
        assertThat(server.ask("DELETE", path + "/999999").status()).isEqualTo(404);
        assertThat(server.get("/api/units/XX-1/history").status()).isEqualTo(404);
    }

    @Test
    void theYearsDontMakeTheAnswerLonger() {
        assertThat(server.post("/api/units", Server.unit().put("tag", "LG-13")).status())
                .isEqualTo(201);
        for (int year = 1990; year < 2005; year++) {
            assertThat(add(server, "LG-13", paper("LG-13", year + "-03-01", "RV1", 156))
                            .status())
                    .isEqualTo(201);
        }
        JsonNode history = server.get("/api/units/LG-13/history").json();
        assertThat(history.get("commissionings")).hasSize(12);
        assertThat(history.get("more").asBoolean()).isTrue();
    }
}
