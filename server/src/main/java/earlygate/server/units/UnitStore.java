package earlygate.server.units;

import static earlygate.server.tables.Tables.UNIT_REVISION;

import earlygate.server.words.ApiProblem;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.List;
import org.jooq.DSLContext;
import org.jooq.Record;
import org.jooq.impl.DSL;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;

/** Unit files by tag; every save is a new revision. */
@Repository
public class UnitStore {
    public record StoredUnit(String tag, int revision, String document, OffsetDateTime savedAt) {}

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
        return db.selectFrom(UNIT_REVISION)
                .where(UNIT_REVISION.TAG.eq(tag))
                .orderBy(UNIT_REVISION.REVISION.desc())
                .limit(1)
                .fetchOptional(UnitStore::stored)
                .orElseThrow(() -> ApiProblem.notFound("unit", tag));
    }

    public StoredUnit revision(String tag, int revision) {
        return db.selectFrom(UNIT_REVISION)
                .where(UNIT_REVISION.TAG.eq(tag), UNIT_REVISION.REVISION.eq(revision))
                .fetchOptional(UnitStore::stored)
                .orElseThrow(() -> ApiProblem.notFound("unit revision", tag + " " + revision));
    }

    public boolean has(String tag) {
        return db.fetchExists(UNIT_REVISION, UNIT_REVISION.TAG.eq(tag));
    }

    @Transactional
    public synchronized StoredUnit save(String tag, String document) {
        Integer last = db.select(DSL.max(UNIT_REVISION.REVISION))
                .from(UNIT_REVISION)
                .where(UNIT_REVISION.TAG.eq(tag))
                .fetchOneInto(Integer.class);
        StoredUnit unit =
                new StoredUnit(tag, last == null ? 1 : last + 1, document, OffsetDateTime.now(ZoneOffset.UTC));
        db.insertInto(UNIT_REVISION)
                .values(unit.tag(), unit.revision(), unit.document(), unit.savedAt())
                .execute();
        return unit;
    }

    private static StoredUnit stored(Record r) {
        return new StoredUnit(
                r.get(UNIT_REVISION.TAG),
                r.get(UNIT_REVISION.REVISION),
                r.get(UNIT_REVISION.DOCUMENT),
                r.get(UNIT_REVISION.SAVED_AT));
    }
}
