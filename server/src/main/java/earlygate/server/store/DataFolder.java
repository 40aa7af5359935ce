package earlygate.server.store;

import earlygate.explain.Reason;
import earlygate.quantity.PressureUnit;
import earlygate.server.words.Words;
import java.io.IOException;
import java.io.PrintStream;
import java.io.UncheckedIOException;
import java.nio.file.DirectoryStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.SQLException;
import java.util.List;
import java.util.OptionalLong;
import org.flywaydb.core.api.FlywayException;
import org.h2.api.ErrorCode;

/**
 * The folder with the one data file. It is looked over before anything is served from it: that it can be written, that
 * nobody else serves from it, that it is no later edition's, that it holds every write that was confirmed from it, and,
 * unless it is bit for bit the file that was closed properly, that each index fits its table and each row its hash. What
 * can be rebuilt is rebuilt and the old file kept; a row that was changed is named; all else is refused.
 */
public final class DataFolder {
    /** The data version that this edition writes; the number of the last migration. */
    static final int VERSION = 10;

    private static final String NAME = "early-gate";

    private final Path folder;

    private final Mark mark;
    private List<String> changed = List.of();

    /** To whoever started the server; looking the data over may take a while. */
    private final PrintStream told;

    private DataFolder(Path folder, PrintStream told) {
        this.folder = folder;
        this.told = told;
        this.mark = new Mark(folder.resolve(NAME + ".mark"));
    }

    /**
     * @return the folder, whole, of this edition's version, and not yet open
     * @throws DataRefused in one line, when it can't be served from
     */
    static DataFolder opened(Path folder, Disk disk, Migrations migrations) {
        return opened(folder, disk, migrations, System.out);
    }

    /** The same, saying there what is found. */
    static DataFolder opened(Path folder, Disk disk, Migrations migrations, PrintStream told) {
        DataFolder data = new DataFolder(folder.toAbsolutePath().normalize(), told);
        data.requireWritable();
        // To open data is to write, too.
        disk.room(data.folder).ifPresent(full -> {
            throw data.refused(new Reason("store.full-start", full.values()), null);
        });
        DataUpgrade upgrade = new DataUpgrade(new DataFile(data.file()), migrations);
        if (Files.exists(data.file())) {
            data.requireIntact(upgrade, disk);
        } else if (data.mark.isThere()) {
            throw data.refused("store.gone", null);
        } else {
            data.begin(upgrade);
        }
        return data;
    }

    /** To read from only: for a look at data that nobody serves. */
    static DataFolder of(Path folder) {
        return new DataFolder(folder.toAbsolutePath().normalize(), System.out);
    }

    Path folder() {
        return folder;
    }

    Path file() {
        return folder.resolve(NAME + DataFile.ENDING);
    }

    Seal seal() {
        return new Seal(folder.resolve(NAME + ".seal"), file());
    }

    Mark mark() {
        return mark;
    }

    /** Once the file is closed properly. */
    void close() {
        seal(VERSION, changed.isEmpty());
    }

    void seal(int version, boolean whole) {
        if (whole) {
            seal().make(version);
        } else {
            seal().makeOfChanged();
        }
    }

    /** What was found changed when the data were looked over, each in a sentence; empty for data that were closed properly. */
    List<String> changed() {
        return changed;
    }

    String url() {
        return new DataFile(file()).url();
    }

    static String say(Reason reason) {
        return Words.in(PressureUnit.BAR).say(reason);
    }

    private void tell(Reason reason) {
        told.println(say(reason));
    }

