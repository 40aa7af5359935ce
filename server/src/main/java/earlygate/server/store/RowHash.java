package earlygate.server.store;

import java.sql.Date;
import java.time.OffsetDateTime;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import org.jooq.Field;
import org.jooq.Record;
import org.jooq.Table;
import tools.jackson.databind.json.JsonMapper;

/**
 * The hash that a row carries in its column {@code row_hash}: SHA-256 of the JSON array [table, {column: value}], in hex.
 * Columns go by name in small letters; those without a value are left out, so that a column may be added, and so are
 * {@code document} and {@code plan}, which have hashes of their own, so that no list reads long texts.
 */
public final class RowHash {
    static final String COLUMN = "ROW_HASH";

    private static final Set<String> LEFT_OUT = Set.of("row_hash", "document", "plan");
    private static final JsonMapper JSON = new JsonMapper();

    private RowHash() {}

    /**
     * Whether a row is as it was written.
     *
     * @param row with every column that its hash is of
     */
    public static boolean holds(Table<?> table, Record row) {
        return of(table, row).equals(row.get(COLUMN));
    }

    static String of(Table<?> table, Record row) {
        Map<String, Object> values = new TreeMap<>();
        for (Field<?> f : row.fields()) {
            String name = f.getName().toLowerCase(Locale.ROOT);
            Object value = row.get(f);
            if (value != null && !LEFT_OUT.contains(name)) {
                values.put(name, written(value));
            }
        }
        return Sha256.of(JSON.writeValueAsString(new Object[] {table.getName().toLowerCase(Locale.ROOT), values}));
    }

    private static Object written(Object value) {
        if (value instanceof OffsetDateTime at) {
            return at.toInstant().toString();
        }
        if (value instanceof Date day) {
            return day.toLocalDate().toString();
        }
        return value instanceof Number || value instanceof Boolean ? value : value.toString();
    }
}
