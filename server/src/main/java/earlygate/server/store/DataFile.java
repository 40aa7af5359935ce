package earlygate.server.store;

import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.OptionalLong;
import org.h2.api.ErrorCode;

/** A data file: how it is opened, of which version it is, and how many writes it has seen. */
public record DataFile(Path path) {
    public static final String USER = "sa";

    static final String ENDING = ".mv.db";

    /** Every commit goes to the file at once, not half a second later. */
    String url() {
        return "jdbc:h2:file:" + path.toString().replaceFirst("\\.mv\\.db$", "")
                + ";WRITE_DELAY=0;DB_CLOSE_ON_EXIT=FALSE;TRACE_LEVEL_FILE=0";
    }

    /** One that is there; nothing is made. */
    Connection open() throws SQLException {
        return connect(";IFEXISTS=TRUE");
    }

    /** It stays bit for bit as it is. */
    Connection openToRead() throws SQLException {
        return connect(";IFEXISTS=TRUE;ACCESS_MODE_DATA=r");
    }

    /** Made where it is not there. */
    Connection make() throws SQLException {
        return connect("");
    }

    private Connection connect(String more) throws SQLException {
        return DriverManager.getConnection(url() + more, USER, "");
    }

    /** The number of the last migration; 0 where there was none. */
    static int version(Connection open) throws SQLException {
        return (int) number(open, "select max(cast(\"version\" as int)) from \"flyway_schema_history\"")
                .orElse(0);
    }

    /** Empty for one of a version that did not count them. */
    static OptionalLong writes(Connection open) throws SQLException {
        return number(open, "select n from write_count");
    }

    private static OptionalLong number(Connection open, String query) throws SQLException {
        try (Statement s = open.createStatement();
                ResultSet r = s.executeQuery(query)) {
            return r.next() && r.getObject(1) != null ? OptionalLong.of(r.getLong(1)) : OptionalLong.empty();
        } catch (SQLException e) {
            if (e.getErrorCode() == ErrorCode.TABLE_OR_VIEW_NOT_FOUND_1
                    || e.getErrorCode() == ErrorCode.TABLE_OR_VIEW_NOT_FOUND_DATABASE_EMPTY_1) {
                return OptionalLong.empty();
            }
            throw e;
        }
    }
}
