package earlygate.server.store;

import earlygate.explain.Reason;
import earlygate.quantity.PressureUnit;
import earlygate.server.words.Words;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.DirectoryStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import org.h2.api.ErrorCode;
import org.jooq.SQLDialect;
import org.jooq.impl.DSL;

/**
 * The folder with the one data file. It is looked over before anything is served from it: that it can be written, that
 * nobody else serves from it, that it is no later edition's, and, unless it is bit for bit the file that was closed
 * properly, that each index fits its table. What can be rebuilt is rebuilt and the old file kept; all else is refused.
 */
public final class DataFolder {
    /** The data version that this edition writes; the number of the last migration. */
    static final int VERSION = 8;

    private static final String NAME = "early-gate";
    static final String USER = "sa";

    private final Path folder;

    private final Mark mark;

    private DataFolder(Path folder) {
        this.folder = folder;
        this.mark = new Mark(folder.resolve(NAME + ".mark"));
    }

    /**
     * @return the folder, whole and not yet open
     * @throws DataRefused in one line, when it can't be served from
     */
    static DataFolder lookedOver(Path folder, Disk disk) {
        DataFolder data = new DataFolder(folder.toAbsolutePath().normalize());
        data.writable();
        // To open data is to write, too.
        disk.room(data.folder).ifPresent(full -> {
            throw data.refused(new Reason("store.full-start", full.values()), null);
        });
        if (Files.exists(data.file())) {
            data.whole();
        } else if (data.mark.confirmed().isPresent()) {
            throw data.refused("store.gone", null);
        }
        return data;
    }

    /** To read from only: for a look at data that nobody serves. */
    static DataFolder of(Path folder) {
        return new DataFolder(folder.toAbsolutePath().normalize());
    }

    Path folder() {
        return folder;
    }

    Path file() {
        return folder.resolve(NAME + ".mv.db");
    }

    Seal seal() {
        return new Seal(folder.resolve(NAME + ".seal"), file());
    }

    Mark mark() {
        return mark;
    }

    /** Every commit goes to the file at once, not half a second later. */
    String url() {
        return url(folder.resolve(NAME));
    }

    static String url(Path base) {
        return "jdbc:h2:file:" + base + ";WRITE_DELAY=0;DB_CLOSE_ON_EXIT=FALSE;TRACE_LEVEL_FILE=0";
    }

    private static String say(Reason reason) {
        return Words.in(PressureUnit.BAR).say(reason);
    }

    /** To whoever started the server; it may take a while. */
    private static void tell(Reason reason) {
        System.out.println(say(reason));
    }

