package earlygate.server.history;

import static earlygate.server.tables.Tables.OLDER_RECORD;
import static earlygate.server.tables.Tables.RUN;

import earlygate.explain.Reason;
import earlygate.history.OlderRecord;
import earlygate.history.file.OlderRecordFile;
import earlygate.server.store.HashedRows;
import earlygate.server.store.OnceKey;
import earlygate.server.store.RowHash;
import earlygate.server.store.Sha256;
import earlygate.server.store.TakenAway;
import earlygate.server.store.WallClock;
import earlygate.server.store.Writes;
import earlygate.server.tables.tables.records.OlderRecordRecord;
import earlygate.server.words.ApiProblem;
import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.jooq.DSLContext;
import org.jooq.Record1;
import org.jooq.impl.DSL;
import org.springframework.stereotype.Repository;
import tools.jackson.databind.json.JsonMapper;

/** Older records of units, as they were put in. */
@Repository
public class OlderRecords {
    /** @param typedAt when it was put in; the day it is of stands in the record */
    record Kept(long id, OlderRecord record, OffsetDateTime typedAt, String typedBy) {}

    /** @param damaged what was changed in the data file and is not shown */
    record Put(List<Kept> kept, List<Reason> damaged) {}

    /** @param key the sender's own name for this; null for none */
    public record NewRecord(String tag, LocalDate on, String document, String typedBy, String key) {}

    private static final TakenAway<OlderRecordRecord> TAKEN_AWAY = new TakenAway<>(
            "older-record",
            OLDER_RECORD,
            OLDER_RECORD.TAG,
            OLDER_RECORD.ID,
            OLDER_RECORD.REMOVED_AT,
            OLDER_RECORD.REMOVED_BY);

    private final DSLContext db;
    private final HashedRows rows;
    private final Writes writes;
    private final JsonMapper json;
    private final WallClock clock;

    OlderRecords(DSLContext db, HashedRows rows, Writes writes, JsonMapper json, WallClock clock) {
        this.db = db;
        this.rows = rows;
        this.writes = writes;
        this.json = json;
        this.clock = clock;
    }

    /** The newest days first; one that was changed in the data file is told as such. */
    Put of(String tag, int most) {
        List<Kept> kept = new ArrayList<>();
        List<Reason> damaged = new ArrayList<>();
        for (OlderRecordRecord r : db.selectFrom(OLDER_RECORD)
                .where(OLDER_RECORD.TAG.eq(tag))
                .orderBy(OLDER_RECORD.ON_DAY.desc(), OLDER_RECORD.ID.desc())
                .fetch()) {
            if (!holds(r)) {
                damaged.add(Reason.of("history.damaged").name("tag", r.getTag()).number("id", r.getId()));
            } else if (r.getRemovedAt() == null && kept.size() < most) {
                kept.add(kept(r));
            }
        }
        return new Put(kept, damaged);
    }

    private static boolean holds(OlderRecordRecord r) {
        return RowHash.holds(OLDER_RECORD, r) && Sha256.of(r.getDocument()).equals(r.getHash());
    }

    /** There, or taken away. */
    public boolean any(String tag) {
        return db.fetchExists(OLDER_RECORD, OLDER_RECORD.TAG.eq(tag));
    }

    /** The last day of which there is one. */
    public Optional<LocalDate> newestDay(String tag) {
        return db.select(DSL.max(OLDER_RECORD.ON_DAY))
                .from(OLDER_RECORD)
                .where(OLDER_RECORD.TAG.eq(tag), OLDER_RECORD.REMOVED_AT.isNull())
                .fetchOptional(Record1::value1);
    }

    /** All of them, or none. */
    public void addAll(List<NewRecord> wanted) {
        writes.write(() -> wanted.forEach(this::add));
    }

    /** @throws ApiProblem 409 where the same stands there already */
    void add(NewRecord wanted) {
        OnceKey.requireValid(wanted.key());
        String hash = Sha256.of(wanted.document());
        writes.write(() -> {
            if (wanted.key() != null
                    && db.fetchExists(
                            OLDER_RECORD,
                            OLDER_RECORD.TAG.eq(wanted.tag()),
                            OLDER_RECORD.CLIENT_KEY.eq(wanted.key()))) {
                return;
            }
            if (db.fetchExists(
                    OLDER_RECORD,
                    OLDER_RECORD.TAG.eq(wanted.tag()),
                    OLDER_RECORD.HASH.eq(hash),
                    OLDER_RECORD.REMOVED_AT.isNull())) {
                throw ApiProblem.conflict(
                        "record",
                        Reason.of("history.there-already")
                                .name("on", wanted.on().toString()));
            }
            OlderRecordRecord row = db.newRecord(OLDER_RECORD);
            row.setTag(wanted.tag());
            row.setOnDay(wanted.on());
            row.setDocument(wanted.document());
            row.setHash(hash);
            row.setTypedAt(clock.now());
            row.setTypedBy(wanted.typedBy());
            row.setClientKey(wanted.key());
            rows.insert(row);
        });
    }

    /** The run here that an exported record is of. */
    Optional<Long> runHere(String uuid) {
        return db.select(RUN.ID).from(RUN).where(RUN.UUID.eq(uuid)).fetchOptional(RUN.ID);
    }

    /** Takes it out of the history, or brings it back; nothing of it is lost. */
    void remove(String tag, long id, String by) {
        TAKEN_AWAY.remove(db, rows, writes, tag, id, clock.now(), by);
    }

    void bringBack(String tag, long id) {
        TAKEN_AWAY.bringBack(db, rows, writes, tag, id);
    }

    private Kept kept(OlderRecordRecord r) {
        return new Kept(
                r.getId(), OlderRecordFile.kept(json.readTree(r.getDocument())), r.getTypedAt(), r.getTypedBy());
    }
}
