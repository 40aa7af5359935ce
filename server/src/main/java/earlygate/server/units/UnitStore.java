package earlygate.server.units;

import static earlygate.server.tables.Tables.ACCEPTED_FINDING;
import static earlygate.server.tables.Tables.UNIT_REVISION;

import earlygate.explain.Reason;
import earlygate.server.words.ApiProblem;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Optional;
import org.jooq.DSLContext;
import org.jooq.Record;
import org.jooq.impl.DSL;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;

/** Unit files by tag; every save is a new revision. A revision may be half filled: the sheet then says what is missing. */
@Repository
public class UnitStore {
    /** @param unconfirmed JSON list of the places whose values are defaults that nobody has confirmed */
    public record StoredUnit(
            String tag, int revision, String document, OffsetDateTime savedAt, String savedBy, String unconfirmed) {}

    /** A finding let stand. */
    public record Accepted(String fingerprint, String reason, String by, String releasedBy, OffsetDateTime at) {}

    /** The sender's own name for what it saves; sent again after a lost answer, it meets itself. */
    public static final String KEY_HEADER = "Idempotency-Key";

    private static final int KEY_LIMIT = 64;

    private final DSLContext db;

    UnitStore(DSLContext db) {
        this.db = db;
    }

    /** The newest revision of each unit, by tag. */
    public List<StoredUnit> newest() {
        var u = UNIT_REVISION;
        var later = UNIT_REVISION.as("later");
        return db.selectFrom(u)
                .where(u.REVISION.eq(
                        DSL.select(DSL.max(later.REVISION)).from(later).where(later.TAG.eq(u.TAG))))
                .orderBy(u.TAG)
                .fetch(UnitStore::stored);
    }

    public StoredUnit newest(String tag) {
        return find(tag).orElseThrow(() -> ApiProblem.notFound("unit", tag));
    }

    private Optional<StoredUnit> find(String tag) {
        return db.selectFrom(UNIT_REVISION)
                .where(UNIT_REVISION.TAG.eq(tag))
                .orderBy(UNIT_REVISION.REVISION.desc())
                .limit(1)
                .fetchOptional(UnitStore::stored);
    }

    public StoredUnit revision(String tag, int revision) {
        return db.selectFrom(UNIT_REVISION)
                .where(UNIT_REVISION.TAG.eq(tag), UNIT_REVISION.REVISION.eq(revision))
                .fetchOptional(UnitStore::stored)
                .orElseThrow(() -> ApiProblem.notFound("unit revision", tag + " " + revision));
    }

    /** Newest first. */
    public List<StoredUnit> revisions(String tag) {
        return db.selectFrom(UNIT_REVISION)
                .where(UNIT_REVISION.TAG.eq(tag))
                .orderBy(UNIT_REVISION.REVISION.desc())
                .fetch(UnitStore::stored);
    }

    public boolean has(String tag) {
        return db.fetchExists(UNIT_REVISION, UNIT_REVISION.TAG.eq(tag));
    }

    public StoredUnit save(String tag, String document) {
        return save(tag, document, null);
    }

    public StoredUnit save(String tag, String document, String key) {
        return save(tag, document, "", "[]", Optional.empty(), key).orElseThrow();
    }

    /** What was saved under this key before; empty for a new one, or for none. */
    public Optional<StoredUnit> savedUnder(String tag, String key) {
        if (key == null) {
            return Optional.empty();
        }
        if (key.isBlank() || key.length() > KEY_LIMIT) {
            throw ApiProblem.badInput(KEY_HEADER, Reason.of("runs.key-missing"));
        }
        return db.selectFrom(UNIT_REVISION)
                .where(UNIT_REVISION.TAG.eq(tag), UNIT_REVISION.CLIENT_KEY.eq(key))
                .fetchOptional(UnitStore::stored);
    }

    /**
     * Adds a revision.
     *
     * @param base the revision that was worked on; empty to save whatever is there
     * @param key the sender's own name for this; null for none
     * @return empty when somebody else has saved since {@code base}
     */
    @Transactional
    public synchronized Optional<StoredUnit> save(
            String tag, String document, String by, String unconfirmed, Optional<Integer> base, String key) {
        int last = find(tag).map(StoredUnit::revision).orElse(0);
        if (base.isPresent() && base.get() != last) {
            return Optional.empty();
        }
        StoredUnit unit = new StoredUnit(tag, last + 1, document, OffsetDateTime.now(ZoneOffset.UTC), by, unconfirmed);
        db.insertInto(UNIT_REVISION)
                .set(UNIT_REVISION.TAG, unit.tag())
                .set(UNIT_REVISION.REVISION, unit.revision())
                .set(UNIT_REVISION.DOCUMENT, unit.document())
                .set(UNIT_REVISION.SAVED_AT, unit.savedAt())
                .set(UNIT_REVISION.SAVED_BY, unit.savedBy())
                .set(UNIT_REVISION.UNCONFIRMED, unit.unconfirmed())
                .set(UNIT_REVISION.CLIENT_KEY, key)
                .execute();
        return Optional.of(unit);
    }

    public List<Accepted> accepted(String tag) {
        return db.selectFrom(ACCEPTED_FINDING)
                .where(ACCEPTED_FINDING.TAG.eq(tag))
                .orderBy(ACCEPTED_FINDING.AT)
                .fetch(r ->
                        new Accepted(r.getFingerprint(), r.getReason(), r.getByName(), r.getReleasedBy(), r.getAt()));
    }

    @Transactional
    public void accept(String tag, Accepted a) {
        db.deleteFrom(ACCEPTED_FINDING)
                .where(ACCEPTED_FINDING.TAG.eq(tag), ACCEPTED_FINDING.FINGERPRINT.eq(a.fingerprint()))
                .execute();
        db.insertInto(ACCEPTED_FINDING)
                .set(ACCEPTED_FINDING.TAG, tag)
                .set(ACCEPTED_FINDING.FINGERPRINT, a.fingerprint())
                .set(ACCEPTED_FINDING.REASON, a.reason())
                .set(ACCEPTED_FINDING.BY_NAME, a.by())
                .set(ACCEPTED_FINDING.RELEASED_BY, a.releasedBy())
                .set(ACCEPTED_FINDING.AT, a.at())
                .execute();
    }

    private static StoredUnit stored(Record r) {
        return new StoredUnit(
                r.get(UNIT_REVISION.TAG),
                r.get(UNIT_REVISION.REVISION),
                r.get(UNIT_REVISION.DOCUMENT),
                r.get(UNIT_REVISION.SAVED_AT),
                r.get(UNIT_REVISION.SAVED_BY),
                r.get(UNIT_REVISION.UNCONFIRMED));
    }
}
