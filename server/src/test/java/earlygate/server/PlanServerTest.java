package earlygate.server;

import static earlygate.server.Server.object;
import static org.assertj.core.api.Assertions.assertThat;

import earlygate.server.Server.Answer;
import java.util.Arrays;
import java.util.List;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.FieldSource;
import org.junit.jupiter.params.provider.ValueSource;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** Plans on screen, on paper and as files; and the day sheet. */
class PlanServerTest extends OnAServer {
    /** Every sentence has its words, every figure its unit, every set step its instrument, on every unit and school. */
    @ParameterizedTest
    @FieldSource("earlygate.fixture.Units#DEMO")
    void everyDemoUnitHasItsPlanInWords(String tag) {
        JsonNode unit = server.get("/api/units/" + tag).json().get("document");
        for (String school : List.of("auto", "lead-with-pump", "lead-with-relief", "side-by-side")) {
            JsonNode plan = server.post(
                            "/api/calc/plan", object().put("school", school).set("unit", unit))
                    .json();
            assertThat(plan.get("phases").size() + plan.get("refused").size())
                    .as("%s %s", tag, school)
                    .isPositive();
            assertThat(plan.toString()).doesNotContain("NaN").doesNotContain("{}\"");
            for (JsonNode phase : plan.get("phases")) {
                for (JsonNode step : phase.get("steps")) {
                    assertThat(step.get("action").asString()).isNotBlank().doesNotContain("{");
                    assertThat(step.get("why").asString()).isNotBlank().doesNotContain("{");
                    if (step.get("kind").asString().equals("set")) {
                        assertThat(step.get("expect")).isNotEmpty();
                        assertThat(step.get("ifNot")).isNotEmpty();
                        assertThat(step.get("inControl").isNull()).isFalse();
                    }
                }
            }
        }
    }

    @Test
    void comparisonNamesWhatIsUnsafe() {
        JsonNode plan = server.get("/api/units/LG-07/plan.json").json();
        assertThat(plan.get("comparison")).hasSize(3);
        JsonNode relief = plan.get("comparison")
                .valueStream()
                .filter(c -> c.get("school").asString().equals("lead-with-relief"))
                .findFirst()
                .orElseThrow();
        assertThat(relief.get("refused").asString()).contains("106 %");
        Answer refused = server.get("/api/units/LG-07/plan.csv?school=lead-with-relief");
        assertThat(refused.status()).isEqualTo(409);
        assertThat(refused.problem()).contains("M1 would carry 106 %");
        assertThat(server.get("/api/units/LG-07/plan.json?school=nonsense").status())
                .isEqualTo(422);
        assertThat(server.get("/api/units/NH-04/plan.json?sectionOrder=nonsense")
                        .problem())
                .contains("highest-first or branches-first");
        assertThat(server.get("/api/units/NH-04/plan.json?asFound=guess").problem())
                .contains("\"guess\"", "read or count");
        assertThat(server.get("/api/units/LG-07/plan.json?asFound=read").text()).contains("Touch no screw. Read G1");
    }

    @Test
    void aFixedPumpLeavesNoChoice() {
        Answer answer = server.post(
                "/api/calc/plan",
                object().put("school", "side-by-side")
                        .set("unit", server.get("/api/units/PL-01").json().get("document")));
        assertThat(answer.json().at("/refused/0/code").asString()).isEqualTo("school-not-for-this-unit");
    }

    @Test
    void planAsCsvHasARowForEveryInstrument() {
        String csv = server.get("/api/units/SW-03/plan.csv").text();
        List<String> rows = Arrays.asList(csv.split("\r\n"));
        assertThat(rows.get(0)).startsWith("phase,step,kind,setting,action");
        assertThat(rows).anySatisfy(r -> assertThat(r).contains(",set,RX,").contains(",GX,"));
        assertThat(server.get("/api/units/SW-03/plan.csv?pressure=psi").text()).contains("psi");
    }

    /** Whoever drew the unit: what a spreadsheet would run as a formula stands in no cell. */
    @ParameterizedTest
    @ValueSource(strings = {"=HYPERLINK(\"http://x\",\"y\")", "+1+1", "-2+3", "@SUM(A1)", "\uFF1D1+1", " =1+1"})
    void noCellOfAPlanIsAFormula(String wrench) throws Exception {
        ObjectNode unit = Server.unit().put("tag", "CS-" + Math.abs(wrench.hashCode()));
        unit.findParents("wrench").forEach(p -> ((ObjectNode) p).put("wrench", wrench));
        assertThat(server.post("/api/units", unit).status()).isEqualTo(201);
        String csv = server.get("/api/units/" + unit.get("tag").asString() + "/plan.csv")
                .text();
        List<String> cells = CSVParser.parse(csv, CSVFormat.DEFAULT).stream()
                .flatMap(r -> r.stream())
                .toList();
        assertThat(cells)
                .contains("'" + wrench)
                .noneMatch(c -> c.matches("\\s*[=+@\uFF1D-].*") && !c.matches("-?[0-9.]+"));
        server.ask("DELETE", "/api/units/" + unit.get("tag").asString() + "?by=A.%20Marsh");
    }

