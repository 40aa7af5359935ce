package earlygate.server.units;

import static earlygate.server.tables.Tables.ACCEPTED_FINDING;

import earlygate.explain.Reason;
import earlygate.ladder.Acceptance;
import earlygate.server.store.HashedRows;
import earlygate.server.store.RowHash;
import earlygate.server.store.Writes;
import earlygate.server.tables.tables.records.AcceptedFindingRecord;
import java.time.OffsetDateTime;
import java.util.List;
import java.util.stream.Stream;
import org.jooq.DSLContext;
import org.springframework.stereotype.Repository;

/** Findings of units that somebody let stand, each with its reason. */
@Repository
public class AcceptedFindings {
    /** A finding let stand. */
    public record Accepted(String fingerprint, String reason, String by, String releasedBy, OffsetDateTime at) {}

    private final DSLContext db;
    private final HashedRows hashed;
    private final Writes writes;

    AcceptedFindings(DSLContext db, HashedRows hashed, Writes writes) {
        this.db = db;
        this.hashed = hashed;
        this.writes = writes;
    }

    /** Findings let stand, as they were written. */
    public List<Accepted> of(String tag) {
        return rows(tag)
                .filter(r -> RowHash.holds(ACCEPTED_FINDING, r))
                .map(AcceptedFindings::read)
                .toList();
    }

    /** Those that were changed in the data file: they let nothing stand any more. */
    public List<Reason> damaged(String tag) {
        return rows(tag)
                .filter(r -> !RowHash.holds(ACCEPTED_FINDING, r))
                .map(AcceptedFindings::read)
                .map(a -> Reason.of("units.accepted-damaged")
                        .name("by", a.by())
                        .name("on", a.at().toLocalDate().toString()))
                .toList();
    }

    private Stream<AcceptedFindingRecord> rows(String tag) {
        return db
                .selectFrom(ACCEPTED_FINDING)
                .where(ACCEPTED_FINDING.TAG.eq(tag))
                .orderBy(ACCEPTED_FINDING.AT)
                .fetch()
                .stream();
    }

    private static Accepted read(AcceptedFindingRecord r) {
        return new Accepted(r.getFingerprint(), r.getReason(), r.getByName(), r.getReleasedBy(), r.getAt());
    }

    /** What covers findings; one in the words of an older version covers none and must be given again. */
    public List<Acceptance> acceptances(String tag) {
        return of(tag).stream()
                .flatMap(a -> Acceptance.read(a.fingerprint()).stream())
                .toList();
    }

    public void accept(String tag, Accepted a) {
        writes.write(() -> {
            db.fetch(ACCEPTED_FINDING, ACCEPTED_FINDING.TAG.eq(tag), ACCEPTED_FINDING.FINGERPRINT.eq(a.fingerprint()))
                    .forEach(hashed::delete);
            AcceptedFindingRecord row = db.newRecord(ACCEPTED_FINDING);
            row.setTag(tag);
            row.setFingerprint(a.fingerprint());
            row.setReason(a.reason());
            row.setByName(a.by());
            row.setReleasedBy(a.releasedBy());
            row.setAt(a.at());
            hashed.insert(row);
        });
    }
}
