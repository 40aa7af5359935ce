package earlygate.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.InstanceOfAssertFactories.STRING;

import earlygate.server.Server.Answer;
import earlygate.server.store.DataRefused;
import java.io.IOException;
import java.io.RandomAccessFile;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.springframework.util.FileSystemUtils;

/**
 * What becomes of data that something outside the product has touched: the server, in a process of its own as the
 * launcher starts it, says one line and nothing is taken for a new start.
 */
class StorageFaultsTest {
    private static final String FILE = "early-gate.mv.db";

    @TempDir
    static Path whole;

    private static final List<Long> runs = new ArrayList<>();

    @TempDir
    Path folder;

    /** Runs of two events each, saved and closed. */
    @BeforeAll
    static void stored() {
        try (Server server = new Server(whole)) {
            for (int i = 0; i < 5; i++) {
                long run = server.startRun(false);
                server.event(run, "step-done", Server.object().put("step", server.step(run)));
                server.event(run, "step-done", Server.object().put("step", server.step(run)));
                assertThat(server.run(run).at("/log")).hasSize(2);
                runs.add(run);
            }
        }
    }

    @BeforeEach
    void copied() throws IOException {
        FileSystemUtils.copyRecursively(whole, folder);
    }

    /** What is said instead of serving. */
    private String refused() {
        try (Server server = new Server(folder)) {
            throw new AssertionError("It serves");
        } catch (RuntimeException e) {
            Throwable root = e;
            while (root != null && !(root instanceof DataRefused)) {
                root = root.getCause();
            }
            assertThat(root).as("the reason of " + e).isNotNull();
            return root.getMessage();
        }
    }

    @Test
    void aTruncatedFileIsRefused() throws Exception {
        try (RandomAccessFile file = new RandomAccessFile(folder.resolve(FILE).toFile(), "rw")) {
            file.setLength(4096);
        }
        assertThat(refused()).contains("damaged").contains("restore the newest backup into another, empty folder");
    }

    @Test
    void aFileCutShortIsKnownByWhatWasConfirmed() throws Exception {
        // An older state opens without complaint, be it that the end was cut off or that the file was put back from
        // before.
        Path before = Files.createDirectory(folder.resolve("before"));
        for (String name : List.of(FILE, "early-gate.seal")) {
            Files.copy(folder.resolve(name), before.resolve(name));
        }
        long writes = Long.parseLong(
                Files.readString(folder.resolve("early-gate.mark")).strip());
        try (Server server = new Server(folder)) {
            server.startRun(true);
        }
        Files.move(before.resolve(FILE), folder.resolve(FILE), StandardCopyOption.REPLACE_EXISTING);
        String cut = refused();
        assertThat(cut)
                .contains("it holds " + writes + " of " + (writes + 1) + " writes")
                .contains("Copy the folder to another place first")
                .contains("another, empty folder");
        // With the seal that was made of it then, too.
        Files.move(
                before.resolve("early-gate.seal"),
                folder.resolve("early-gate.seal"),
                StandardCopyOption.REPLACE_EXISTING);
        assertThat(refused()).isEqualTo(cut);
    }

    @Test
    void anEmptyFileIsNoNewStart() throws Exception {
        Files.write(folder.resolve(FILE), new byte[0]);
        assertThat(refused()).contains("is empty (0 bytes)");
        assertThat(Files.size(folder.resolve(FILE))).isZero();
    }

    @Test
    void aFileThatIsGoneIsNoNewStart() throws Exception {
        Files.delete(folder.resolve(FILE));
        assertThat(refused()).contains("is gone although data were kept here");
        assertThat(folder.resolve(FILE)).doesNotExist();
    }

    @Test
    void damagedPagesAreNotServed() throws Exception {
        Random random = new Random(7);
        try (RandomAccessFile file = new RandomAccessFile(folder.resolve(FILE).toFile(), "rw")) {
            for (int i = 0; i < 400; i++) {
                file.seek(8192 + random.nextInt((int) file.length() - 8192));
                file.write(random.nextInt(256));
            }
        }
        // Where the newest pages are hit the store goes back to what stood before them, and misses the writes since.
        assertThat(refused()).containsAnyOf("damaged", "is older than the last entry");
    }

