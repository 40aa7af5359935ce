package earlygate.server.runs;

import static earlygate.server.tables.Tables.RIG_STANDING;
import static earlygate.server.tables.Tables.RUN;
import static earlygate.server.tables.Tables.RUN_EVENT;

import earlygate.plan.Plan;
import earlygate.rig.Rig;
import earlygate.run.RunEvent;
import earlygate.server.words.ApiProblem;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.Optional;
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
            String tag,
            int revision,
            Plan plan,
            String gapSchool,
            String technician,
            boolean practice,
            OffsetDateTime startedAt) {}

    public record RunSummary(
            long id, String technician, boolean practice, OffsetDateTime startedAt, boolean finished) {}

    private final DSLContext db;
    private final TransactionTemplate transaction;
    private final JsonMapper json;

    RunStore(DSLContext db, TransactionTemplate transaction, JsonMapper json) {
        this.db = db;
        this.transaction = transaction;
        this.json = json;
    }

    public long start(String tag, int revision, Plan plan, String gapSchool, String technician, boolean practice) {
        Long id = db.insertInto(RUN)
                .set(RUN.TAG, tag)
                .set(RUN.REVISION, revision)
                .set(RUN.PLAN, json.writeValueAsString(plan))
                .set(RUN.GAP_SCHOOL, gapSchool)
                .set(RUN.TECHNICIAN, technician)
                .set(RUN.PRACTICE, practice)
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

    public Optional<RunSummary> lastOf(String tag) {
        return summaries(tag).stream().findFirst();
    }

    /** The newest first. */
    public List<RunSummary> summaries(String tag) {
        return db.selectFrom(RUN)
                .where(RUN.TAG.eq(tag))
                .orderBy(RUN.ID.desc())
                .fetch(r -> new RunSummary(
                        r.getId(), r.getTechnician(), r.getPractice(), r.getStartedAt(), finished(head(r))));
    }

    private boolean finished(RunHead head) {
        List<earlygate.plan.Step> steps = head.plan().steps();
        String last = steps.get(steps.size() - 1).id();
        return events(head.id()).stream()
                .anyMatch(
                        e -> e.body() instanceof RunEvent.StepDone d && d.step().equals(last));
    }

    public List<RunEvent> events(long runId) {
        return db.selectFrom(RUN_EVENT)
                .where(RUN_EVENT.RUN_ID.eq(runId))
                .orderBy(RUN_EVENT.SEQ)
                .fetch(r -> new RunEvent(
                        r.getSeq(),
                        r.getAt().toInstant(),
                        r.getByName(),
                        json.readValue(r.getBody(), RunEvent.Body.class)));
    }

    public boolean delivered(long runId, String clientKey) {
        return db.fetchExists(RUN_EVENT, RUN_EVENT.RUN_ID.eq(runId), RUN_EVENT.CLIENT_KEY.eq(clientKey));
    }

    public void append(long runId, String by, String clientKey, RunEvent.Body body) {
        transaction.executeWithoutResult(t -> {
            Long last = db.select(DSL.coalesce(DSL.max(RUN_EVENT.SEQ), 0L))
                    .from(RUN_EVENT)
                    .where(RUN_EVENT.RUN_ID.eq(runId))
                    .fetchOne(0, Long.class);
            db.insertInto(RUN_EVENT)
                    .set(RUN_EVENT.RUN_ID, runId)
                    .set(RUN_EVENT.SEQ, last + 1)
                    .set(RUN_EVENT.AT, now())
                    .set(RUN_EVENT.BY_NAME, by)
                    .set(RUN_EVENT.CLIENT_KEY, clientKey)
                    .set(RUN_EVENT.BODY, json.writerFor(RunEvent.Body.class).writeValueAsString(body))
                    .execute();
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
                r.get(RUN.TAG),
                r.get(RUN.REVISION),
                json.readValue(r.get(RUN.PLAN), Plan.class),
                r.get(RUN.GAP_SCHOOL),
                r.get(RUN.TECHNICIAN),
                r.get(RUN.PRACTICE),
                r.get(RUN.STARTED_AT));
    }

    private static OffsetDateTime now() {
        return OffsetDateTime.now(ZoneOffset.UTC).truncatedTo(ChronoUnit.MILLIS);
    }
}
