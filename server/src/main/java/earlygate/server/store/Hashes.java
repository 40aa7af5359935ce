package earlygate.server.store;

import static earlygate.server.tables.Tables.OLDER_RECORD;
import static earlygate.server.tables.Tables.RUN;
import static earlygate.server.tables.Tables.RUN_EVENT;
import static earlygate.server.tables.Tables.RUN_FILE;
import static earlygate.server.tables.Tables.RUN_TAIL;
import static earlygate.server.tables.Tables.TABLE_SUM;
import static earlygate.server.tables.Tables.UNIT_REVISION;

import earlygate.explain.Reason;
import earlygate.server.tables.tables.records.RunEventRecord;
import earlygate.server.tables.tables.records.RunRecord;
import earlygate.server.tables.tables.records.RunTailRecord;
import java.sql.Connection;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Collectors;
import org.jooq.DSLContext;
import org.jooq.Field;
import org.jooq.Record;
import org.jooq.SQLDialect;
import org.jooq.Table;
import org.jooq.impl.DSL;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/**
 * Follows every hash of a data file: rows, sheets, older records, logs and the files beside them. It goes on behind a
 * fault, so that each is named.
 *
 * @param logs how many runs there are
 */
record Hashes(long logs, List<Reason> faults) {
    /** Logs and sheets have hashes from this version on, files, and rows. */
    private static final int CHAINS = 5;

    private static final int OLDER = 6;
    private static final int FILES = 8;
    private static final int ROWS = 10;

    private static final List<String> NAMES = List.of("TAG", "NAME");

    private static final JsonMapper JSON = new JsonMapper();

    static Hashes follow(Connection open, int version) {
        return follow(DSL.using(open, SQLDialect.H2), version);
    }

    static Hashes follow(DSLContext db, int version) {
        List<Reason> faults = new ArrayList<>();
        if (version >= ROWS) {
            HashedRows.TABLES.forEach(table -> rows(db, table, faults));
        }
        if (version >= CHAINS) {
            sheets(db, faults);
        }
        if (version >= OLDER) {
            olderRecords(db, faults);
        }
        return new Hashes(version >= CHAINS ? logs(db, version, faults) : 0, faults);
    }

    private static void rows(DSLContext db, Table<?> table, List<Reason> faults) {
        List<String> hashes = new ArrayList<>();
        for (Record row :
                db.selectFrom(table).orderBy(table.getPrimaryKey().getFields()).fetchLazy()) {
            hashes.add(row.get(RowHash.COLUMN, String.class));
            if (!RowHash.holds(table, row)) {
                faults.add(row(table, "store.row-changed").name("row", key(table, row)));
            }
        }
        var sum = db.fetchOne(TABLE_SUM, TABLE_SUM.NAME.eq(table.getName()));
        if (sum == null || sum.getN() != hashes.size()) {
            faults.add(row(table, "store.rows-missing")
                    .number("found", hashes.size())
                    .number("written", sum == null ? 0 : sum.getN()));
        } else if (!sum.getHash().equals(HashedRows.sum(hashes))) {
            faults.add(row(table, "store.rows-exchanged"));
        }
    }

    private static Reason row(Table<?> table, String code) {
        return Reason.of(code)
                .said(
                        "table",
                        Reason.of("store.table."
                                + table.getName().toLowerCase(Locale.ROOT).replace('_', '-')));
    }

    /** Its key, and what people call it by where that is no part of the key. */
    private static String key(Table<?> table, Record row) {
        List<? extends Field<?>> key = table.getPrimaryKey().getFields();
        String called = NAMES.stream()
                .map(table::field)
                .filter(f -> f != null && !key.contains(f))
                .map(f -> " (" + row.get(f) + ")")
                .findFirst()
                .orElse("");
        return key.stream().map(f -> String.valueOf(row.get(f))).collect(Collectors.joining(" ")) + called;
    }

    private static void sheets(DSLContext db, List<Reason> faults) {
        var u = UNIT_REVISION;
        for (Record r : db.select(u.TAG, u.REVISION, u.DOCUMENT, u.HASH)
                .from(u)
                .orderBy(u.TAG, u.REVISION)
                .fetchLazy()) {
            if (!Sha256.of(r.get(u.DOCUMENT)).equals(r.get(u.HASH))) {
                faults.add(Reason.of("units.damaged").name("tag", r.get(u.TAG)).number("revision", r.get(u.REVISION)));
            }
        }
    }

    private static void olderRecords(DSLContext db, List<Reason> faults) {
        var o = OLDER_RECORD;
        for (Record r :
                db.select(o.TAG, o.ID, o.DOCUMENT, o.HASH).from(o).orderBy(o.ID).fetchLazy()) {
            if (!Sha256.of(r.get(o.DOCUMENT)).equals(r.get(o.HASH))) {
                faults.add(
                        Reason.of("history.damaged").name("tag", r.get(o.TAG)).number("id", r.get(o.ID)));
            }
        }
    }

    private static long logs(DSLContext db, int version, List<Reason> faults) {
        long runs = 0;
        for (Long id : db.select(RUN.ID).from(RUN).orderBy(RUN.ID).fetch(RUN.ID)) {
            runs++;
            RunRecord run = EventChain.head(db, id);
            RunTailRecord tail = db.fetchOne(RUN_TAIL, RUN_TAIL.RUN_ID.eq(id));
            if (tail == null || !EventChain.start(run).equals(tail.getStartHash())) {
                faults.add(Reason.of("runs.head-changed").number("run", id));
                continue;
            }
            List<RunEventRecord> events = db.selectFrom(RUN_EVENT)
                    .where(RUN_EVENT.RUN_ID.eq(id))
                    .orderBy(RUN_EVENT.SEQ)
                    .fetch();
            Optional<Reason> broken = EventChain.broken(run.getUuid(), tail, events);
            broken.ifPresent(faults::add);
            if (broken.isEmpty() && version >= FILES) {
                events.forEach(e -> file(db, e, faults));
            }
        }
        return runs;
    }

    /** The bytes of what an event attached: they lie under the hash that the log has of them. */
    private static void file(DSLContext db, RunEventRecord event, List<Reason> faults) {
        if (!event.getBody().contains("\"attached\"")) {
            return;
        }
        JsonNode body = JSON.readTree(event.getBody());
        if (!body.path("kind").asString("").equals("attached")) {
            return;
        }
        String hash = body.path("hash").asString("");
        byte[] content = db.select(RUN_FILE.CONTENT)
                .from(RUN_FILE)
                .where(RUN_FILE.RUN_ID.eq(event.getRunId()), RUN_FILE.HASH.eq(hash))
                .fetchOne(RUN_FILE.CONTENT);
        if (content == null || !Sha256.of(content).equals(hash)) {
            faults.add(Reason.of(content == null ? "store.file-missing" : "store.file-changed")
                    .number("run", event.getRunId())
                    .name("name", body.path("name").asString("")));
        }
    }
}
