package earlygate.server.store;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.StandardCopyOption;
import java.sql.Connection;
import java.sql.SQLException;
import java.util.OptionalLong;

/**
 * Brings data of an earlier version up to this edition's. It works on a copy, so whatever stops it leaves the data as they
 * were and the next start begins again; only a whole copy takes their place.
 */
final class DataUpgrade {
    private final DataFile file;
    private final DataFile copy;
    private final Migrations migrations;

    DataUpgrade(DataFile file, Migrations migrations) {
        this.file = file;
        this.copy = new DataFile(file.path().resolveSibling("early-gate.upgrading" + DataFile.ENDING));
        this.migrations = migrations;
    }

    /** Of data that are there. @return the name under which the old file was set aside */
    String upgrade() throws SQLException, IOException {
        Files.copy(file.path(), copy.path(), StandardCopyOption.REPLACE_EXISTING);
        migrate();
        return Exchange.put(copy.path(), file.path());
    }

    /** Of none: the first file of a folder. */
    void begin() throws SQLException, IOException {
        Files.deleteIfExists(copy.path());
        migrate();
        Exchange.place(copy.path(), file.path());
    }

    private void migrate() throws SQLException, IOException {
        try (Connection open = copy.make()) {
            OptionalLong before = DataFile.writes(open);
            migrations.apply(copy.url());
            Integrity.requireIntact(open);
            if (before.isPresent() && !before.equals(DataFile.writes(open))) {
                throw new SQLException("the count of writes was changed");
            }
        }
    }
}
