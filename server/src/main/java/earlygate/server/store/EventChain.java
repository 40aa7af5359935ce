package earlygate.server.store;

import static earlygate.server.tables.Tables.RUN;

import earlygate.explain.Reason;
import earlygate.server.tables.tables.records.RunEventRecord;
import earlygate.server.tables.tables.records.RunRecord;
import earlygate.server.tables.tables.records.RunTailRecord;
import java.time.Instant;
import java.util.Optional;
import org.jooq.DSLContext;
import tools.jackson.databind.json.JsonMapper;

/**
 * The chain through a run's log: each event carries the hash of itself and of the one before, the first that of the
 * run's head. Whatever is changed, taken out or put in afterwards breaks it there.
 *
 * <p>hash = SHA-256 of the JSON array [hash before, run, sequence, time, author, key, body], in hex.
 */
public final class EventChain {
    private static final JsonMapper JSON = new JsonMapper();

    private final String run;
    private String last;
    private long seq;

    private EventChain(String run, String last, long seq) {
        this.run = run;
        this.last = last;
        this.seq = seq;
    }

    /** Before the first event. */
    public static EventChain from(RunRecord run) {
        return new EventChain(run.getUuid(), start(run), 0);
    }

    /** What the first hash is of, out of a file of whatever version: it may not have the columns of later ones. */
    public static RunRecord head(DSLContext db, long id) {
        return db.select(
                        RUN.ID,
                        RUN.UUID,
                        RUN.TAG,
                        RUN.REVISION,
                        RUN.PLAN,
                        RUN.GAP_SCHOOL,
                        RUN.SECTION_ORDER,
                        RUN.TECHNICIAN,
                        RUN.PRACTICE,
                        RUN.STARTED_AT)
                .from(RUN)
                .where(RUN.ID.eq(id))
                .fetchSingle()
                .into(RUN);
    }

    /** Behind the last event, to be gone on with. */
    public static EventChain behind(String run, RunTailRecord tail) {
        return new EventChain(run, tail.getLastHash(), tail.getLastSeq());
    }

    /** Hash of the run's head, its plan included. */
    public static String start(RunRecord r) {
        return hash(
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

    public long seq() {
        return seq;
    }

    public String last() {
        return last;
    }

    /** The hash of the next event; {@code body} as it is stored, to the letter. */
    public String add(Instant at, String by, String key, String body) {
        last = hash(last, run, ++seq, at.toString(), by, key, body);
        return last;
    }

    /** Holds the next stored event against the chain; what keeps the log from being believed, if anything does. */
    private Optional<Reason> follow(RunEventRecord e) {
        if (e.getSeq() != seq + 1) {
            return Optional.of(broken(e.getSeq() <= seq ? "runs.event-doubled" : "runs.event-missing", e, seq + 1));
        }
        String hash = add(e.getAt().toInstant(), e.getByName(), e.getClientKey(), e.getBody());
        return hash.equals(e.getHash()) ? Optional.empty() : Optional.of(broken("runs.event-changed", e, e.getSeq()));
    }

    private static Reason broken(String code, RunEventRecord e, long seq) {
        return broken(code, e.getRunId(), seq);
    }

    private static Reason broken(String code, long runId, long seq) {
        return Reason.of(code).number("run", runId).number("seq", seq);
    }

    /**
     * Holds a whole log against the chain and against its end, so that nothing was cut off.
     *
     * @param events by sequence number
     * @return what keeps the log from being believed; empty for one that is as it was written
     */
    public static Optional<Reason> broken(String run, RunTailRecord tail, Iterable<RunEventRecord> events) {
        return broken(run, 0, "", tail, events);
    }

    /**
     * The same of a log that was believed as far as this before.
     *
     * @param seq of the last event that was believed, 0 for none; {@code hash} its hash
     */
    public static Optional<Reason> broken(
            String run, long seq, String hash, RunTailRecord tail, Iterable<RunEventRecord> events) {
        EventChain chain = new EventChain(run, seq == 0 ? tail.getStartHash() : hash, seq);
        for (RunEventRecord e : events) {
            Optional<Reason> broken = chain.follow(e);
            if (broken.isPresent()) {
                return broken;
            }
        }
        long end = tail.getLastSeq();
        if (chain.seq != end) {
            String code = chain.seq < end ? "runs.event-missing" : "runs.event-doubled";
            return Optional.of(broken(code, tail.getRunId(), Math.min(chain.seq, end) + 1));
        }
        return chain.last.equals(tail.getLastHash())
                ? Optional.empty()
                : Optional.of(broken("runs.event-changed", tail.getRunId(), end));
    }

    private static String hash(Object... parts) {
        return Sha256.of(JSON.writeValueAsString(parts));
    }
}
