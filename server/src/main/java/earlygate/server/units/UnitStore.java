package earlygate.server.units;

import static earlygate.server.tables.Tables.UNIT;
import static earlygate.server.tables.Tables.UNIT_REVISION;

import earlygate.explain.Reason;
import earlygate.server.store.HashedRows;
import earlygate.server.store.OnceKey;
import earlygate.server.store.RowHash;
import earlygate.server.store.Sha256;
import earlygate.server.store.WallClock;
import earlygate.server.store.Writes;
import earlygate.server.tables.tables.records.UnitRecord;
import earlygate.server.tables.tables.records.UnitRevisionRecord;
import earlygate.server.words.ApiProblem;
import java.time.OffsetDateTime;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.jooq.DSLContext;
import org.jooq.Record;
import org.jooq.SelectField;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Repository;

/**
 * Unit files by tag; every save is a new revision. A revision may be half filled: the sheet then says what is missing.
 * A unit that was removed keeps all its revisions and runs, and can be brought back.
 */
@Repository
public class UnitStore {
    /** @param unconfirmed JSON list of the places whose values are defaults that nobody has confirmed */
    public record StoredUnit(
            String tag, int revision, String document, OffsetDateTime savedAt, String savedBy, String unconfirmed) {}

    /**
     * A revision as lists show it, without its document.
     *
     * @param damaged what stands here, or that it is the newest, was changed in the data file
     */
    public record Listed(
            String tag, int revision, OffsetDateTime savedAt, String savedBy, UnitHead head, boolean damaged) {}

    /** A unit that is not in the list any more. */
    public record Removed(String tag, String name, OffsetDateTime at, String by) {}

    /**
     * What is to be kept.
     *
     * @param base the revision that was worked on, 0 for a new unit; empty to save whatever is there
     * @param key the sender's own name for this; null for none
     */
    public record NewRevision(
            String tag, String document, String by, String unconfirmed, OptionalInt base, String key) {
        public static NewRevision of(String tag, String document, OptionalInt base, String key) {
            return new NewRevision(tag, document, "", "[]", base, key);
        }
    }

    private static final List<SelectField<?>> LISTED = Stream.<SelectField<?>>of(UNIT_REVISION.fields())
            .filter(f -> !f.equals(UNIT_REVISION.DOCUMENT))
            .toList();

    private final DSLContext db;
    private final HashedRows rows;
    private final Writes writes;
    private final WallClock clock;

    UnitStore(DSLContext db, HashedRows rows, Writes writes, WallClock clock) {
        this.db = db;
        this.rows = rows;
        this.writes = writes;
        this.clock = clock;
    }

    /** The newest revision of each unit that is there, by tag. One whose entry was changed stays there, as damaged. */
    public List<Listed> newest() {
        Map<String, UnitRecord> entries = db.selectFrom(UNIT).fetchMap(UNIT.TAG);
        return db
                .select(LISTED)
                .from(UNIT)
                .join(UNIT_REVISION)
                .on(UNIT_REVISION.TAG.eq(UNIT.TAG), UNIT_REVISION.REVISION.eq(UNIT.NEWEST))
                .orderBy(UNIT.TAG)
                .fetch(r -> listed(r, RowHash.holds(UNIT, entries.get(r.get(UNIT_REVISION.TAG)))))
                .stream()
                .filter(l -> l.damaged() || entries.get(l.tag()).getRemovedAt() == null)
                .toList();
    }

    /** @throws ApiProblem 404 for a unit that never was; for a removed one the words say so */
    public StoredUnit newest(String tag) {
        return revision(tag, known(tag));
    }

    /** The number of the newest revision of a unit that is there. */
    public int known(String tag) {
        var unit = db.selectFrom(UNIT)
                .where(UNIT.TAG.eq(tag))
                .fetchOptional()
                .orElseThrow(() -> ApiProblem.notFound("unit", tag));
        if (!RowHash.holds(UNIT, unit)) {
            throw ApiProblem.conflict("tag", Reason.of("units.entry-damaged").name("tag", tag));
        }
        if (unit.getRemovedAt() != null) {
            throw ApiProblem.notFound(Reason.of("units.removed").name("tag", tag));
        }
        return unit.getNewest();
    }

    /** What keeps the newest sheet of a unit that is there from being used: it was changed in the data file. */
    public Optional<Reason> damaged(String tag) {
        try {
            newest(tag);
            return Optional.empty();
        } catch (ApiProblem e) {
            if (e.is(HttpStatus.CONFLICT)) {
                return Optional.of(e.reason());
            }
            throw e;
        }
    }

    /** The newest that is as it was saved. @throws ApiProblem why the newest can't be used, where there is no other */
    public StoredUnit newestSound(String tag) {
        int newest = known(tag);
        try {
            return revision(tag, newest);
        } catch (ApiProblem damaged) {
            return IntStream.range(1, newest)
                    .map(i -> newest - i)
                    .boxed()
                    .flatMap(r -> sound(tag, r).stream())
                    .findFirst()
                    .orElseThrow(() -> damaged);
        }
    }

    /** Of a removed unit too: its runs speak of it. */
    public StoredUnit revision(String tag, int revision) {
        Record found = db.selectFrom(UNIT_REVISION)
                .where(UNIT_REVISION.TAG.eq(tag), UNIT_REVISION.REVISION.eq(revision))
                .fetchOptional()
                .orElseThrow(() -> ApiProblem.notFound("unit-revision", tag + " " + revision));
        if (!RowHash.holds(UNIT_REVISION, found)
                || !Sha256.of(found.get(UNIT_REVISION.DOCUMENT)).equals(found.get(UNIT_REVISION.HASH))) {
            throw ApiProblem.conflict(
                    "document", Reason.of("units.damaged").name("tag", tag).number("revision", revision));
        }
        return stored(found);
    }

