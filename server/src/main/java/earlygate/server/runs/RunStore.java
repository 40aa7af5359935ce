package earlygate.server.runs;

import static earlygate.server.tables.Tables.RIG_STANDING;
import static earlygate.server.tables.Tables.RUN;
import static earlygate.server.tables.Tables.RUN_EVENT;
import static earlygate.server.tables.Tables.RUN_TAIL;

import earlygate.explain.Reason;
import earlygate.plan.Plan;
import earlygate.rig.Rig;
import earlygate.run.RunEvent;
import earlygate.server.store.EventChain;
import earlygate.server.store.Writes;
import earlygate.server.tables.tables.records.RunEventRecord;
import earlygate.server.words.ApiProblem;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.jooq.Record;
import org.jooq.impl.DSL;
import org.springframework.stereotype.Repository;
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

    /**
     * @param revision of the sheet it was planned from
     * @param outcome passed or passed-with-deviations; null while it is open, and for runs of earlier versions */
    public record RunSummary(
            long id,
            int revision,
            String technician,
            boolean practice,
            OffsetDateTime startedAt,
            boolean finished,
            String outcome) {}

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
    private final Writes writes;
    private final JsonMapper json;

    RunStore(DSLContext db, Writes writes, JsonMapper json) {
        this.db = db;
        this.writes = writes;
        this.json = json;
    }

    public long start(NewRun run) {
        return writes.write(() -> begun(run.clientKey()).orElseGet(() -> begin(run)));
    }

    private Optional<Long> begun(String key) {
        return key == null
                ? Optional.empty()
                : db.select(RUN.ID).from(RUN).where(RUN.CLIENT_KEY.eq(key)).fetchOptional(RUN.ID);
    }

    private long begin(NewRun run) {
        String uuid = UUID.randomUUID().toString();
        String plan = json.writeValueAsString(run.plan());
        OffsetDateTime at = now();
        Long id = db.insertInto(RUN)
                .set(RUN.UUID, uuid)
                .set(RUN.CLIENT_KEY, run.clientKey())
                .set(RUN.TAG, run.tag())
                .set(RUN.REVISION, run.revision())
                .set(RUN.PLAN, plan)
                .set(RUN.GAP_SCHOOL, run.gapSchool())
                .set(RUN.SECTION_ORDER, run.sectionOrder())
                .set(RUN.TECHNICIAN, run.technician())
                .set(RUN.PRACTICE, run.practice())
                .set(RUN.STARTED_AT, at)
                .returningResult(RUN.ID)
                .fetchOne(RUN.ID);
        String start = EventChain.start(
                uuid,
                run.tag(),
                run.revision(),
                plan,
                run.gapSchool(),
                run.sectionOrder(),
                run.technician(),
                run.practice(),
                at.toInstant());
        db.insertInto(RUN_TAIL)
                .set(RUN_TAIL.RUN_ID, id)
                .set(RUN_TAIL.START_HASH, start)
                .set(RUN_TAIL.LAST_SEQ, 0L)
                .set(RUN_TAIL.LAST_HASH, start)
                .execute();
        return id;
    }

    /** @throws ApiProblem 404 for none, 409 where it isn't as it was written */
    public RunHead head(long id) {
        var found = db.select()
                .from(RUN)
                .leftJoin(RUN_TAIL)
                .on(RUN_TAIL.RUN_ID.eq(RUN.ID))
                .where(RUN.ID.eq(id))
                .fetchOptional()
                .orElseThrow(() -> ApiProblem.notFound("run", Long.toString(id)));
        var r = found.into(RUN);
        String start = EventChain.start(
                r.getUuid(),
                r.getTag(),
                r.getRevision(),
                r.getPlan(),
                r.getGapSchool(),
                r.getSectionOrder(),
                r.getTechnician(),
                r.getPractice(),
                r.getStartedAt().toInstant());
        if (!start.equals(found.get(RUN_TAIL.START_HASH))) {
            throw ApiProblem.conflict("log", Reason.of("runs.head-changed").number("run", id));
        }
        return head(r);
    }

    /**
     * The newest first.
     *
     * @param before only runs with a smaller number
     */
    public List<RunSummary> summaries(String tag, long before, int most) {
        return list(RUN.TAG.eq(tag).and(RUN.ID.lt(before)), most);
    }

    public List<RunSummary> open(String tag, int most) {
        return list(RUN.TAG.eq(tag).and(RUN.FINISHED_AT.isNull()), most);
    }

    public int openCount(String tag) {
        return db.fetchCount(RUN, RUN.TAG.eq(tag), RUN.FINISHED_AT.isNull());
    }

    private List<RunSummary> list(Condition which, int most) {
        return db.select(
                        RUN.ID,
                        RUN.REVISION,
                        RUN.TECHNICIAN,
                        RUN.PRACTICE,
                        RUN.STARTED_AT,
                        RUN.FINISHED_AT,
                        RUN.OUTCOME)
                .from(RUN)
                .where(which)
                .orderBy(RUN.ID.desc())
                .limit(most)
                .fetch(RunStore::summary);
    }

    /** The last finished run at the machine itself; a practice run never counts. */
    public Optional<RunSummary> commissioned(String tag) {
        return list(RUN.TAG.eq(tag).and(RUN.FINISHED_AT.isNotNull()).and(RUN.PRACTICE.isFalse()), 1).stream()
                .findFirst();
    }

    private static RunSummary summary(Record r) {
        return new RunSummary(
                r.get(RUN.ID),
                r.get(RUN.REVISION),
                r.get(RUN.TECHNICIAN),
                r.get(RUN.PRACTICE),
                r.get(RUN.STARTED_AT),
                r.get(RUN.FINISHED_AT) != null,
                r.get(RUN.OUTCOME));
    }

    /**
     * The whole log, held against its chain.
     *
     * @throws ApiProblem 409 where an event was changed, is missing or stands twice: such a log is never folded
     */
    public List<RunEvent> events(RunHead head) {
        var tail = db.selectFrom(RUN_TAIL).where(RUN_TAIL.RUN_ID.eq(head.id())).fetchSingle();
        EventChain chain = new EventChain(head.uuid(), tail.getStartHash());
        List<RunEvent> events = db.selectFrom(RUN_EVENT)
                .where(RUN_EVENT.RUN_ID.eq(head.id()))
                .orderBy(RUN_EVENT.SEQ)
                .fetch(r -> {
                    chain.follow(link(r)).ifPresent(b -> broken(head.id(), b));
                    return event(r);
                });
        chain.end(tail.getLastSeq(), tail.getLastHash()).ifPresent(b -> broken(head.id(), b));
        return events;
    }

    private static EventChain.Link link(RunEventRecord r) {
        return new EventChain.Link(
                r.getSeq(), r.getAt().toInstant(), r.getByName(), r.getClientKey(), r.getBody(), r.getHash());
    }

    private static void broken(long runId, EventChain.Break at) {
        String code = switch (at.kind()) {
            case CHANGED -> "runs.event-changed";
            case MISSING -> "runs.event-missing";
            case DOUBLED -> "runs.event-doubled";
        };
        throw ApiProblem.conflict("log", Reason.of(code).number("run", runId).number("seq", at.seq()));
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
    public void append(RunHead head, List<NewEvent> events, Optional<Rig.Standing> standing) {
        writes.write(() -> {
            var tail =
                    db.selectFrom(RUN_TAIL).where(RUN_TAIL.RUN_ID.eq(head.id())).fetchSingle();
            EventChain chain = new EventChain(head.uuid(), tail.getLastHash(), tail.getLastSeq());
            for (NewEvent e : events) {
                OffsetDateTime at = now();
                String body = json.writerFor(RunEvent.Body.class).writeValueAsString(e.body());
                String hash = chain.add(at.toInstant(), head.technician(), e.key(), body);
                db.insertInto(RUN_EVENT)
                        .set(RUN_EVENT.RUN_ID, head.id())
                        .set(RUN_EVENT.SEQ, chain.seq())
                        .set(RUN_EVENT.AT, at)
                        .set(RUN_EVENT.BY_NAME, head.technician())
                        .set(RUN_EVENT.CLIENT_KEY, e.key())
                        .set(RUN_EVENT.BODY, body)
                        .set(RUN_EVENT.HASH, hash)
                        .execute();
            }
            tail.setLastSeq(chain.seq());
            tail.setLastHash(chain.last());
            tail.update();
            standing.ifPresent(s -> standing(head.id(), s));
        });
    }

    /** The run's last gate was opened; or it was gone back into, with an empty outcome. */
    public void finished(long runId, String outcome) {
        writes.write(() -> {
            db.update(RUN)
                    .set(RUN.FINISHED_AT, outcome == null ? null : now())
                    .set(RUN.OUTCOME, outcome)
                    .where(RUN.ID.eq(runId))
                    .execute();
        });
    }

    public Optional<Rig.Standing> standing(long runId) {
        return db.select(RIG_STANDING.STANDING)
                .from(RIG_STANDING)
                .where(RIG_STANDING.RUN_ID.eq(runId))
                .fetchOptional(RIG_STANDING.STANDING)
                .map(text -> json.readValue(text, Rig.Standing.class));
    }

    public void standing(long runId, Rig.Standing standing) {
        String text = json.writeValueAsString(standing);
        writes.write(() -> {
            db.mergeInto(RIG_STANDING)
                    .using(DSL.selectOne())
                    .on(RIG_STANDING.RUN_ID.eq(runId))
                    .whenMatchedThenUpdate()
                    .set(RIG_STANDING.STANDING, text)
                    .whenNotMatchedThenInsert(RIG_STANDING.RUN_ID, RIG_STANDING.STANDING)
                    .values(runId, text)
                    .execute();
        });
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
