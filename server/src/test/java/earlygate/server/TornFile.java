package earlygate.server;

import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import org.h2.engine.SessionLocal;
import org.h2.index.Cursor;
import org.h2.index.Index;
import org.h2.jdbc.JdbcConnection;
import org.h2.result.Row;
import org.h2.schema.Schema;
import org.h2.table.Table;

/** Makes the very fault that a file cut off in the middle may have: a row that one of its indexes does not know. */
final class TornFile {
    private TornFile() {}

    /** Takes the first row out of the first unique index of a table; the row itself stays. */
    static void dropIndexEntry(Path database, String tableName) throws SQLException {
        try (Connection c = DriverManager.getConnection("jdbc:h2:file:" + database, "sa", "")) {
            SessionLocal session = (SessionLocal) c.unwrap(JdbcConnection.class).getSession();
            Schema schema = session.getDatabase().getMainSchema();
            Table table = schema.findTableOrView(session, tableName);
            Cursor rows = table.getScanIndex(session).find(session, null, null, false);
            rows.next();
            Row row = rows.get();
            Index unique = table.getIndexes().stream()
                    .filter(i ->
                            i.getIndexType().isUnique() && !i.getIndexType().isPrimaryKey())
                    .findFirst()
                    .orElseThrow();
            unique.remove(session, row);
            session.commit(false);
        }
    }
}
