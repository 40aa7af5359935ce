package earlygate.server.store;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.sql.Statement;
import java.time.LocalDateTime;
import java.time.format.DateTimeFormatter;

/** A data file made anew from the rows of the tables themselves; no index of the old one is asked. */
final class DataRebuild {
    private static final DateTimeFormatter STAMP = DateTimeFormatter.ofPattern("yyyyMMdd-HHmmss");

    private final Path folder;
    private final String name;

    DataRebuild(Path folder, String name) {
        this.folder = folder;
        this.name = name;
    }

    private Path script() {
        return folder.resolve(name + ".rebuild.sql");
    }

    /** First half, while the old file is open: all rows as a script. */
    void write(Connection open) throws SQLException {
        try (Statement s = open.createStatement()) {
            s.execute("script to '" + quoted(script()) + "'");
        }
    }

    /**
     * Second half, with the old file closed: the script into a new one, looked over, and put in its place.
     *
     * @return the name under which the old file was set aside
     */
    String swap(Path file) throws SQLException, IOException {
        Path rebuilt = folder.resolve(name + ".rebuilt.mv.db");
        Files.deleteIfExists(rebuilt);
        String url = DataFolder.url(folder.resolve(name + ".rebuilt"));
        try (Connection fresh = DriverManager.getConnection(url, DataFolder.USER, "");
                Statement s = fresh.createStatement()) {
            s.execute("runscript from '" + quoted(script()) + "'");
            Integrity.Report report = Integrity.check(fresh);
            if (!report.whole()) {
                throw new SQLException(report.faults().get(0));
            }
        }
        Path aside = folder.resolve(name + "-set-aside-" + LocalDateTime.now().format(STAMP) + ".mv.db");
        Files.move(file, aside);
        Files.move(rebuilt, file, StandardCopyOption.ATOMIC_MOVE);
        Files.deleteIfExists(script());
        return aside.getFileName().toString();
    }

    private static String quoted(Path file) {
        return file.toString().replace("'", "''");
    }
}
