package earlygate.server.upkeep;

import static earlygate.server.tables.Tables.UPKEEP_ENTRY;

import earlygate.explain.Reason;
import earlygate.server.store.HashedRows;
import earlygate.server.store.OnceKey;
import earlygate.server.store.RowHash;
import earlygate.server.store.TakenAway;
import earlygate.server.store.WallClock;
import earlygate.server.store.Writes;
import earlygate.server.tables.tables.records.UpkeepEntryRecord;
import earlygate.upkeep.Entry;
import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.jooq.DSLContext;
import org.springframework.stereotype.Repository;
import tools.jackson.databind.json.JsonMapper;

/** What was written down of each unit's upkeep. */
@Repository
public class UpkeepStore {
    record Kept(long id, Entry entry, OffsetDateTime at) {}

    /** @param damaged what was changed in the data file and does not count */
    record Written(List<Kept> kept, List<Reason> damaged) {}

    /** @param body as {@link UpkeepText} writes it; {@code key} the sender's own name for this, null for none */
    public record NewEntry(String tag, LocalDate on, String by, String body, String key) {}

    private static final TakenAway<UpkeepEntryRecord> TAKEN_AWAY = new TakenAway<>(
            "upkeep-entry",
            UPKEEP_ENTRY,
            UPKEEP_ENTRY.TAG,
            UPKEEP_ENTRY.ID,
            UPKEEP_ENTRY.REMOVED_AT,
            UPKEEP_ENTRY.REMOVED_BY);

    private final DSLContext db;
    private final HashedRows rows;
    private final Writes writes;
    private final JsonMapper json;
    private final WallClock clock;

    UpkeepStore(DSLContext db, HashedRows rows, Writes writes, JsonMapper json, WallClock clock) {
        this.db = db;
        this.rows = rows;
        this.writes = writes;
        this.json = json;
        this.clock = clock;
    }

    /** By the day, those of one day in the order in which they were written. */
    Written of(String tag) {
        Map<Boolean, List<UpkeepEntryRecord>> rows = db
                .selectFrom(UPKEEP_ENTRY)
                .where(UPKEEP_ENTRY.TAG.eq(tag))
                .orderBy(UPKEEP_ENTRY.ON_DAY, UPKEEP_ENTRY.ID)
                .fetch()
                .stream()
                .collect(Collectors.partitioningBy(r -> RowHash.holds(UPKEEP_ENTRY, r)));
        return new Written(
                rows.get(true).stream()
                        .filter(r -> r.getRemovedAt() == null)
                        .map(this::kept)
                        .toList(),
                rows.get(false).stream().map(UpkeepStore::damaged).toList());
    }

    private Kept kept(UpkeepEntryRecord r) {
        return new Kept(
                r.getId(),
                new Entry(r.getOnDay(), r.getByName(), UpkeepText.read(json.readTree(r.getBody()))),
                r.getAt());
    }

    private static Reason damaged(UpkeepEntryRecord r) {
        return Reason.of("upkeep.damaged")
                .number("id", r.getId())
                .name("on", r.getOnDay().toString())
                .name("by", r.getByName());
    }

    /** There, or taken away. */
    public boolean any(String tag) {
        return db.fetchExists(UPKEEP_ENTRY, UPKEEP_ENTRY.TAG.eq(tag));
    }

    /** All of them, or none; what was sent before under its key meets itself. */
    public void addAll(List<NewEntry> wanted) {
        writes.write(() -> wanted.forEach(this::add));
    }

    private void add(NewEntry e) {
        OnceKey.requireValid(e.key());
        if (e.key() != null
                && db.fetchExists(UPKEEP_ENTRY, UPKEEP_ENTRY.TAG.eq(e.tag()), UPKEEP_ENTRY.CLIENT_KEY.eq(e.key()))) {
            return;
        }
        UpkeepEntryRecord row = db.newRecord(UPKEEP_ENTRY);
        row.setTag(e.tag());
        row.setOnDay(e.on());
        row.setBody(e.body());
        row.setByName(e.by());
        row.setAt(clock.now());
        row.setClientKey(e.key());
        rows.insert(row);
    }

    void remove(String tag, long id, String by) {
        TAKEN_AWAY.remove(db, rows, writes, tag, id, clock.now(), by);
    }

    void bringBack(String tag, long id) {
        TAKEN_AWAY.bringBack(db, rows, writes, tag, id);
    }
}
