package earlygate.server.runs;

import static earlygate.server.tables.Tables.RIG_STANDING;
import static earlygate.server.tables.Tables.RUN;
import static earlygate.server.tables.Tables.RUN_EVENT;

import earlygate.plan.Plan;
import earlygate.rig.Rig;
import earlygate.run.RunEvent;
import earlygate.server.tables.tables.records.RunEventRecord;
import earlygate.server.words.ApiProblem;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.jooq.DSLContext;
import org.jooq.Record;
import org.jooq.impl.DSL;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.support.TransactionTemplate;
import tools.jackson.databind.json.JsonMapper;

/** Runs and their logs. What a method here returns from is on disk, not in a buffer. */
@Repository
public class RunStore {
    /** The head of a run, without its log. */
    public record RunHead(
            long id,
            String uuid,
            String tag,
            int revision,
            Plan plan,
            String gapSchool,
            String sectionOrder,
            String technician,
            boolean practice,
            OffsetDateTime startedAt) {}

    /** @param outcome passed or passed-with-deviations; null while it is open, and for runs of earlier versions */
    public record RunSummary(
            long id, String technician, boolean practice, OffsetDateTime startedAt, boolean finished, String outcome) {}

    /** @param clientKey the sender's own name for this start; sent again, the same run answers */
    public record NewRun(
            String tag,
            int revision,
            Plan plan,
            String gapSchool,
            String sectionOrder,
            String technician,
            boolean practice,
            String clientKey) {}

    /** @param key the sender's own name for the event */
    public record NewEvent(String key, RunEvent.Body body) {}

    private final DSLContext db;
    private final TransactionTemplate transaction;
    private final JsonMapper json;

    RunStore(DSLContext db, TransactionTemplate transaction, JsonMapper json) {
        this.db = db;
        this.transaction = transaction;
        this.json = json;
    }

    public synchronized long start(NewRun run) {
        Optional<Long> before = run.clientKey() == null
                ? Optional.empty()
                : db.select(RUN.ID)
                        .from(RUN)
                        .where(RUN.CLIENT_KEY.eq(run.clientKey()))
                        .fetchOptional(RUN.ID);
        if (before.isPresent()) {
            return before.get();
        }
        Long id = db.insertInto(RUN)
                .set(RUN.UUID, UUID.randomUUID().toString())
                .set(RUN.CLIENT_KEY, run.clientKey())
                .set(RUN.TAG, run.tag())
                .set(RUN.REVISION, run.revision())
                .set(RUN.PLAN, json.writeValueAsString(run.plan()))
                .set(RUN.GAP_SCHOOL, run.gapSchool())
                .set(RUN.SECTION_ORDER, run.sectionOrder())
                .set(RUN.TECHNICIAN, run.technician())
                .set(RUN.PRACTICE, run.practice())
                .set(RUN.STARTED_AT, now())
                .returningResult(RUN.ID)
                .fetchOne(RUN.ID);
        sync();
        return id;
    }

    public RunHead head(long id) {
        return db.selectFrom(RUN)
                .where(RUN.ID.eq(id))
                .fetchOptional(this::head)
                .orElseThrow(() -> ApiProblem.notFound("run", Long.toString(id)));
    }

    /** The newest first. */
    public List<RunSummary> summaries(String tag) {
        return db.select(RUN.ID, RUN.TECHNICIAN, RUN.PRACTICE, RUN.STARTED_AT, RUN.FINISHED_AT, RUN.OUTCOME)
                .from(RUN)
                .where(RUN.TAG.eq(tag))
                .orderBy(RUN.ID.desc())
                .fetch(RunStore::summary);
    }

    public List<RunSummary> open(String tag) {
        return db.select(RUN.ID, RUN.TECHNICIAN, RUN.PRACTICE, RUN.STARTED_AT, RUN.FINISHED_AT, RUN.OUTCOME)
                .from(RUN)
                .where(RUN.TAG.eq(tag), RUN.FINISHED_AT.isNull())
                .orderBy(RUN.ID.desc())
                .fetch(RunStore::summary);
    }

    /** The last finished run at the machine itself; a practice run never counts. */
    public Optional<RunSummary> commissioned(String tag) {
        return db.select(RUN.ID, RUN.TECHNICIAN, RUN.PRACTICE, RUN.STARTED_AT, RUN.FINISHED_AT, RUN.OUTCOME)
                .from(RUN)
                .where(RUN.TAG.eq(tag), RUN.FINISHED_AT.isNotNull(), RUN.PRACTICE.isFalse())
                .orderBy(RUN.ID.desc())
                .limit(1)
                .fetchOptional(RunStore::summary);
    }

