package earlygate.server.store;

import java.sql.Connection;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.h2.engine.SessionLocal;
import org.h2.index.Cursor;
import org.h2.index.Index;
import org.h2.jdbc.JdbcConnection;
import org.h2.result.SearchRow;
import org.h2.schema.Schema;
import org.h2.table.Table;

/**
 * Holds every index of a data file against its table. A file store that was cut off in the middle may hold a row that an
 * index does not know, which no list then shows, or an index entry without its row, which then "already exists". SQL
 * alone can't see it: the optimiser reads whichever of the two it likes. So the maps themselves are walked.
 */
final class Integrity {
    /** @param rows read from all tables, every long text too; {@code faults} one line each, empty for a whole file */
    record Report(long rows, int indexes, List<String> faults) {
        boolean whole() {
            return faults.isEmpty();
        }
    }

    private static final int MOST_FAULTS = 20;

    private final SessionLocal session;
    private final List<String> faults = new ArrayList<>();
    private long rows;
    private int indexes;

    private Integrity(SessionLocal session) {
        this.session = session;
    }

    /**
     * @param open of an embedded database that nobody writes to meanwhile
     * @throws SQLException where a row or a text can't be read at all
     */
    static Report check(Connection open) throws SQLException {
        Integrity check =
                new Integrity((SessionLocal) open.unwrap(JdbcConnection.class).getSession());
        try {
            for (Table table : check.tables()) {
                check.indexes(table);
                check.texts(open, table);
            }
        } catch (org.h2.message.DbException | org.h2.mvstore.MVStoreException e) {
            throw new SQLException("A row can't be read: " + e.getMessage(), e);
        }
        return new Report(check.rows, check.indexes, List.copyOf(check.faults));
    }

    /** @throws SQLException with the first fault, where an index does not fit its table */
    static void requireIntact(Connection open) throws SQLException {
        Report report = check(open);
        if (!report.whole()) {
            throw new SQLException(report.faults().get(0));
        }
    }

    private List<Table> tables() {
        List<Table> tables = new ArrayList<>();
        for (Schema schema : session.getDatabase().getAllSchemas()) {
            for (Table t : schema.getAllTablesAndViews(session)) {
                if (t.getTableType() == org.h2.table.TableType.TABLE) {
                    tables.add(t);
                }
            }
        }
        return tables;
    }

    private void indexes(Table table) {
        Index scan = table.getScanIndex(session);
        Set<Long> inTable = new HashSet<>();
        for (Cursor c = scan.find(session, null, null, false); c.next(); ) {
            inTable.add(c.get().getKey());
        }
        rows += inTable.size();
        for (Index index : table.getIndexes()) {
            if (index == scan
                    || index.getIndexColumns() == null
                    || index.getIndexType().isScan()) {
                continue;
            }
            indexes++;
            Set<Long> missing = new HashSet<>(inTable);
            for (Cursor c = index.find(session, null, null, false); c.next(); ) {
                entry(table, index, c.getSearchRow(), inTable, missing);
            }
            missing.forEach(key -> fault(table.getName() + " row " + key + " is not in " + index.getName()));
        }
    }

    private void entry(Table table, Index index, SearchRow entry, Set<Long> inTable, Set<Long> missing) {
        long key = entry.getKey();
        if (!inTable.contains(key)) {
            fault(index.getName() + " names row " + key + " of " + table.getName() + ", which is not there");
            return;
        }
        missing.remove(key);
        SearchRow row = table.getRow(session, key);
        if (index.compareRows(row, entry) != 0) {
            fault(index.getName() + " has row " + key + " of " + table.getName() + " under other values");
        }
    }

    /** A long text lies apart from its row and may be gone while the row is there. */
    private void texts(Connection open, Table table) throws SQLException {
        try (Statement s = open.createStatement();
                ResultSet r = s.executeQuery("select * from " + table.getSQL(0))) {
            int columns = r.getMetaData().getColumnCount();
            while (r.next()) {
                for (int i = 1; i <= columns; i++) {
                    r.getString(i);
                }
            }
        }
    }

    private void fault(String text) {
        if (faults.size() < MOST_FAULTS) {
            faults.add(text);
        }
    }
}
