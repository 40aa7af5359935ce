package earlygate.server;

import static earlygate.server.Server.object;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import earlygate.server.Server.Answer;
import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.FieldSource;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** Sheets, bills of settings and the register of instruments, over HTTP, on a real H2 file. */
class SheetTest extends OnAServer {
    private static ObjectNode named(String tag) {
        return Server.unit().put("tag", tag);
    }

    private static Answer save(String tag, int base, JsonNode document, String by) {
        return server.post(
                "/api/units/" + tag + "/revisions",
                object().put("base", base).put("by", by).set("document", document));
    }

    @ParameterizedTest
    @FieldSource("earlygate.fixture.Units#DEMO")
    void everyDemoUnitHasATargetSheet(String tag) {
        JsonNode unit = server.get("/api/units/" + tag).json();
        assertThat(unit.get("missing")).isEmpty();
        JsonNode sheet = server.post("/api/calc/targets", object().set("unit", unit.get("document")))
                .json();
        assertThat(sheet.get("settings")).hasSameSizeAs(unit.at("/document/targets"));
        sheet.get("settings")
                .forEach(s -> assertThat(s.get("reads")).as(s.toString()).isNotEmpty());
        assertThat(sheet.get("points")).isNotEmpty();
        sheet.get("points")
                .forEach(p -> assertThat(p.at("/drives/0/load").asDouble()).isBetween(0.0, 1.6));
    }

    /** The second of two people at one sheet is told, sees the other's, and loses nothing. */
    @Test
    void twoPeopleAtOneSheet() {
        assertThat(save("TWO-1", 0, named("TWO-1"), "Ann").status()).isEqualTo(201);
        ObjectNode ann = named("TWO-1");
        ((ObjectNode) ann.at("/targets/0")).put("pressureBar", 158);
        ObjectNode ben = named("TWO-1");
        ((ObjectNode) ben.at("/targets/1")).put("pressureBar", 178);
        assertThat(save("TWO-1", 1, ann, "Ann").json().get("revision").asInt()).isEqualTo(2);
        Answer late = save("TWO-1", 1, ben, "Ben");
        assertThat(late.status()).isEqualTo(409);
        assertThat(late.problem()).contains("saved by Ann").contains("Nothing of yours is lost");
        assertThat(server.get("/api/units/TWO-1/revisions/1")
                        .json()
                        .at("/document/targets/0/pressureBar")
                        .asInt())
                .isEqualTo(160);
        assertThat(save("TWO-1", 2, ben, "Ben").status()).isEqualTo(201);
        JsonNode all = server.get("/api/units/TWO-1/revisions").json();
        assertThat(all.valueStream().map(r -> r.get("savedBy").asString())).containsExactly("Ben", "Ann", "Ann");
    }

    /** Half filled it is kept, says what is missing, and can be neither planned nor run. */
    @Test
    void aHalfFilledSheetIsKeptAndSaysWhatIsMissing() {
        ObjectNode half = named("HALF-1");
        half.withArray("components").remove(2);
        ((ObjectNode) half.at("/components/1")).remove("displacementCm3");
        JsonNode saved = save("HALF-1", 0, half, "Ann").json();
        assertThat(saved.get("missing").valueStream().map(p -> p.get("message").asString()))
                .anySatisfy(m -> assertThat(m).contains("displacementCm3"));
        JsonNode summary = server.get("/api/units")
                .json()
                .valueStream()
                .filter(u -> u.get("tag").asString().equals("HALF-1"))
                .findFirst()
                .orElseThrow();
        assertThat(summary.get("missing").asInt()).isPositive();
        Answer run = server.post(
                "/api/runs",
                object().put("tag", "HALF-1").put("technician", "Ann").put("practice", true));
        assertThat(run.status()).isEqualTo(422);
        assertThat(save("HALF-1", 1, named("OTHER"), "Ann").problem()).contains("not of HALF-1");
        assertThat(save("HALF%201", 0, half, "Ann").problem()).contains("letters, digits");
    }

    @Test
    void defaultsStayMarkedUntilConfirmed() {
        ObjectNode request = object().put("base", 0).set("document", named("DEF-1"));
        request.putArray("unconfirmed").add("components.RV1.overrideBar");
        JsonNode saved = server.post("/api/units/DEF-1/revisions", request).json();
        assertThat(saved.at("/unconfirmed/0").asString()).isEqualTo("components.RV1.overrideBar");
    }

