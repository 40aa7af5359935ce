package earlygate.server.store;

import earlygate.explain.Reason;
import java.sql.Connection;
import java.sql.SQLException;
import java.util.List;
import java.util.stream.Stream;

/**
 * What a look at a data file found.
 *
 * @param faults what is not as it was written, a line each; empty for a whole file
 */
record Verified(long rows, int indexes, long logs, long writes, List<String> faults) {
    static Verified of(Connection open, int version) throws SQLException {
        Integrity.Report rows = Integrity.check(open);
        Hashes hashes = Hashes.follow(open, version);
        return new Verified(
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
        return Stream.concat(Stream.of(DataFolder.say(counts)), faults.stream())
                .reduce((a, b) -> a + "\n" + b)
                .orElseThrow();
    }
}