    @Test
    void fieldSheetHasABoxForEveryReading() throws Exception {
        Answer pdf = server.get("/api/units/NH-04/field-sheet.pdf");
        assertThat(pdf.contentType()).isEqualTo("application/pdf");
        String text = new PDFTextStripper().getText(Loader.loadPDF(pdf.bytes()));
        assertThat(text)
                .contains("NH-04 · Net-hauler deck unit")
                .contains("sheet revision 1")
                .contains("Bring S1 relief B")
                .contains("Gate:")
                .contains("GP 189.6");
    }

    @Test
    void aDayOfUnitsSharesPartnerAndInstruments() {
        ObjectNode day =
                object().put("date", "2027-03-08").put("start", "07:30").put("technicians", 2);
        day.putArray("tags").add("LG-07").add("WD-05").add("DR-09");
        JsonNode found = server.post("/api/days", day).json();
        assertThat(found.get("entries")).hasSize(3);
        assertThat(found.at("/entries/0/start").asString()).startsWith("2027-03-08T07:30");
        assertThat(found.get("leftOut")).isEmpty();
        String ics = server.post("/api/days/calendar", day).text();
        assertThat(ics).startsWith("BEGIN:VCALENDAR").contains("SUMMARY:LG-07").contains("Partner at WD-05");
        assertThat(ics.split("BEGIN:VEVENT")).hasSizeGreaterThan(6);
        day.putArray("tags");
        assertThat(server.post("/api/days", day).problem()).contains("Choose the units");
        day.putArray("tags").add("LG-07");
        assertThat(server.post("/api/days", day.put("technicians", 0)).problem())
                .contains("out of range");
    }

    @Test
    void theRigShiftsItsValves() {
        Answer started = server.post(
                "/api/runs",
                object().put("tag", "SW-03").put("technician", "Ann").put("practice", true));
        long run = started.json().get("id").asLong();
        ObjectNode shift = object().put("action", "shift")
                .put("target", "DV1")
                .put("value", 0)
                .put("position", "east");
        JsonNode live = server.post("/api/runs/" + run + "/rig", shift).json().get("live");
        assertThat(live.at("/valves/DV1/at").asString()).isEqualTo("east");
        assertThat(live.at("/valves/DV1/positions")).hasSize(3);
        assertThat(server.post("/api/runs/" + run + "/rig", shift.put("target", "DV9"))
                        .status())
                .isEqualTo(422);
    }

    /** What was read on an instrument whose calibration had run out is flagged on the record. */
    @Test
    void theRecordFlagsAnInstrumentOutOfCalibration() {
        long shop = server.get("/api/instruments")
                .json()
                .valueStream()
                .filter(i -> i.get("name").asString().contains("old shop"))
                .findFirst()
                .orElseThrow()
                .get("id")
                .asLong();
        JsonNode unit = server.get("/api/units/PL-01").json().get("document");
        server.post(
                "/api/units/PL-01/fitted/G1", object().put("instrument", shop).set("document", unit));
        long run = server.post(
                        "/api/runs",
                        object().put("tag", "PL-01").put("technician", "Ann").put("practice", false))
                .json()
                .get("id")
                .asLong();
        String verify = server.get("/api/units/PL-01/plan.json")
                .json()
                .get("phases")
                .valueStream()
                .filter(p -> p.get("id").asString().equals("verify"))
                .findFirst()
                .orElseThrow()
                .at("/steps/0/id")
                .asString();
        server.walkTo(run, verify);
        JsonNode setting =
                server.get("/api/runs/" + run + "/record.json").json().at("/settings/0");
        assertThat(setting.get("verdict").asString()).isEqualTo("pass");
        assertThat(setting.get("defined").asString()).isEqualTo("full-flow");
        assertThat(setting.get("instrument").asString())
                .contains("old shop gauge")
                .contains("ran out on 2026-03-31");
    }

    /** The levers of a hauler are marked with what they do: so every sentence calls them, in the plan and at the machine. */
    @Test
    void leversAreCalledAsTheyAreMarked() {
        ObjectNode unit = (ObjectNode) server.get("/api/units/NH-04").json().get("document");
        unit.put("tag", "NH-40");
        unit.get("components")
                .valueStream()
                .filter(c -> c.get("id").asString().equals("S1"))
                .forEach(c -> ((ObjectNode) c)
                        .putObject("positionNames")
                        .put("a", "haul in")
                        .put("b", "pay out"));
        assertThat(server.post("/api/units", unit).status()).isEqualTo(201);
        JsonNode plan = server.get("/api/units/NH-40/plan.json").json();
        assertThat(plan.toString()).contains("S1 haul in, S2 a").doesNotContain("S1 a,");
        JsonNode run = server.post(
                        "/api/runs",
                        object().put("tag", "NH-40")
                                .put("technician", "Ada Marsh")
                                .put("practice", true))
                .json();
        String at = "/api/runs/" + run.get("id").asLong();
        ObjectNode shift = object().put("action", "shift").put("target", "S1").put("position", "b");
        JsonNode live = server.post(at + "/rig", shift).json().get("live");
        assertThat(live.get("wrong").toString() + server.get(at).json().get("log"))
                .contains("pay out");
    }
}
