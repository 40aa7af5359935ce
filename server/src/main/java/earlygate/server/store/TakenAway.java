package earlygate.server.store;

import earlygate.server.words.ApiProblem;
import java.time.OffsetDateTime;
import org.jooq.DSLContext;
import org.jooq.Record;
import org.jooq.Table;
import org.jooq.TableField;

/**
 * What is wrong in a list is taken away and stays, so that it can be brought back.
 *
 * @param kind what its rows are, by the last part of its word's code
 * @param at when it was taken away, and {@code by} whom; null while it is there
 */
public record TakenAway<R extends Record>(
        String kind,
        Table<R> table,
        TableField<R, String> tag,
        TableField<R, Long> id,
        TableField<R, OffsetDateTime> at,
        TableField<R, String> by) {
    /** @throws ApiProblem 404 where the unit has no such row */
    public void remove(DSLContext db, Writes writes, String unit, long row, OffsetDateTime when, String who) {
        set(db, writes, unit, row, when, who);
    }

    /** @throws ApiProblem 404 where the unit has no such row; one that is there stays */
    public void bringBack(DSLContext db, Writes writes, String unit, long row) {
        set(db, writes, unit, row, null, null);
    }

    private void set(DSLContext db, Writes writes, String unit, long row, OffsetDateTime when, String who) {
        writes.write(() -> {
            int rows = db.update(table)
                    .set(at, when)
                    .set(by, who)
                    .where(tag.eq(unit), id.eq(row))
                    .execute();
            if (rows == 0) {
                throw ApiProblem.notFound(kind, Long.toString(row));
            }
        });
    }
}
