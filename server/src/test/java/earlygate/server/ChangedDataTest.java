package earlygate.server;

import static org.assertj.core.api.Assertions.assertThat;

import earlygate.server.store.DataCommands;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.List;
import java.util.stream.StreamSupport;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * One row of each table was changed in the data file by another program, and some were taken out or put in: each costs
 * what it says itself and nothing else, is named where it would have stood, and by check, backup and restore.
 */
class ChangedDataTest {
    @TempDir
    static Path folder;

    private static final String POINT = Server.unit().at("/testPoints/0/id").asString();

    private static Server server;
    private static long run;
    private static long changed;

    @BeforeAll
    static void written() throws SQLException, IOException {
        try (Server first = new Server(folder.resolve("data"))) {
            run = first.startRun(false);
            changed = first.startRun("LG-07", false);
            String gauge = instrument(first.get("/api/instruments").json(), "bar");
            ObjectNode fit =
                    Server.object().put("instrument", Long.parseLong(gauge)).set("document", Server.unit());
            assertThat(first.post("/api/units/LG-07/fitted/" + POINT, fit).status())
                    .isEqualTo(200);
            assertThat(first.send(
                                    "/api/runs/" + run + "/files?name=note.txt",
                                    "as it was".getBytes(StandardCharsets.UTF_8),
                                    "file")
                            .status())
                    .isEqualTo(201);
            accepted(first);
        }
        String[] statements = {
            "update unit_revision set document = replace(document, '160', '161') where tag = 'NH-04'",
            "update unit set newest = 1, removed_by = 'nobody' where tag = 'SW-03'",
            "update run set finished_at = now(), outcome = 'passed' where id = " + changed,
            "update accepted_finding set released_by = 'Never There'",
            "update instrument set calibration_due = '2035-01-01' where id = (select min(id) from instrument)",
            "update fitted_instrument set test_point = 'GX' where test_point = '" + POINT + "'",
            "update older_record set on_day = '2001-01-01' where id = (select min(id) from older_record where tag = 'LG-07')",
            "delete from older_record where id = (select max(id) from older_record)",
            "update upkeep_entry set by_name = 'Somebody Else' where id = (select min(id) from upkeep_entry where tag = 'LG-07')",
            "update run_file set content = X'00' where run_id = " + run,
        };
        try (Connection c = DriverManager.getConnection("jdbc:h2:file:" + folder.resolve("data/early-gate"), "sa", "");
                Statement s = c.createStatement()) {
            for (String sql : statements) {
                assertThat(s.executeUpdate(sql)).as(sql).isPositive();
            }
        }
        server = new Server(folder.resolve("data"));
    }

    @AfterAll
    static void closed() {
        server.close();
    }

    private static String instrument(JsonNode all, String unit) {
        return StreamSupport.stream(all.spliterator(), false)
                .filter(i -> i.get("unit").asString().equals(unit))
                .findFirst()
                .orElseThrow()
                .get("id")
                .asString();
    }

    /** A relief above its rating's share, let stand by two. */
    private static void accepted(Server first) {
        ObjectNode unit = Server.unit();
        unit.put("tag", "ACC-1");
        ((ObjectNode) unit.at("/targets/0"))
                .put("pressureBar", unit.at("/targets/0/pressureBar").asDouble() + 30);
        assertThat(first.post("/api/units", unit).status()).isEqualTo(201);
        JsonNode findings = first.post("/api/calc/ladder", Server.object().set("unit", unit))
                .json()
                .get("findings");
        ObjectNode accept =
                Server.object().put("reason", "as ordered").put("by", "Ann").put("releasedBy", "Ben");
        JsonNode finding = StreamSupport.stream(findings.spliterator(), false)
                .filter(f -> !f.get("severity").asString().equals("info"))
                .findFirst()
                .orElseThrow();
        accept.put("fingerprint", finding.get("fingerprint").asString());
        assertThat(first.post("/api/units/ACC-1/accepted", accept).status()).isEqualTo(200);
    }

    private static JsonNode unit(String tag) {
        return StreamSupport.stream(server.get("/api/units").json().spliterator(), false)
                .filter(u -> u.get("tag").asString().equals(tag))
                .findFirst()
                .orElseThrow();
    }

    @Test
    void theListShowsEveryUnitAndNamesWhatItCant() {
        assertThat(server.get("/api/units").json()).hasSize(9);
        assertThat(unit("NH-04").get("readable").asBoolean()).isFalse();
        assertThat(unit("NH-04").get("unreadable").toString()).contains("Revision 1 of NH-04 is not as it was saved");
        assertThat(unit("SW-03").get("unreadable").toString()).contains("entry of SW-03 in the list");
        assertThat(unit("LG-07").get("readable").asBoolean()).isTrue();
        assertThat(unit("LG-07").get("unreadable").toString()).contains("head of run " + changed + " was changed");
        assertThat(unit("LG-07").get("commissioned").isNull())
                .as("a run that was called passed by hand")
                .isTrue();
        assertThat(unit("ACC-1").get("findings").asInt())
                .as("what a forged second person let stand")
                .isPositive();
        assertThat(unit("BP-11").get("unreadable")).isEmpty();
    }