    /** Newest first. */
    public List<Listed> revisions(String tag) {
        return db.select(LISTED)
                .from(UNIT_REVISION)
                .where(UNIT_REVISION.TAG.eq(tag))
                .orderBy(UNIT_REVISION.REVISION.desc())
                .fetch(r -> listed(r, true));
    }

    /** The first complete revision with this drawing, none later than the one given; a damaged one is none. */
    public Optional<StoredUnit> firstOf(String tag, String drawing, int upTo) {
        return db
                .select(UNIT_REVISION.REVISION)
                .from(UNIT_REVISION)
                .where(
                        UNIT_REVISION.TAG.eq(tag),
                        UNIT_REVISION.DRAWING.eq(drawing),
                        UNIT_REVISION.MISSING.eq(0),
                        UNIT_REVISION.REVISION.le(upTo))
                .orderBy(UNIT_REVISION.REVISION)
                .fetch(UNIT_REVISION.REVISION)
                .stream()
                .flatMap(r -> sound(tag, r).stream())
                .findFirst();
    }

    private Optional<StoredUnit> sound(String tag, int revision) {
        try {
            return Optional.of(revision(tag, revision));
        } catch (ApiProblem damaged) {
            return Optional.empty();
        }
    }

    /** There, or removed. */
    public boolean has(String tag) {
        return db.fetchExists(UNIT, UNIT.TAG.eq(tag));
    }

    /**
     * Adds a revision; nobody else saves in between.
     *
     * @return what was saved, or what was saved under this key before; empty when somebody else has saved since the base
     */
    public Optional<StoredUnit> save(NewRevision wanted) {
        OnceKey.requireValid(wanted.key());
        return writes.write(() -> {
            Optional<StoredUnit> before = savedUnder(wanted.tag(), wanted.key());
            return before.isPresent() ? before : add(wanted);
        });
    }

    private Optional<StoredUnit> savedUnder(String tag, String key) {
        return key == null
                ? Optional.empty()
                : db.selectFrom(UNIT_REVISION)
                        .where(UNIT_REVISION.TAG.eq(tag), UNIT_REVISION.CLIENT_KEY.eq(key))
                        .fetchOptional(UnitStore::stored);
    }

    private Optional<StoredUnit> add(NewRevision wanted) {
        var unit = db.selectFrom(UNIT).where(UNIT.TAG.eq(wanted.tag())).fetchOptional();
        unit.filter(u -> u.getRemovedAt() != null).ifPresent(u -> {
            throw ApiProblem.conflict("tag", Reason.of("units.removed").name("tag", wanted.tag()));
        });
        int last = unit.map(u -> u.getNewest()).orElse(0);
        if (wanted.base().isPresent() && wanted.base().getAsInt() != last) {
            return Optional.empty();
        }
        UnitHead head = UnitHead.of(wanted.document());
        UnitRevisionRecord row = db.newRecord(UNIT_REVISION);
        row.setTag(wanted.tag());
        row.setRevision(last + 1);
        row.setDocument(wanted.document());
        row.setSavedAt(clock.now());
        row.setSavedBy(wanted.by());
        row.setUnconfirmed(wanted.unconfirmed());
        row.setClientKey(wanted.key());
        row.setName(head.name());
        row.setDrawing(head.drawing());
        row.setMissing(head.missing());
        row.setHash(Sha256.of(wanted.document()));
        rows.insert(row);
        UnitRecord listed = unit.orElseGet(() -> db.newRecord(UNIT));
        listed.setTag(wanted.tag());
        listed.setNewest(last + 1);
        if (last == 0) {
            rows.insert(listed);
        } else {
            rows.update(listed);
        }
        return Optional.of(revision(wanted.tag(), last + 1));
    }

    /** Takes a unit off the list; nothing of it is lost. */
    public void remove(String tag, String by) {
        writes.write(() -> {
            known(tag);
            UnitRecord unit = db.fetchSingle(UNIT, UNIT.TAG.eq(tag));
            unit.setRemovedAt(clock.now());
            unit.setRemovedBy(by);
            rows.update(unit);
        });
    }

    /** Undoes {@link #remove}; one that is there stays as it is. */
    public void bringBack(String tag) {
        writes.write(() -> {
            UnitRecord unit =
                    db.fetchOptional(UNIT, UNIT.TAG.eq(tag)).orElseThrow(() -> ApiProblem.notFound("unit", tag));
            unit.setRemovedAt(null);
            unit.setRemovedBy(null);
            rows.update(unit);
        });
    }

    /** The last removed first. */
    public List<Removed> removed() {
        return db.select(UNIT.TAG, UNIT_REVISION.NAME, UNIT.REMOVED_AT, UNIT.REMOVED_BY)
                .from(UNIT)
                .join(UNIT_REVISION)
                .on(UNIT_REVISION.TAG.eq(UNIT.TAG), UNIT_REVISION.REVISION.eq(UNIT.NEWEST))
                .where(UNIT.REMOVED_AT.isNotNull())
                .orderBy(UNIT.REMOVED_AT.desc())
                .fetch(r -> new Removed(r.value1(), r.value2(), r.value3(), r.value4()));
    }

    /** @param sound what says that it is listed is as it was written */
    private static Listed listed(Record r, boolean sound) {
        return new Listed(
                r.get(UNIT_REVISION.TAG),
                r.get(UNIT_REVISION.REVISION),
                r.get(UNIT_REVISION.SAVED_AT),
                r.get(UNIT_REVISION.SAVED_BY),
                new UnitHead(r.get(UNIT_REVISION.NAME), r.get(UNIT_REVISION.DRAWING), r.get(UNIT_REVISION.MISSING)),
                !sound || !RowHash.holds(UNIT_REVISION, r));
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
