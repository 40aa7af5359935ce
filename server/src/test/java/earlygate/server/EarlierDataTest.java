package earlygate.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.PreparedStatement;
import java.sql.SQLException;
import java.sql.Timestamp;
import java.time.Instant;
import java.util.UUID;
import org.flywaydb.core.Flyway;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import tools.jackson.databind.JsonNode;

/** Data written by earlier editions. */
class EarlierDataTest {
    @TempDir
    Path old;

    /** A data folder of each version before, with a finished run in it: opened, migrated, and read as it was. */
    @ParameterizedTest
    @ValueSource(ints = {1, 2, 3})
    void aFinishedRunIsReadAsItWas(int version) throws IOException, SQLException {
        String url = "jdbc:h2:file:" + old.resolve("early-gate");
        Flyway.configure()
                .dataSource(url, "sa", "")
                .target(Integer.toString(version))
                .load()
                .migrate();
        JsonNode kept = Server.JSON.readTree(Files.readString(Path.of("src/test/resources/runs/edition-1.json")));
        try (Connection db = DriverManager.getConnection(url, "sa", "")) {
            insert(
                    db,
                    "insert into unit_revision (tag, revision, document, saved_at) values (?, ?, ?, ?)",
                    "LG-07",
                    1,
                    Server.unit().toString(),
                    Timestamp.from(Instant.EPOCH));
            insert(
                    db,
                    "insert into run (tag, revision, plan, gap_school, technician, practice, started_at) "
                            + "values (?, ?, ?, ?, ?, ?, ?)",
                    "LG-07",
                    1,
                    kept.get("plan").toString(),
                    "null",
                    "A. Bar",
                    true,
                    Timestamp.from(Instant.EPOCH));
            for (JsonNode e : kept.get("events")) {
                insert(
                        db,
                        "insert into run_event (run_id, seq, at, by_name, client_key, body) values (?, ?, ?, ?, ?, ?)",
                        1,
                        e.get("seq").asInt(),
                        Timestamp.from(Instant.parse(e.get("at").asString())),
                        e.get("by").asString(),
                        "k" + e.get("seq"),
                        e.get("body").toString());
            }
        }
        if (version == 3) {
            // The third edition named its runs and wrote down when they ended.
            try (Connection db = DriverManager.getConnection(url, "sa", "")) {
                insert(
                        db,
                        "update run set uuid = ?, finished_at = ?, outcome = 'passed'",
                        UUID.randomUUID().toString(),
                        Timestamp.from(Instant.now()));
            }
        }
        try (Server again = new Server(old)) {
            JsonNode view = again.run(1);
            assertThat(view.get("finished").asBoolean()).isTrue();
            assertThat(view.get("uuid").asString()).hasSize(36);
            JsonNode record = again.get("/api/runs/1/record").json();
            assertThat(record.get("settings").findValuesAsString("verdict")).containsOnly("pass");
            assertThat(record.get("log")).hasSize(kept.get("events").size());
            assertThat(again.get("/api/runs?tag=LG-07").json().at("/0/finished").asBoolean())
                    .isTrue();
        }
    }

    private static void insert(Connection db, String sql, Object... values) throws SQLException {
        try (PreparedStatement s = db.prepareStatement(sql)) {
            for (int i = 0; i < values.length; i++) {
                s.setObject(i + 1, values[i]);
            }
            s.executeUpdate();
        }
    }
}
