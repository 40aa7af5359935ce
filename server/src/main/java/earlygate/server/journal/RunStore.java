package earlygate.server.journal;

import static earlygate.server.tables.Tables.RUN;
import static earlygate.server.tables.Tables.RUN_EVENT;
import static earlygate.server.tables.Tables.RUN_TAIL;

import earlygate.explain.Reason;
import earlygate.plan.AsFound;
import earlygate.plan.Plan;
import earlygate.rig.Standing;
import earlygate.run.RunEvent;
import earlygate.server.store.EventChain;
import earlygate.server.store.HashedRows;
import earlygate.server.store.RowHash;
import earlygate.server.store.WallClock;
import earlygate.server.store.Writes;
import earlygate.server.tables.tables.records.RunEventRecord;
import earlygate.server.tables.tables.records.RunRecord;
import earlygate.server.tables.tables.records.RunTailRecord;
import earlygate.server.words.ApiProblem;
import java.time.OffsetDateTime;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Stream;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.jooq.Record;
import org.jooq.SelectField;
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
     * @param outcome passed or passed-with-deviations; null while it is open, and for runs of earlier versions
     * @param damaged what stands here was changed in the data file
     */
    public record RunSummary(
            long id,
            int revision,
            String technician,
            boolean practice,
            OffsetDateTime startedAt,
            boolean finished,
            String outcome,
            boolean damaged) {}

    /**
     * @param knowledge what it begins with; nothing is written where it is empty
     * @param clientKey the sender's own name for this start; sent again, the same run answers
     */
    public record NewRun(
            String tag,
            int revision,
            Plan plan,
            String gapSchool,
            String sectionOrder,
            String technician,
            boolean practice,
            Optional<RunEvent.Began> knowledge,
            String clientKey) {}

    /** @param key the sender's own name for the event */
    public record NewEvent(String key, RunEvent.Body body) {}

    private static final List<SelectField<?>> LISTED = Stream.<SelectField<?>>of(RUN.fields())
            .filter(f -> !f.equals(RUN.PLAN))
            .toList();
    /** So many runs are looked at for the last one that stands as it was written. */
    private static final int LOOKED_BACK = 20;

    private final DSLContext db;
    private final HashedRows rows;
    private final Writes writes;
    private final PlanText plans;
    private final EventText text;
    private final RigStandings standings;
    private final WallClock clock;

    RunStore(DSLContext db, HashedRows rows, Writes writes, JsonMapper json, RigStandings standings, WallClock clock) {
        this.db = db;
        this.rows = rows;
        this.writes = writes;
        this.plans = new PlanText(json);
        this.text = new EventText(json);
        this.standings = standings;
        this.clock = clock;
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
        RunRecord r = db.newRecord(RUN);
        r.setUuid(UUID.randomUUID().toString());
        r.setClientKey(run.clientKey());
        r.setTag(run.tag());
        r.setRevision(run.revision());
        r.setPlan(plans.write(run.plan()));
        r.setGapSchool(run.gapSchool());
        r.setSectionOrder(run.sectionOrder());
        r.setTechnician(run.technician());
        r.setPractice(run.practice());
        r.setStartedAt(clock.now());
        rows.insert(r);
        RunTailRecord tail = db.newRecord(RUN_TAIL);
        tail.setRunId(r.getId());
        tail.setStartHash(EventChain.start(r));
        tail.setLastSeq(0L);
        tail.setLastHash(tail.getStartHash());
        tail.store();
        run.knowledge().ifPresent(b -> append(head(r), List.of(new NewEvent(r.getUuid(), b)), Optional.empty()));
        return r.getId();
    }

    /** @throws ApiProblem 404 for none, 409 where it isn't as it was written */
    public RunHead head(long id) {
        RunRecord r =
                db.fetchOptional(RUN, RUN.ID.eq(id)).orElseThrow(() -> ApiProblem.notFound("run", Long.toString(id)));
        RunTailRecord tail = db.fetchOne(RUN_TAIL, RUN_TAIL.RUN_ID.eq(id));
        if (tail == null || !EventChain.start(r).equals(tail.getStartHash()) || !RowHash.holds(RUN, r)) {
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
        return db.select(LISTED)
                .from(RUN)
                .where(which)
                .orderBy(RUN.ID.desc())
                .limit(most)
                .fetch(RunStore::summary);
    }

    /** The last finished run at the machine itself; a practice run never counts, nor one that was changed in the file. */
    public Optional<RunSummary> commissioned(String tag) {
        return finishedAtTheMachine(tag, LOOKED_BACK).stream()
                .filter(r -> !r.damaged())
                .findFirst();
    }

    /** Finished runs at the machine itself, the newest first. */
    public List<RunSummary> finishedAtTheMachine(String tag, int most) {
        return list(RUN.TAG.eq(tag).and(RUN.FINISHED_AT.isNotNull()).and(RUN.PRACTICE.isFalse()), most);
    }

    /** The last run at the machine itself, finished or not. */
    public Optional<RunSummary> atTheMachine(String tag) {
        return list(RUN.TAG.eq(tag).and(RUN.PRACTICE.isFalse()), 1).stream().findFirst();
    }

    /** What its history asks for: a unit that has run at the machine before is read as it came. */
    public AsFound asFound(String tag) {
        return commissioned(tag).isPresent() ? AsFound.READ : AsFound.COUNT;
    }

    private static RunSummary summary(Record r) {
        return new RunSummary(
                r.get(RUN.ID),
                r.get(RUN.REVISION),
                r.get(RUN.TECHNICIAN),
                r.get(RUN.PRACTICE),
                r.get(RUN.STARTED_AT),
                r.get(RUN.FINISHED_AT) != null,
                r.get(RUN.OUTCOME),
                !RowHash.holds(RUN, r));
    }

    /**
     * The whole log, held against its chain; of one that was read before only what has come since is read.
     *
     * @return the very same where nothing has come
     * @throws ApiProblem 409 where an event was changed, is missing or stands twice: such a log is never folded
     */
    VerifiedLog log(RunHead head, VerifiedLog before) {
        // In one statement: the log and its end as they stood at one moment, though others write meanwhile.
        var log = db.select()
                .from(RUN_TAIL)
                .leftJoin(RUN_EVENT)
                .on(RUN_EVENT.RUN_ID.eq(RUN_TAIL.RUN_ID), RUN_EVENT.SEQ.gt(before.seq()))
                .where(RUN_TAIL.RUN_ID.eq(head.id()))
                .orderBy(RUN_EVENT.SEQ)
                .fetch();
        RunTailRecord tail = log.get(0).into(RUN_TAIL);
        List<RunEventRecord> events = log.stream()
                .filter(r -> r.get(RUN_EVENT.SEQ) != null)
                .map(r -> r.into(RUN_EVENT))
                .toList();
        Optional<Reason> broken = EventChain.broken(head.uuid(), before.seq(), before.hash(), tail, events);
        if (broken.isPresent() && !before.isUnread()) {
            // What was read last may have been taken back before it was stored.
            return log(head, VerifiedLog.UNREAD);
        }
        broken.ifPresent(why -> {
            throw ApiProblem.conflict("log", why);
        });
        boolean same = events.isEmpty() && !before.isUnread();
        return same
                ? before
                : before.with(events.stream().map(this::event).toList(), tail.getLastSeq(), tail.getLastHash());
    }

    /** The event that was delivered under this key, if one was. */
    public Optional<RunEvent> delivered(long runId, String clientKey) {
        return db.selectFrom(RUN_EVENT)
                .where(RUN_EVENT.RUN_ID.eq(runId), RUN_EVENT.CLIENT_KEY.eq(clientKey))
                .fetchOptional(this::event);
    }

    private RunEvent event(RunEventRecord r) {
        return new RunEvent(
                r.getSeq(), r.getAt().toInstant(), r.getByName(), text.read(r.getRunId(), r.getSeq(), r.getBody()));
    }

    /** Writes events, and where the practice machine stands after them, all or nothing. */
    public void append(RunHead head, List<NewEvent> events, Optional<Standing> standing) {
        writes.write(() -> {
            RunTailRecord tail = db.fetchSingle(RUN_TAIL, RUN_TAIL.RUN_ID.eq(head.id()));
            EventChain chain = EventChain.behind(head.uuid(), tail);
            for (NewEvent e : events) {
                OffsetDateTime at = clock.now();
                String body = text.write(e.body());
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
            standing.ifPresent(s -> standings.keep(head.id(), s));
        });
    }

    /** The run's last gate was opened; or it was gone back into, with an empty outcome. */
    public void finished(long runId, String outcome) {
        writes.write(() -> {
            RunRecord run = db.fetchSingle(RUN, RUN.ID.eq(runId));
            run.setFinishedAt(outcome == null ? null : clock.now());
            run.setOutcome(outcome);
            rows.update(run);
        });
    }

    private RunHead head(RunRecord r) {
        return new RunHead(
                r.getId(),
                r.getUuid(),
                r.getTag(),
                r.getRevision(),
                plans.read(r.getId(), r.getPlan()),
                r.getGapSchool(),
                r.getSectionOrder(),
                r.getTechnician(),
                r.getPractice(),
                r.getStartedAt());
    }
}