    /** What a kill left half done; only by the one who has the data open. */
    void tidy() {
        try (DirectoryStream<Path> left = Files.newDirectoryStream(folder, NAME + "-backup*.zip")) {
            for (Path zip : left) {
                Files.deleteIfExists(zip);
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private void writable() {
        if (folder.toString().contains(";")) {
            throw refused("store.bad-path", null);
        }
        try {
            Files.createDirectories(folder);
        } catch (IOException e) {
            throw refused("store.no-folder", e);
        }
        if (!Files.isWritable(folder)) {
            throw refused("store.folder-read-only", null);
        }
        if (Files.exists(file()) && !Files.isWritable(file())) {
            throw refused("store.file-read-only", null);
        }
    }

    private void whole() {
        empty();
        if (seal().fits(VERSION)) {
            return;
        }
        DataRebuild rebuild = new DataRebuild(folder, NAME);
        try (Connection open = connect(file(), "")) {
            version(open);
            tell(Reason.of("store.looking"));
            nothingLost(open);
            Integrity.Report report = Integrity.check(open);
            if (report.whole()) {
                tell(Reason.of("store.whole").number("rows", report.rows()).number("indexes", report.indexes()));
                return;
            }
            report.faults().forEach(f -> tell(Reason.of("store.fault").name("detail", f)));
            tell(Reason.of("store.rebuilding"));
            rebuild.write(open);
        } catch (SQLException e) {
            throw unreadable(e);
        }
        try {
            tell(Reason.of("store.rebuilt").name("file", rebuild.swap(file())));
        } catch (SQLException | IOException e) {
            throw refused("store.damaged", e);
        }
    }

    /** A file cut short opens at an older state without complaint. */
    private void nothingLost(Connection open) throws SQLException {
        long confirmed = mark.confirmed().orElse(0);
        long found = version(open, 0) < VERSION ? 0 : writes(open);
        if (found < confirmed) {
            throw refused(Reason.of("store.older").number("missing", confirmed - found), null);
        }
    }

    private static long writes(Connection open) throws SQLException {
        try (Statement s = open.createStatement();
                ResultSet r = s.executeQuery("select n from write_count")) {
            return r.next() ? r.getLong(1) : 0;
        }
    }

    private void empty() {
        try {
            if (Files.size(file()) == 0) {
                throw refused("store.empty", null);
            }
        } catch (IOException e) {
            throw refused("store.damaged", e);
        }
    }

    private static Connection connect(Path file, String more) throws SQLException {
        String base = file.toString().replaceFirst("\\.mv\\.db$", "");
        return DriverManager.getConnection(url(Path.of(base)) + ";IFEXISTS=TRUE" + more, USER, "");
    }

    private void version(Connection open) throws SQLException {
        int found = version(open, VERSION);
        if (found > VERSION) {
            throw refused(later(found), null);
        }
    }

    private static Reason later(int found) {
        return Reason.of("store.later").number("found", found).number("known", VERSION);
    }

    private static int version(Connection open, int none) throws SQLException {
        try (Statement s = open.createStatement();
                ResultSet r = s.executeQuery("select max(cast(\"version\" as int)) from \"flyway_schema_history\"")) {
            return r.next() && r.getObject(1) != null ? r.getInt(1) : none;
        } catch (SQLException e) {
            if (e.getErrorCode() == ErrorCode.TABLE_OR_VIEW_NOT_FOUND_1
                    || e.getErrorCode() == ErrorCode.TABLE_OR_VIEW_NOT_FOUND_DATABASE_EMPTY_1) {
                return none;
            }
            throw e;
        }
    }

    DataRefused unreadable(SQLException e) {
        return e.getErrorCode() == ErrorCode.DATABASE_ALREADY_OPEN_1
                ? refused("store.in-use", e)
                : refused("store.damaged", e);
    }

    private DataRefused refused(String code, Throwable cause) {
        return refused(Reason.of(code), cause);
    }

    private DataRefused refused(Reason reason, Throwable cause) {
        return new DataRefused(
                reason.name("folder", folder.toString())
                        .name("file", file().toString())
                        .name("detail", detail(cause)),
                cause);
    }

    private static String detail(Throwable cause) {
        return cause == null || cause.getMessage() == null
                ? "no more is known"
                : cause.getMessage().lines().findFirst().orElse("").replaceAll("\\s*\\[[0-9-]+]$|^IO Exception: ", "");
    }

    /**
     * Looks at a file that nobody serves from: every row, every index, every chain of events.
     *
     * @return one line about what is in it
     * @throws DataRefused with the first thing that is not whole
     */
    static String verified(Path file) {
        DataFolder at = new DataFolder(file.toAbsolutePath().getParent());
        try {
            if (Files.size(file) == 0) {
                throw new DataRefused(Reason.of("store.copy-empty").name("file", file.toString()), null);
            }
            try (Connection open = connect(file, ";ACCESS_MODE_DATA=r")) {
                int found = version(open, 0);
                if (found == 0) {
                    throw new DataRefused(Reason.of("store.foreign").name("file", file.toString()), null);
                }
                if (found > VERSION) {
                    throw at.refused(later(found), null);
                }
                Integrity.Report report = Integrity.check(open);
                if (!report.whole()) {
                    throw new DataRefused(
                            Reason.of("store.not-whole")
                                    .name("file", file.toString())
                                    .name("detail", report.faults().get(0)),
                            null);
                }
                long runs = found < VERSION ? 0 : EventChain.verifyAll(DSL.using(open, SQLDialect.H2));
                return say(Reason.of("store.verified")
                        .number("rows", report.rows())
                        .number("indexes", report.indexes())
                        .number("logs", runs));
            }
        } catch (SQLException e) {
            if (e.getErrorCode() == ErrorCode.DATABASE_ALREADY_OPEN_1) {
                throw at.refused("store.in-use", e);
            }
            throw unreadable(file, e);
        } catch (IOException e) {
            throw unreadable(file, e);
        }
    }

    private static DataRefused unreadable(Path file, Exception e) {
        return new DataRefused(
                Reason.of("store.unreadable").name("file", file.toString()).name("detail", detail(e)), e);
    }
}