    @Test
    void dataOfALaterEditionAreLeftAlone() throws Exception {
        sql(
                "insert into \"flyway_schema_history\" select 99, '99', \"description\", \"type\", \"script\", \"checksum\", "
                        + "\"installed_by\", \"installed_on\", \"execution_time\", \"success\" "
                        + "from \"flyway_schema_history\" where \"version\" = '4'");
        assertThat(refused()).contains("data version 99");
    }

    @Test
    void aSecondServerOnTheSameDataIsToldSoInOneLine() throws Exception {
        try (Server first = new Server(folder)) {
            ServerProcess second = ServerProcess.start(folder);
            assertThat(second.waitFor()).isEqualTo(1);
            assertThat(second.said().lines())
                    .singleElement(STRING)
                    .startsWith("early-gate: the data in ")
                    .contains("served by another server already");
            assertThat(first.get("/api/units").status()).isEqualTo(200);
        }
    }

    /** One thing each in four of five runs: named where it is, and nothing else is taken along. */
    @Test
    void whatWasChangedInTheFileIsNamedAndNotBelieved() throws Exception {
        sql("update run_event set body = replace(body, 's1', 's2') where run_id = %d and seq = 1"
                .formatted(runs.get(0)));
        sql("delete from run_event where run_id = %d and seq = 2".formatted(runs.get(1)));
        sql("insert into run_event select run_id, 3, at, by_name, 'another', body, hash from run_event"
                + " where run_id = %d and seq = 2".formatted(runs.get(2)));
        sql("update run set technician = 'Somebody else' where id = %d".formatted(runs.get(3)));
        try (Server server = new Server(folder)) {
            named(server, runs.get(0), "Event 1 of run %d was changed.*");
            assertThat(server.get("/api/runs/" + runs.get(0) + "/record").status())
                    .isEqualTo(409);
            named(server, runs.get(1), "Event 2 of run %d is missing.*");
            named(server, runs.get(2), "Event 3 of run %d (was changed|stands where it was never written).*");
            named(server, runs.get(3), ".*head of run %d was changed.*");
            assertThat(server.get("/api/runs/" + runs.get(4)).status()).isEqualTo(200);
        }
    }

    private static void named(Server server, long run, String how) {
        Answer answer = server.get("/api/runs/" + run);
        assertThat(answer.status()).isEqualTo(409);
        assertThat(answer.problem()).matches(how.formatted(run));
    }

    /** An entry that an index lost: no list ordered by it shows the row, and a new one of the name "already exists". */
    @Test
    void anIndexThatLiesIsRebuiltAndTheOldFileKept() throws Exception {
        try (Server server = new Server(folder)) {
            for (String name : new String[] {"Gauge 64", "Gauge 65"}) {
                assertThat(server.post("/api/instruments", instrument(name)).status())
                        .isEqualTo(201);
            }
        }
        TornFile.dropIndexEntry(folder.resolve("early-gate"), "INSTRUMENT");
        ServerProcess process = ServerProcess.start(folder);
        process.ready();
        process.kill();
        assertThat(process.said()).contains("is not in ").contains("Rebuilt; the old file is kept as");
        try (Server server = new Server(folder)) {
            assertThat(server.get("/api/instruments").json().findValuesAsString("name"))
                    .contains("Gauge 64", "Gauge 65");
            Answer twice = server.post("/api/instruments", instrument("Gauge 64"));
            assertThat(twice.status()).isEqualTo(409);
        }
        try (var files = Files.list(folder)) {
            assertThat(files.map(f -> f.getFileName().toString())).anyMatch(f -> f.startsWith("early-gate-set-aside-"));
        }
    }

    private static String instrument(String name) {
        return Server.object()
                .put("name", name)
                .put("kind", "gauge")
                .put("unit", "bar")
                .put("range", 250)
                .put("accuracyClass", 1)
                .put("resolution", 1)
                .toString();
    }

    private void sql(String statement) throws SQLException {
        try (Connection c = DriverManager.getConnection("jdbc:h2:file:" + folder.resolve("early-gate"), "sa", "");
                Statement s = c.createStatement()) {
            assertThat(s.executeUpdate(statement)).isPositive();
        }
    }
}
