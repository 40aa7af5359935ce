package earlygate.server;

import static earlygate.server.tables.Tables.RUN;
import static earlygate.server.tables.Tables.RUN_TAIL;
import static org.assertj.core.api.Assertions.assertThat;

import earlygate.fixture.Units;
import earlygate.plan.Plan;
import earlygate.quantity.PressureUnit;
import earlygate.server.api.PlanView;
import earlygate.server.store.EventChain;
import earlygate.server.tables.tables.records.RunRecord;
import earlygate.server.words.Words;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.PreparedStatement;
import java.sql.SQLException;
import java.sql.Timestamp;
import java.time.Instant;
import java.util.Arrays;
import java.util.List;
import java.util.UUID;
import java.util.stream.IntStream;
import org.flywaydb.core.Flyway;
import org.jooq.DSLContext;
import org.jooq.SQLDialect;
import org.jooq.impl.DSL;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tools.jackson.databind.DeserializationFeature;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** Data written by earlier editions. */
class EarlierDataTest {
    private static final JsonMapper AS_THE_SERVER = JsonMapper.builder()
            .disable(DeserializationFeature.FAIL_ON_NULL_FOR_PRIMITIVES)
            .build();

    @TempDir
    Path old;

    /** A finished run that is stored with the tests, and the unit it is of. */
    private record StoredRun(String tag, String file) {
        static List<StoredRun> all(String list) {
            return Arrays.stream(list.split(", "))
                    .map(r -> new StoredRun(r.split(" ")[0], r.split(" ")[1]))
                    .toList();
        }
    }