    /** A finding let stand is kept with its reason; above the schematic it takes a second person. */
    @Test
    void findingsAreLetStandWithAReason() {
        save("ACC-1", 0, named("ACC-1"), "Ann");
        ObjectNode higher = named("ACC-1");
        ((ObjectNode) higher.at("/targets/0")).put("pressureBar", 162);
        JsonNode unit = save("ACC-1", 1, higher, "Ann").json();
        assertThat(unit.at("/schematic/0/pressureBar").asDouble()).isEqualTo(160);
        JsonNode finding = server.post(
                        "/api/calc/ladder",
                        object().<ObjectNode>set("unit", higher).set("schematic", unit.get("schematic")))
                .json()
                .at("/findings/0");
        assertThat(finding.get("rule").asString()).isEqualTo("L13");
        ObjectNode accept = object().put(
                        "fingerprint", finding.get("fingerprint").asString())
                .put("reason", "longer stroke asked by the keeper")
                .put("by", "Ann");
        assertThat(server.post("/api/units/ACC-1/accepted", accept).problem()).contains("second person");
        assertThat(server.post("/api/units/ACC-1/accepted", accept.put("releasedBy", "ann"))
                        .status())
                .isEqualTo(422);
        assertThat(server.post("/api/units/ACC-1/accepted", accept.put("releasedBy", "Ben"))
                        .status())
                .isEqualTo(200);
        assertThat(server.get("/api/units/ACC-1")
                        .json()
                        .at("/accepted/0/reason")
                        .asString())
                .contains("keeper");
        assertThat(summaryFindings("ACC-1")).isZero();
        assertThat(server.post("/api/units/ACC-1/accepted", accept.put("reason", " "))
                        .problem())
                .contains("reason");
    }

    private static int summaryFindings(String tag) {
        return server.get("/api/units")
                .json()
                .valueStream()
                .filter(u -> u.get("tag").asString().equals(tag))
                .findFirst()
                .orElseThrow()
                .get("findings")
                .asInt();
    }

    private static Answer bill(String csv) {
        return server.post("/api/units/LG-07/bill", object().put("csv", csv).set("document", Server.unit()));
    }