    /** What a kill left half done; only by the one who has the data open. */
    void tidy() {
        try (DirectoryStream<Path> left =
                Files.newDirectoryStream(folder, NAME + "{-backup*.zip,.upgrading.*,.rebuil*}")) {
            for (Path file : left) {
                Files.deleteIfExists(file);
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private void requireWritable() {
        if (folder.toString().contains(";")) {
            throw refused("store.bad-path", null);
        }
        try {
            OwnersOnly.folder(folder);
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

    private void requireIntact(DataUpgrade upgrade, Disk disk) {
        requireNotEmpty();
        boolean sealed = seal().fits(VERSION);
        boolean earlier = (sealed ? asClosed() : lookedThrough()) < VERSION;
        if (earlier) {
            bringUp(upgrade, disk);
        }
        if (!sealed || earlier) {
            rowsThatWereChanged();
        }
    }

    /** Of a file that is bit for bit the one that was closed. @return its version */
    private int asClosed() {
        try (Connection open = new DataFile(file()).openToRead()) {
            int found = known(open);
            requireNoLostWrites(open);
            return found;
        } catch (SQLException e) {
            throw unreadable(e);
        }
    }

    /** Of any other: each index is held against its table, and rebuilt where it lies. @return its version */
    private int lookedThrough() {
        DataRebuild rebuild = new DataRebuild(folder, NAME);
        int found;
        try (Connection open = new DataFile(file()).open()) {
            found = known(open);
            tell(Reason.of(seal().isThere() ? "store.looking-changed" : "store.looking"));
            requireNoLostWrites(open);
            Integrity.Report report = Integrity.check(open);
            if (report.whole()) {
                tell(Reason.of("store.whole").number("rows", report.rows()).number("indexes", report.indexes()));
                return found;
            }
            report.faults().forEach(this::fault);
            tell(Reason.of("store.rebuilding"));
            rebuild.write(open);
        } catch (SQLException e) {
            throw unreadable(e);
        }
        try {
            tell(Reason.of("store.rebuilt").name("file", rebuild.swap(file())));
            return found;
        } catch (SQLException | IOException e) {
            throw refused("store.damaged", e);
        }
    }

    private void fault(String said) {
        tell(Reason.of("store.fault").name("detail", said));
    }

    private int known(Connection open) throws SQLException {
        int found = DataFile.version(open);
        if (found > VERSION) {
            throw refused(later(found), null);
        }
        return found;
    }

    /** A file cut short, or one put back from before, opens at an older state without complaint. */
    private void requireNoLostWrites(Connection open) throws SQLException {
        OptionalLong confirmed = mark.confirmed();
        OptionalLong counted = DataFile.writes(open);
        long found = counted.orElse(0);
        if (found < confirmed.orElse(0)) {
            throw refused(
                    Reason.of("store.older").number("found", found).number("confirmed", confirmed.getAsLong()), null);
        }
        if (counted.isPresent() && confirmed.isEmpty() && (mark.isThere() || found > 0)) {
            tell(Reason.of(mark.isThere() ? "store.mark-unreadable" : "store.mark-missing")
                    .name("folder", folder.toString())
                    .number("found", found));
            mark.begin(found);
        }
    }

    private void bringUp(DataUpgrade upgrade, Disk disk) {
        try {
            disk.room(folder, Files.size(file())).ifPresent(full -> {
                throw refused(new Reason("store.full-upgrade", full.values()), null);
            });
            tell(Reason.of("store.upgrading").number("version", VERSION));
            tell(Reason.of("store.upgraded").name("file", upgrade.upgrade()));
        } catch (SQLException | IOException | FlywayException e) {
            throw refused("store.not-upgraded", e);
        }
    }

    private void begin(DataUpgrade upgrade) {
        try {
            upgrade.begin();
        } catch (SQLException | IOException | FlywayException e) {
            throw refused("store.not-begun", e);
        }
    }

    /** They are named, and each is refused where it is asked for; the others are served. */
    private void rowsThatWereChanged() {
        try (Connection open = new DataFile(file()).openToRead()) {
            changed = Hashes.follow(open, VERSION).faults().stream()
                    .map(DataFolder::say)
                    .toList();
            changed.forEach(this::fault);
        } catch (SQLException e) {
            throw unreadable(e);
        }
    }

    private void requireNotEmpty() {
        try {
            if (Files.size(file()) == 0) {
                throw refused("store.empty", null);
            }
        } catch (IOException e) {
            throw refused("store.damaged", e);
        }
    }

    static Reason later(int found) {
        return Reason.of("store.later").number("found", found).number("known", VERSION);
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

    static String detail(Throwable cause) {
        return cause == null || cause.getMessage() == null
                ? "no more is known"
                : cause.getMessage().lines().findFirst().orElse("").replaceAll("\\s*\\[[0-9-]+]$|^IO Exception: ", "");
    }
}
