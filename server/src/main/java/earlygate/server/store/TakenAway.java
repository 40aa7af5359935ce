package earlygate.server.store;

import earlygate.server.words.ApiProblem;
import java.time.OffsetDateTime;
import org.jooq.DSLContext;
import org.jooq.Table;
import org.jooq.TableField;
import org.jooq.UpdatableRecord;

/**
 * What is wrong in a list is taken away and stays, so that it can be brought back.
 *
 * @param kind what its rows are, by the last part of its word's code
 * @param at when it was taken away, and {@code by} whom; null while it is there
 */
public record TakenAway<R extends UpdatableRecord<R>>(
        String kind,
        Table<R> table,
        TableField<R, String> tag,
        TableField<R, Long> id,
        TableField<R, OffsetDateTime> at,
        TableField<R, String> by) {
    /** @throws ApiProblem 404 where the unit has no such row */
    public void remove(
            DSLContext db, HashedRows rows, Writes writes, String unit, long row, OffsetDateTime when, String who) {
        set(db, rows, writes, unit, row, when, who);
    }

    /** @throws ApiProblem 404 where the unit has no such row; one that is there stays */
    public void bringBack(DSLContext db, HashedRows rows, Writes writes, String unit, long row) {
        set(db, rows, writes, unit, row, null, null);
    }

    private void set(
            DSLContext db, HashedRows rows, Writes writes, String unit, long row, OffsetDateTime when, String who) {
        writes.write(() -> {
            R found = db.fetchOptional(table, tag.eq(unit), id.eq(row))
                    .orElseThrow(() -> ApiProblem.notFound(kind, Long.toString(row)));
            found.set(at, when);
            found.set(by, who);
            rows.update(found);
        });
    }
}
