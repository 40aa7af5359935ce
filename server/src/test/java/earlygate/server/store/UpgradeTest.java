package earlygate.server.store;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import earlygate.fixture.Effort;
import earlygate.server.migration.AllMigrations;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.PrintStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.List;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.jooq.SQLDialect;
import org.jooq.impl.DSL;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import org.springframework.util.FileSystemUtils;

/** Data of each earlier version, closed or cut off by a kill, with what lies beside them or without it. */
class UpgradeTest {
    private static final int WRITES = 284;
    /** What the edition before this one wrote: the data that will be upgraded most often. */
    private static final int LAST = 8;
    /** From this version on a file counts its writes. */
    private static final int COUNTS = 4;

    @TempDir
    static Path made;

    @TempDir
    Path folder;

    enum Beside {
        NOTHING,
        SEAL,
        MARK,
        BOTH
    }

    record Case(int version, boolean killed, Beside beside) {
        private boolean mark() {
            return beside == Beside.MARK || beside == Beside.BOTH;
        }

        private boolean seal() {
            return beside == Beside.SEAL || beside == Beside.BOTH;
        }
    }

    /** No edition before the fourth left a mark, none that was killed a seal. */
    static Stream<Case> cases() {
        return IntStream.rangeClosed(1, DataFolder.VERSION)
                .boxed()
                .flatMap(v -> Stream.of(true, false)
                        .flatMap(killed -> Stream.of(Beside.values()).map(b -> new Case(v, killed, b))))
                .filter(c -> c.version() >= COUNTS || !c.mark())
                .filter(c -> !c.killed() || !c.seal())
                .filter(c -> Effort.LONG
                        || c.version() >= LAST
                        || c.beside() == (c.version() < COUNTS ? Beside.NOTHING : Beside.MARK));
    }

    @ParameterizedTest
    @MethodSource("cases")
    void nothingIsLostAndNothingIsRefused(Case c) throws IOException, SQLException {
        written(c);
        String said = lookedOver(AllMigrations.all());
        try (Connection open = file().openToRead()) {
            assertThat(DataFile.version(open)).isEqualTo(DataFolder.VERSION);
            assertThat(DataFile.writes(open)).hasValue(c.version() < COUNTS ? 0 : WRITES);
            assertThat(Hashes.follow(open, DataFolder.VERSION).faults()).isEmpty();
            try (Statement s = open.createStatement();
                    var r = s.executeQuery("select document from unit_revision where tag = 'LG-07'")) {
                assertThat(r.next()).isTrue();
                assertThat(r.getString(1)).isEqualTo(sheet());
            }
        }
        boolean counted = c.version() >= COUNTS;
        assertThat(said.contains("early-gate.mark is missing")).isEqualTo(counted && !c.mark());
        assertThat(said.contains("the file of the earlier edition is kept as"))
                .isEqualTo(c.version() < DataFolder.VERSION);
        // Of what was said nothing is said twice.
        assertThat(lookedOver(AllMigrations.all())).doesNotContain("early-gate.mark", "earlier edition");
    }

    /** Between any two changes, and in the middle of one. */
    @Test
    void whatStopsInTheMiddleBeginsAgain() throws IOException, SQLException {
        written(new Case(5, true, Beside.MARK));
        for (int reached = 5; reached < DataFolder.VERSION; reached++) {
            int upTo = reached;
            assertThatThrownBy(() -> lookedOver(url -> {
                        AllMigrations.upTo(upTo).apply(url);
                        throw new StackOverflowError("killed");
                    }))
                    .hasMessage("killed");
            try (Connection open = file().openToRead()) {
                assertThat(DataFile.version(open)).as("untouched").isEqualTo(5);
            }
        }
        assertThat(lookedOver(AllMigrations.all())).contains("kept as early-gate-set-aside-");
        try (Connection open = file().openToRead()) {
            assertThat(DataFile.writes(open)).hasValue(WRITES);
        }
    }

    @Test
    void aMarkThatSaysNothingIsSaidOnce() throws IOException, SQLException {
        for (String mark : List.of("garbage", "-5", "", "9999999999999999999")) {
            FileSystemUtils.deleteRecursively(folder);
            written(new Case(DataFolder.VERSION, false, Beside.BOTH));
            Files.writeString(folder.resolve("early-gate.mark"), mark);
            assertThat(lookedOver(AllMigrations.all())).as(mark).contains("holds no count", "(284 writes)");
            assertThat(lookedOver(AllMigrations.all())).as(mark).doesNotContain("early-gate.mark");
        }
    }

    private DataFile file() {
        return new DataFile(folder.resolve("early-gate.mv.db"));
    }

    private static String sheet() throws IOException {
        return Files.readString(Path.of("../demo/units/LG-07.json"));
    }

    private void written(Case c) throws IOException, SQLException {
        Files.createDirectories(folder);
        Files.write(file().path(), made(c.version(), c.killed()));
        if (c.seal()) {
            new Seal(folder.resolve("early-gate.seal"), file().path()).make(c.version());
        }
        if (c.mark()) {
            new Mark(folder.resolve("early-gate.mark")).confirm(WRITES);
        }
    }

    /** The same file for every case of its version. */
    private static byte[] made(int version, boolean killed) throws IOException, SQLException {
        Path file = made.resolve(version + (killed ? "-killed" : "-closed") + DataFile.ENDING);
        if (!Files.exists(file)) {
            make(version);
        }
        return Files.readAllBytes(file);
    }

    private static void make(int version) throws IOException, SQLException {
        DataFile earlier = new DataFile(made.resolve(version + "-closed" + DataFile.ENDING));
        AllMigrations.upTo(version).apply(earlier.url());
        try (Connection open = earlier.open();
                Statement s = open.createStatement()) {
            try (var insert = open.prepareStatement(
                    "insert into unit_revision (tag, revision, document, saved_at) values ('LG-07', 1, ?, now())")) {
                insert.setString(1, sheet());
                insert.executeUpdate();
            }
            if (version >= COUNTS) {
                s.execute("update write_count set n = " + WRITES);
            }
            if (version > COUNTS) {
                s.execute("insert into unit (tag, newest) values ('LG-07', 1)");
                s.execute("update unit_revision set hash = '" + Sha256.of(sheet()) + "'");
            }
            if (version == DataFolder.VERSION) {
                s.execute("delete from table_sum");
                HashedRows.TABLES.forEach(t -> HashedRows.begin(DSL.using(open, SQLDialect.H2), t));
            }
            Files.copy(earlier.path(), made.resolve(version + "-killed" + DataFile.ENDING));
        }
    }

    /** @return what was said to whoever started it */
    private String lookedOver(Migrations migrations) {
        ByteArrayOutputStream said = new ByteArrayOutputStream();
        DataFolder.opened(folder, new Disk(0), migrations, new PrintStream(said));
        return said.toString();
    }
}
