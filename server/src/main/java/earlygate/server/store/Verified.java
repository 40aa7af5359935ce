package earlygate.server.store;

import earlygate.explain.Reason;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.SQLException;
import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.h2.api.ErrorCode;

/**
 * What a look at a data file found.
 *
 * @param faults what is not as it was written, a line each; empty for a whole file
 */
record Verified(int version, long rows, int indexes, long logs, long writes, List<String> faults) {
    /**
     * Looks at a file that nobody serves from: every row, every index, every chain of events, every hash.
     *
     * @throws DataRefused where it can't be read as data of this edition or an earlier one
     */
    static Verified of(Path file) {
        try {
            if (Files.size(file) == 0) {
                throw refused(Reason.of("store.copy-empty"), file, null);
            }
            try (Connection open = new DataFile(file).openToRead()) {
                int version = DataFile.version(open);
                if (version == 0) {
                    throw refused(Reason.of("store.foreign"), file, null);
                }
                if (version > DataFolder.VERSION) {
                    throw refused(DataFolder.later(version), file, null);
                }
                return of(open, version);
            }
        } catch (SQLException e) {
            boolean served = e.getErrorCode() == ErrorCode.DATABASE_ALREADY_OPEN_1;
            throw refused(Reason.of(served ? "store.in-use" : "store.unreadable"), file, e);
        } catch (IOException e) {
            throw refused(Reason.of("store.unreadable"), file, e);
        }
    }

    private static DataRefused refused(Reason why, Path file, Exception cause) {
        return new DataRefused(
                why.name("file", file.toString())
                        .name("folder", file.toAbsolutePath().getParent().toString())
                        .name("detail", DataFolder.detail(cause)),
                cause);
    }

    private static Verified of(Connection open, int version) throws SQLException {
        Integrity.Report rows = Integrity.check(open);
        Hashes hashes = Hashes.follow(open, version);
        return new Verified(
                version,
                rows.rows(),
                rows.indexes(),
                hashes.logs(),
                DataFile.writes(open).orElse(0),
                Stream.concat(rows.faults().stream(), hashes.faults().stream().map(DataFolder::say))
                        .toList());
    }

    boolean whole() {
        return faults.isEmpty();
    }

    /** In one line; a fault each in another. */
    String said() {
        Reason counts = Reason.of(whole() ? "store.verified" : "store.verified-not-whole")
                .number("rows", rows)
                .number("indexes", indexes)
                .number("logs", logs)
                .number("faults", faults.size());
        return Stream.concat(Stream.of(DataFolder.say(counts)), faults.stream()).collect(Collectors.joining("\n"));
    }
}
