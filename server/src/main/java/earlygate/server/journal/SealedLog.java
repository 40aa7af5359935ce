package earlygate.server.journal;

import static earlygate.server.tables.Tables.RUN;
import static earlygate.server.tables.Tables.RUN_EVENT;
import static earlygate.server.tables.Tables.RUN_TAIL;

import earlygate.server.tables.tables.records.RunEventRecord;
import earlygate.server.tables.tables.records.RunRecord;
import java.time.OffsetDateTime;
import java.util.List;
import java.util.Objects;
import java.util.stream.Stream;
import org.jooq.DSLContext;
import org.springframework.stereotype.Repository;

/** A run's head and log to the letter, as its chain of hashes has sealed them; what proves an exported record whole. */
@Repository
public class SealedLog {
    private final DSLContext db;

    SealedLog(DSLContext db) {
        this.db = db;
    }

    /** @param last hash of the last entry, which holds all before it */
    public record Seal(String uuid, long entries, String last) {}

    /** What the first hash is made of, as it is stored. */
    public record Head(
            String uuid,
            String tag,
            int revision,
            String plan,
            String gapSchool,
            String sectionOrder,
            String technician,
            boolean practice,
            String startedAt) {
        public Head {
            Stream.of(uuid, tag, plan, gapSchool, sectionOrder, technician, startedAt)
                    .forEach(Objects::requireNonNull);
        }

        /** As it was stored, as far as the first hash goes. */
        public RunRecord stored() {
            RunRecord r = new RunRecord();
            r.setUuid(uuid);
            r.setTag(tag);
            r.setRevision(revision);
            r.setPlan(plan);
            r.setGapSchool(gapSchool);
            r.setSectionOrder(sectionOrder);
            r.setTechnician(technician);
            r.setPractice(practice);
            r.setStartedAt(OffsetDateTime.parse(startedAt));
            return r;
        }
    }

    /** One entry as it is stored. */
    public record Entry(long seq, String at, String by, String key, String body, String hash) {
        public Entry {
            Stream.of(at, by, key, body, hash).forEach(Objects::requireNonNull);
        }
    }

    public Seal seal(long runId) {
        return db.select(RUN.UUID, RUN_TAIL.LAST_SEQ, RUN_TAIL.LAST_HASH)
                .from(RUN)
                .join(RUN_TAIL)
                .on(RUN_TAIL.RUN_ID.eq(RUN.ID))
                .where(RUN.ID.eq(runId))
                .fetchSingle(r -> new Seal(r.value1(), r.value2(), r.value3()));
    }

    public Head head(long runId) {
        RunRecord r = db.fetchSingle(RUN, RUN.ID.eq(runId));
        return new Head(
                r.getUuid(),
                r.getTag(),
                r.getRevision(),
                r.getPlan(),
                r.getGapSchool(),
                r.getSectionOrder(),
                r.getTechnician(),
                r.getPractice(),
                r.getStartedAt().toInstant().toString());
    }

    public List<Entry> entries(long runId) {
        return db.selectFrom(RUN_EVENT)
                .where(RUN_EVENT.RUN_ID.eq(runId))
                .orderBy(RUN_EVENT.SEQ)
                .fetch(SealedLog::entry);
    }

    private static Entry entry(RunEventRecord e) {
        return new Entry(
                e.getSeq(),
                e.getAt().toInstant().toString(),
                e.getByName(),
                e.getClientKey(),
                e.getBody(),
                e.getHash());
    }
}
