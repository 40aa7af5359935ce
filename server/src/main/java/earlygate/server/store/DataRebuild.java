package earlygate.server.store;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.SQLException;
import java.sql.Statement;

/** A data file made anew from the rows of the tables themselves; no index of the old one is asked. */
final class DataRebuild {
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
        DataFile rebuilt = new DataFile(folder.resolve(name + ".rebuilt" + DataFile.ENDING));
        Files.deleteIfExists(rebuilt.path());
        try (Connection fresh = rebuilt.make();
                Statement s = fresh.createStatement()) {
            s.execute("runscript from '" + quoted(script()) + "'");
            Integrity.requireIntact(fresh);
        }
        String aside = Exchange.put(rebuilt.path(), file);
        Files.deleteIfExists(script());
        return aside;
    }

    private static String quoted(Path file) {
        return file.toString().replace("'", "''");
    }
}
