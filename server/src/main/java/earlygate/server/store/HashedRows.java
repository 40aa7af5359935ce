package earlygate.server.store;

import static earlygate.server.tables.Tables.ACCEPTED_FINDING;
import static earlygate.server.tables.Tables.FITTED_INSTRUMENT;
import static earlygate.server.tables.Tables.INSTRUMENT;
import static earlygate.server.tables.Tables.OLDER_RECORD;
import static earlygate.server.tables.Tables.RUN;
import static earlygate.server.tables.Tables.TABLE_SUM;
import static earlygate.server.tables.Tables.UNIT;
import static earlygate.server.tables.Tables.UNIT_REVISION;
import static earlygate.server.tables.Tables.UPKEEP_ENTRY;

import java.math.BigInteger;
import java.util.ArrayList;
import java.util.List;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.jooq.Field;
import org.jooq.Record;
import org.jooq.Table;
import org.jooq.TableField;
import org.jooq.UpdatableRecord;
import org.jooq.impl.DSL;
import org.springframework.stereotype.Component;

/**
 * The one door to writing tables whose rows are hashed. Each row carries its {@link RowHash}; beside each table stand how
 * many rows it has and the sum of their hashes, modulo 2^256, so that a row taken out or put in is known as well.
 */
@Component
public class HashedRows {
    /** Every one of them, in the order in which faults are told. */
    public static final List<Table<?>> TABLES = List.of(
            UNIT, UNIT_REVISION, RUN, ACCEPTED_FINDING, INSTRUMENT, FITTED_INSTRUMENT, OLDER_RECORD, UPKEEP_ENTRY);

    private static final Field<String> HASH = DSL.field(DSL.name(RowHash.COLUMN), String.class);
    private static final BigInteger MODULUS = BigInteger.ONE.shiftLeft(256);

    private final DSLContext db;

    HashedRows(DSLContext db) {
        this.db = db;
    }

    /** Adds a row; it then has what the table itself gives it, its number for one. */
    public void insert(UpdatableRecord<?> row) {
        row.store();
        row.refresh();
        hashed(row);
        add(db, row.getTable().getName(), 1, number(row));
    }

    /** Stores a row that was read and changed. One that was not as it was written before stays known as such. */
    public void update(UpdatableRecord<?> row) {
        Record before = row.original();
        if (RowHash.holds(row.getTable(), before)) {
            confirm(row);
        } else {
            row.store();
        }
    }

    /** Stores a row whose every figure somebody has looked at just now: as it stands it is right. */
    public void confirm(UpdatableRecord<?> row) {
        BigInteger before = number(row.original());
        row.store();
        hashed(row);
        add(db, row.getTable().getName(), 0, number(row).subtract(before));
    }

    public void delete(UpdatableRecord<?> row) {
        BigInteger before = number(row);
        row.delete();
        add(db, row.getTable().getName(), -1, before.negate());
    }

    private static void hashed(UpdatableRecord<?> row) {
        row.set(HASH, RowHash.of(row.getTable(), row));
        row.store();
    }

    /** Hashes a table whose rows have no hashes yet, with the columns that it has by now. */
    public static void begin(DSLContext db, Table<?> table) {
        Table<?> asItIs = DSL.table(table.getUnqualifiedName());
        List<String> hashes = new ArrayList<>();
        // One at a time: all plans and sheets of many years are too much at once.
        for (Record row : db.select(DSL.asterisk()).from(asItIs).fetchLazy()) {
            String hash = RowHash.of(table, row);
            db.update(asItIs).set(HASH, hash).where(same(table, row)).execute();
            hashes.add(hash);
        }
        db.insertInto(TABLE_SUM, TABLE_SUM.NAME, TABLE_SUM.N, TABLE_SUM.HASH)
                .values(table.getName(), (long) hashes.size(), sum(hashes))
                .execute();
    }

    private static Condition same(Table<?> table, Record row) {
        return DSL.and(table.getPrimaryKey().getFields().stream()
                .map(f -> same(f, row))
                .toList());
    }

    private static <T> Condition same(TableField<?, T> key, Record row) {
        return DSL.field(key.getUnqualifiedName(), key.getDataType()).eq(row.get(key.getName(), key.getType()));
    }

    static String sum(List<String> hashes) {
        return hex(hashes.stream().map(HashedRows::number).reduce(BigInteger.ZERO, BigInteger::add));
    }

    private static void add(DSLContext db, String table, long rows, BigInteger difference) {
        var sum = db.fetchSingle(TABLE_SUM, TABLE_SUM.NAME.eq(table));
        sum.setN(sum.getN() + rows);
        sum.setHash(hex(number(sum.getHash()).add(difference)));
        sum.store();
    }

    private static BigInteger number(Record row) {
        return number(row.get(RowHash.COLUMN, String.class));
    }

    private static BigInteger number(String hash) {
        return hash.isEmpty() ? BigInteger.ZERO : new BigInteger(hash, 16);
    }

    private static String hex(BigInteger sum) {
        return "%064x".formatted(sum.mod(MODULUS));
    }
}