    @Test
    void eachPageShowsTheRest() {
        JsonNode history = server.get("/api/units/LG-07/history").json();
        assertThat(history.get("commissionings")).hasSize(2);
        assertThat(history.get("unreadable").toString())
                .contains("of LG-07 is not as it was put in")
                .contains("head of run " + changed);
        JsonNode upkeep = server.get("/api/units/LG-07/upkeep").json();
        assertThat(upkeep.get("entries").size()).isPositive();
        assertThat(upkeep.get("unreadable").toString()).contains("by Somebody Else was changed in the data file");
        assertThat(unit("LG-07").get("due").toString()).contains("an entry was changed in the data file");
        assertThat(server.get("/api/units/ACC-1").json().get("accepted")).isEmpty();
        assertThat(server.get("/api/units/ACC-1").json().get("unreadable").toString())
                .contains("that Ann let stand");
        JsonNode runs = server.get("/api/runs?tag=LG-07").json();
        assertThat(runs.findValues("damaged").toString()).isEqualTo("[true, false]");
        assertThat(server.get("/api/runs/" + run + "/record").status()).isEqualTo(200);
        assertThat(server.get("/api/upkeep.ics").text()).contains("NH-04-unreadable", "SW-03-unreadable", "BP-11: ");
        JsonNode day = server.post(
                        "/api/days",
                        Server.object().set("tags", Server.JSON.valueToTree(List.of("NH-04", "LG-07", "SW-03"))))
                .json();
        assertThat(day.get("entries").findValuesAsString("tag")).containsExactly("LG-07");
        assertThat(day.get("leftOut").findValuesAsString("tag")).containsExactly("NH-04", "SW-03");
    }

    /** Nothing is known of its calibration until somebody puts its figures right. */
    @Test
    void aGaugeWhoseCalibrationWasChangedCountsAsNotCalibrated() {
        JsonNode gauge = StreamSupport.stream(
                        server.get("/api/instruments").json().spliterator(), false)
                .filter(i -> i.get("damaged").asBoolean())
                .findFirst()
                .orElseThrow();
        assertThat(gauge.get("calibrationDue").isNull()).isTrue();
        ObjectNode right = ((ObjectNode) gauge.deepCopy()).put("calibrationDue", "2027-05-01");
        assertThat(server.put("/api/instruments/" + gauge.get("id").asLong(), right)
                        .json()
                        .get("damaged")
                        .asBoolean())
                .isFalse();
        assertThat(server.get("/api/changed-data").json().toString())
                .as("what was put right is told no longer")
                .doesNotContain("Instrument " + gauge.get("id").asLong() + " (");
        assertThat(server.get("/api/units/LG-07/fitted").json().findValuesAsString("testPoint"))
                .doesNotContain("GX");
    }

    @Test
    void checkAndBackupAndRestoreNameEachAndAreDoneAllTheSame() throws IOException {
        Path copy = folder.resolve("copy.mv.db");
        Said kept = said("data-copy", folder.resolve("data"), copy);
        assertThat(kept.code()).isEqualTo(3);
        assertThat(kept.lines().get(0)).contains("Not as they were written: ");
        assertThat(kept.lines())
                .contains("Unit SW-03: changed in the data file")
                .contains("Run " + changed + " (LG-07): changed in the data file")
                .contains("Fitted instrument LG-07 GX: changed in the data file")
                .contains("Older record: 23 in the data file, 24 were written")
                .contains("The file note.txt of run " + run + " was changed in the data file")
                .anyMatch(l -> l.startsWith("Accepted finding "))
                .anyMatch(l -> l.startsWith("Older record ") && l.endsWith(": changed in the data file"))
                .anyMatch(l -> l.startsWith("Upkeep entry "))
                .anyMatch(l -> l.startsWith("Revision 1 of NH-04 is not as it was saved"));
        assertThat(server.get("/api/changed-data").json().toString()).contains("note.txt");
        Path restored = Files.createDirectory(folder.resolve("restored"));
        Path given = Files.copy(copy, folder.resolve("given.mv.db"));
        assertThat(said("data-restore", given, restored)).isEqualTo(kept);
        assertThat(said("data-check", restored, restored)).isEqualTo(kept);
        assertThat(Files.readString(restored.resolve("early-gate.mark")).strip())
                .matches("0*[1-9]\\d*");
        try (Server again = new Server(restored)) {
            assertThat(again.get("/api/units").json()).hasSize(9);
        }
    }

    /** By the formula of docs/formats.md, worked out here from what the table shows. */
    @Test
    void aRowsHashIsWhatTheGuideSays() throws SQLException {
        Path copy = folder.resolve("formula.mv.db");
        said("data-copy", folder.resolve("data"), copy);
        try (Connection c = DriverManager.getConnection("jdbc:h2:file:" + folder.resolve("formula"), "sa", "");
                Statement s = c.createStatement();
                ResultSet r = s.executeQuery("select * from fitted_instrument, table_sum"
                        + " where table_sum.name = 'FITTED_INSTRUMENT' and test_point = 'GX'")) {
            assertThat(r.next()).isTrue();
            String row = "[\"fitted_instrument\",{\"instrument_id\":" + r.getLong("instrument_id")
                    + ",\"tag\":\"LG-07\",\"test_point\":\"" + POINT + "\"}]";
            assertThat(r.getString("row_hash")).isEqualTo(Server.sha256(row)).isEqualTo(r.getString("hash"));
            assertThat(r.getLong("n")).isEqualTo(1);
        }
    }

    private record Said(int code, List<String> lines) {}

    private static Said said(String command, Path... paths) {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        int code = DataCommands.run(
                        List.of(command, paths[0].toString(), paths[1].toString()), new PrintStream(out), System.err)
                .orElseThrow();
        return new Said(code, out.toString().lines().toList());
    }
}