    private static RunSummary summary(Record r) {
        return new RunSummary(
                r.get(RUN.ID),
                r.get(RUN.TECHNICIAN),
                r.get(RUN.PRACTICE),
                r.get(RUN.STARTED_AT),
                r.get(RUN.FINISHED_AT) != null,
                r.get(RUN.OUTCOME));
    }

    /** The run's last gate was opened; or it was gone back into, with an empty outcome. */
    public void finished(long runId, String outcome) {
        db.update(RUN)
                .set(RUN.FINISHED_AT, outcome == null ? null : now())
                .set(RUN.OUTCOME, outcome)
                .where(RUN.ID.eq(runId))
                .execute();
        sync();
    }

    public List<RunEvent> events(long runId) {
        return db.selectFrom(RUN_EVENT)
                .where(RUN_EVENT.RUN_ID.eq(runId))
                .orderBy(RUN_EVENT.SEQ)
                .fetch(this::event);
    }

    /** The event that was delivered under this key, if one was. */
    public Optional<RunEvent> delivered(long runId, String clientKey) {
        return db.selectFrom(RUN_EVENT)
                .where(RUN_EVENT.RUN_ID.eq(runId), RUN_EVENT.CLIENT_KEY.eq(clientKey))
                .fetchOptional(this::event);
    }

    private RunEvent event(RunEventRecord r) {
        return new RunEvent(
                r.getSeq(), r.getAt().toInstant(), r.getByName(), json.readValue(r.getBody(), RunEvent.Body.class));
    }

    /** Writes events, and where the practice machine stands after them, all or nothing. */
    public void append(long runId, String by, List<NewEvent> events, Optional<Rig.Standing> standing) {
        transaction.executeWithoutResult(t -> {
            Long last = db.select(DSL.coalesce(DSL.max(RUN_EVENT.SEQ), 0L))
                    .from(RUN_EVENT)
                    .where(RUN_EVENT.RUN_ID.eq(runId))
                    .fetchOne(0, Long.class);
            for (NewEvent e : events) {
                db.insertInto(RUN_EVENT)
                        .set(RUN_EVENT.RUN_ID, runId)
                        .set(RUN_EVENT.SEQ, ++last)
                        .set(RUN_EVENT.AT, now())
                        .set(RUN_EVENT.BY_NAME, by)
                        .set(RUN_EVENT.CLIENT_KEY, e.key())
                        .set(RUN_EVENT.BODY, json.writerFor(RunEvent.Body.class).writeValueAsString(e.body()))
                        .execute();
            }
            standing.ifPresent(s -> standing(runId, s));
        });
        sync();
    }

    public Optional<Rig.Standing> standing(long runId) {
        return db.select(RIG_STANDING.STANDING)
                .from(RIG_STANDING)
                .where(RIG_STANDING.RUN_ID.eq(runId))
                .fetchOptional(RIG_STANDING.STANDING)
                .map(text -> json.readValue(text, Rig.Standing.class));
    }

    public void standing(long runId, Rig.Standing standing) {
        db.mergeInto(RIG_STANDING)
                .using(DSL.selectOne())
                .on(RIG_STANDING.RUN_ID.eq(runId))
                .whenMatchedThenUpdate()
                .set(RIG_STANDING.STANDING, json.writeValueAsString(standing))
                .whenNotMatchedThenInsert(RIG_STANDING.RUN_ID, RIG_STANDING.STANDING)
                .values(runId, json.writeValueAsString(standing))
                .execute();
    }

    /** Forces what is committed through every buffer to the device. */
    private void sync() {
        db.execute("checkpoint sync");
    }

    private RunHead head(Record r) {
        return new RunHead(
                r.get(RUN.ID),
                r.get(RUN.UUID),
                r.get(RUN.TAG),
                r.get(RUN.REVISION),
                json.readValue(r.get(RUN.PLAN), Plan.class),
                r.get(RUN.GAP_SCHOOL),
                r.get(RUN.SECTION_ORDER),
                r.get(RUN.TECHNICIAN),
                r.get(RUN.PRACTICE),
                r.get(RUN.STARTED_AT));
    }

    private static OffsetDateTime now() {
        return OffsetDateTime.now(ZoneOffset.UTC).truncatedTo(ChronoUnit.MILLIS);
    }
}