    /** Mixed units, decimal commas, a byte-order mark, duplicates, strangers: every row has its fate. */
    @Test
    void aBillOfSettingsShowsEachRowsFate() {
        JsonNode rows = bill(String.join(
                        "\r\n",
                        "\uFEFFtag;setting;target;unit;tolerance",
                        "LG-07;P1.compensator;158,5;bar;3",
                        "LG-07;RV1;2552.7;psi;",
                        "LG-07;RV1;170;bar;2",
                        "LG-07;RV9;170;bar;2",
                        "XX-01;RV1;170;bar;2",
                        "",
                        "LG-07;RV1;a lot;bar;2",
                        ";;;;"))
                .json();
        assertThat(rows.valueStream().map(r -> r.get("fate").asString()))
                .containsExactly("changes", "same", "refused", "refused", "other-unit", "refused", "refused");
        assertThat(rows.at("/0/pressureBar").asDouble()).isCloseTo(158.5, within(1e-6));
        assertThat(rows.at("/2/why").asString()).contains("before in this file");
        assertThat(rows.at("/3/why").asString()).contains("RV9").contains("P1.compensator");
        assertThat(rows.at("/0/line").asInt()).isEqualTo(2);
        assertThat(rows.at("/5/line").asInt())
                .as("an empty line above it counts")
                .isEqualTo(8);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "name,value\\n1,2|setting, target, unit",
                "''|empty",
                "setting,target,unit\\n\"RV1,170,bar|can be read"
            })
    void aWrongBillIsRefusedAsAWhole(String csv, String says) {
        Answer answer = bill(csv.replace("\\n", "\n"));
        assertThat(answer.status()).isEqualTo(422);
        assertThat(answer.problem()).contains(says);
    }

    @Test
    void aBillOfTenThousandRowsLosesNone() {
        String rows =
                IntStream.range(0, 10_000).mapToObj(i -> "RV" + i + ",170,bar").collect(Collectors.joining("\n"));
        JsonNode fates = bill("setting,target,unit\n" + rows).json();
        assertThat(fates).hasSize(10_000);
        assertThat(fates.valueStream().filter(r -> !r.get("fate").asString().equals("refused")))
                .hasSize(1);
    }

    @Test
    void whatIsExportedComesBackTheSame() {
        String csv = server.get("/api/units/LG-07/bill.csv").text();
        assertThat(csv).startsWith("tag,setting,target,unit,tolerance");
        assertThat(bill(csv).json().valueStream().map(r -> r.get("fate").asString()))
                .containsOnly("same");
    }

    @Test
    void fiveTraitsNameAValveOrContradictIt() {
        ObjectNode traits = object().put("pilot", "OWN_OUTLET")
                .put("rest", "OPEN")
                .put("reverseCheck", false)
                .put("drain", "EXTERNAL")
                .put("place", "BEFORE_ACTUATOR")
                .put("declared", "relief-valve");
        JsonNode found = server.post("/api/calc/identify", traits).json();
        assertThat(found.at("/matches/0/name").asString()).isEqualTo("Reducing valve");
        assertThat(found.get("declared").valueStream().map(JsonNode::asString))
                .contains("how it stands at rest", "where it drains");
        traits.remove("drain");
        assertThat(server.post("/api/calc/identify", traits).problem()).contains("five traits");
    }

    @Test
    void fittingAnInstrumentChecksWhetherItSuits() {
        JsonNode shop = server.get("/api/instruments")
                .json()
                .valueStream()
                .filter(i -> i.get("name").asString().contains("old shop"))
                .findFirst()
                .orElseThrow();
        ObjectNode fit = object().put("instrument", shop.get("id").asLong()).set("document", Server.unit());
        JsonNode fitted = server.post("/api/units/LG-07/fitted/G1", fit).json();
        assertThat(fitted.at("/document/testPoints/0/reads").asString()).isEqualTo("psi");
        assertThat(fitted.at("/document/testPoints/0/rangeBar").asDouble()).isCloseTo(344.7, within(0.1));
        List<String> remarks =
                fitted.get("remarks").valueStream().map(JsonNode::asString).toList();
        assertThat(remarks).anySatisfy(r -> assertThat(r).contains("could never show a pass"));
        assertThat(remarks).anySatisfy(r -> assertThat(r).contains("ran out on 2026-03-31"));
        assertThat(server.get("/api/units/LG-07/fitted")
                        .json()
                        .at("/0/testPoint")
                        .asString())
                .isEqualTo("G1");
        assertThat(server.post("/api/units/LG-07/fitted/G9", fit).status()).isEqualTo(404);
    }

    @Test
    void theRegisterRefusesWhatIsNoInstrument() {
        ObjectNode good = object().put("name", "Lock 7, gauge")
                .put("kind", "gauge")
                .put("unit", "bar")
                .put("range", 160)
                .put("accuracyClass", 1.0)
                .put("resolution", 0.5)
                .put("calibrationDue", "2027-05-01");
        JsonNode added = server.post("/api/instruments", good).json();
        assertThat(added.get("medium").asString()).isEqualTo("oil");
        assertThat(server.post("/api/instruments", good).problem()).contains("already an instrument");
        Answer changed = server.put("/api/instruments/" + added.get("id").asLong(), good.put("range", 250));
        assertThat(changed.json().get("range").asDouble()).isEqualTo(250);
        JsonNode wrong = server.post(
                        "/api/instruments",
                        object().put("kind", "clamp-meter").put("unit", "bar").put("range", -1))
                .json();
        assertThat(wrong.get("problems").valueStream().map(p -> p.get("path").asString()))
                .containsExactlyInAnyOrder("name", "unit", "range", "accuracyClass", "resolution");
    }

    @Test
    void whatTheDrawingAsksNamesItsSetting() {
        ObjectNode asked = Server.object();
        asked.set("unit", Server.unit());
        asked.putArray("schematic").addObject().put("pressureBar", 160);
        Server.Answer answer = server.post("/api/calc/ladder", asked);
        assertThat(answer.status()).isEqualTo(422);
        assertThat(answer.json().at("/problems/0/path").asString()).isEqualTo("schematic[0].setting");
    }
}