    /**
     * A data folder of each version before, with finished runs in it as their editions wrote them: opened, migrated, and
     * read as they were.
     */
    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "1 | LG-07 edition-1",
                "2 | LG-07 edition-1",
                "3 | LG-07 edition-1",
                "4 | NH-04 edition-2, LG-07 edition-3, LG-07 edition-4, LG-07 edition-5, LG-07 edition-6,"
                        + " FB-02 edition-6-charging, WD-05 proofs/WD-05-edition-2, PL-01 proofs/PL-01-edition-3,"
                        + " PL-01 proofs/PL-01-edition-4, NH-04 proofs/NH-04-edition-4, SW-03 proofs/SW-03-edition-4"
            })
    void finishedRunsAreReadAsTheyWere(int version, String runs) throws IOException, SQLException {
        String url = "jdbc:h2:file:" + old.resolve("early-gate");
        Flyway.configure()
                .dataSource(url, "sa", "")
                .target(Integer.toString(version))
                .load()
                .migrate();
        List<StoredRun> stored = StoredRun.all(runs);
        try (Connection db = DriverManager.getConnection(url, "sa", "")) {
            for (String tag : stored.stream().map(StoredRun::tag).distinct().toList()) {
                insert(
                        db,
                        "insert into unit_revision (tag, revision, document, saved_at) values (?, ?, ?, ?)",
                        tag,
                        1,
                        Files.readString(Path.of("../demo/units/" + tag + ".json")),
                        Timestamp.from(Instant.EPOCH));
            }
            for (int i = 0; i < stored.size(); i++) {
                insert(db, i + 1, stored.get(i), version);
            }
        }
        try (Server again = new Server(old)) {
            for (int i = 0; i < stored.size(); i++) {
                isReadAsItWas(again, i + 1, stored.get(i));
            }
        }
    }

    private static void insert(Connection db, int run, StoredRun stored, int version) throws IOException, SQLException {
        JsonNode kept = kept(stored.file());
        insert(
                db,
                "insert into run (tag, revision, plan, gap_school, technician, practice, started_at) "
                        + "values (?, ?, ?, ?, ?, ?, ?)",
                stored.tag(),
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
                    run,
                    e.get("seq").asInt(),
                    Timestamp.from(Instant.parse(e.get("at").asString())),
                    e.get("by").asString(),
                    "k" + e.get("seq"),
                    e.get("body").toString());
        }
        if (version >= 3) {
            // The third edition named its runs and wrote down when they ended.
            insert(
                    db,
                    "update run set uuid = ?, finished_at = ?, outcome = 'passed' where id = ?",
                    UUID.randomUUID().toString(),
                    Timestamp.from(Instant.EPOCH.plusSeconds(7200)),
                    run);
        }
    }

    private static void isReadAsItWas(Server server, int run, StoredRun stored) throws IOException {
        JsonNode kept = kept(stored.file());
        JsonNode view = server.run(run);
        assertThat(view.get("finished").asBoolean()).as(stored.file()).isTrue();
        assertThat(view.get("uuid").asString()).hasSize(36);
        JsonNode record = server.get("/api/runs/" + run + "/record").json();
        assertThat(record.get("settings").findValuesAsString("verdict"))
                .as(stored.file())
                .containsOnly("pass");
        // Of a hand wheel moved bit by bit only the last is told; nothing else is left out.
        long bits = IntStream.range(1, kept.get("events").size())
                .filter(i ->
                        wheel(kept.at("/events/" + (i - 1) + "/body")).equals(wheel(kept.at("/events/" + i + "/body"))))
                .filter(i -> !wheel(kept.at("/events/" + i + "/body")).isEmpty())
                .count();
        assertThat(record.get("log"))
                .as(stored.file())
                .hasSize(kept.get("events").size() - (int) bits);
        assertThat(server.get("/api/runs?tag=" + stored.tag()).json().findValues("finished"))
                .allMatch(JsonNode::asBoolean);
    }

    /** An open run goes on in the plan it began with: whatever that says, in its steps, whys and ways out, has words today. */
    @ParameterizedTest
    @CsvSource({
        "LG-07, edition-1",
        "NH-04, edition-2",
        "LG-07, edition-3",
        "LG-07, edition-4",
        "LG-07, edition-5",
        "LG-07, edition-6",
        "FB-02, edition-6-charging",
        "WD-05, proofs/WD-05-edition-2"
    })
    void everySentenceOfAnEarlierPlanIsSaid(String tag, String run) throws IOException {
        JsonNode kept = kept(run);
        Plan plan = AS_THE_SERVER.treeToValue(kept.get("plan"), Plan.class);
        PlanView said = PlanView.of(Units.demo(tag), plan, Words.in(PressureUnit.PSI));
        assertThat(said.phases().stream().mapToInt(p -> p.steps().size()).sum())
                .isEqualTo(plan.steps().size())
                .isGreaterThan(20);
    }

    /** Plan and events of a run; out of a proof where one tells of it. */
    private static JsonNode kept(String run) throws IOException {
        JsonNode file = KeptFiles.read(run.contains("/") ? run : "runs/" + run);
        if (!file.has("entries")) {
            return file;
        }
        ObjectNode kept = Server.object();
        kept.set("plan", Server.JSON.readTree(file.at("/head/plan").asString()));
        ArrayNode events = kept.putArray("events");
        for (JsonNode e : file.get("entries")) {
            events.add(((ObjectNode) e.deepCopy())
                    .set("body", Server.JSON.readTree(e.get("body").asString())));
        }
        return kept;
    }

    /** Step and part of a hand wheel that was moved; empty for any other event. */
    private static String wheel(JsonNode body) {
        return body.path("action").asString("").equals("open") ? body.get("step") + " " + body.get("part") : "";
    }

    /** What a later edition wrote is told apart from what can't be believed, and not guessed at. */
    @Test
    void whatALaterEditionWroteIsRefusedByName() throws SQLException {
        long run;
        try (Server first = new Server(old)) {
            run = first.startRun(false);
        }
        try (Connection db = DriverManager.getConnection("jdbc:h2:file:" + old.resolve("early-gate"), "sa", "")) {
            DSLContext data = DSL.using(db, SQLDialect.H2);
            RunRecord head = data.fetchSingle(RUN, RUN.ID.eq(run));
            // It may hold what this one can't even read.
            head.setPlan(head.getPlan()
                    .replace("\"edition\":" + Plan.EDITION, "\"edition\":" + (Plan.EDITION + 1))
                    .replace("\"kind\":\"RETURN\"", "\"kind\":\"OF_LATER_DAYS\""));
            head.update();
            // As the later edition would have left it: the head carries its own hash.
            data.update(RUN_TAIL)
                    .set(RUN_TAIL.START_HASH, EventChain.start(head))
                    .set(RUN_TAIL.LAST_HASH, EventChain.start(head))
                    .execute();
        }
        try (Server again = new Server(old)) {
            assertThat(again.get("/api/runs/" + run).status()).isEqualTo(409);
            assertThat(again.get("/api/runs/" + run).problem())
                    .contains(
                            "later edition (version " + (Plan.EDITION + 1) + ", this one knows " + Plan.EDITION + ")");
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
