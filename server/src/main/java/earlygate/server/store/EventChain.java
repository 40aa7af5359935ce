package earlygate.server.store;

import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.sql.Connection;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.util.HexFormat;
import java.util.Optional;
import tools.jackson.databind.json.JsonMapper;

/**
 * The chain through a run's log: each event carries the hash of itself and of the one before, the first that of the
 * run's head. Whatever is changed, taken out or put in afterwards breaks it there.
 *
 * <p>hash = SHA-256 of the JSON array [hash before, run, sequence, time, author, key, body], in hex.
 */
public final class EventChain {
    /** @param body as it is stored, to the letter */
    public record Link(long seq, Instant at, String by, String key, String body, String hash) {}

    /** What keeps a log from being believed. */
    public record Break(long seq, Kind kind) {}

    public enum Kind {
        CHANGED,
        MISSING,
        DOUBLED
    }

    private static final JsonMapper JSON = new JsonMapper();

    private final String run;
    private String last;
    private long seq;

    /** @param start hash of the run's head */
    public EventChain(String run, String start) {
        this.run = run;
        this.last = start;
    }

    /** Goes on from an event that is already there. */
    public EventChain(String run, String last, long seq) {
        this.run = run;
        this.last = last;
        this.seq = seq;
    }

    public static String start(
            String run,
            String tag,
            int revision,
            String plan,
            String gapSchool,
            String sectionOrder,
            String technician,
            boolean practice,
            Instant startedAt) {
        return hash(run, tag, revision, plan, gapSchool, sectionOrder, technician, practice, startedAt.toString());
    }

    public long seq() {
        return seq;
    }

    public String last() {
        return last;
    }

    /** The hash of the next event. */
    public String add(Instant at, String by, String key, String body) {
        last = hash(last, run, ++seq, at.toString(), by, key, body);
        return last;
    }

    /** Holds the next stored event against the chain. */
    public Optional<Break> follow(Link link) {
        if (link.seq() != seq + 1) {
            return Optional.of(new Break(seq + 1, link.seq() <= seq ? Kind.DOUBLED : Kind.MISSING));
        }
        String hash = add(link.at(), link.by(), link.key(), link.body());
        return hash.equals(link.hash()) ? Optional.empty() : Optional.of(new Break(link.seq(), Kind.CHANGED));
    }

    /** After the last: nothing was cut off. */
    public Optional<Break> end(long lastSeq, String lastHash) {
        if (seq < lastSeq) {
            return Optional.of(new Break(seq + 1, Kind.MISSING));
        }
        return seq > lastSeq
                ? Optional.of(new Break(lastSeq + 1, Kind.DOUBLED))
                : last.equals(lastHash) ? Optional.empty() : Optional.of(new Break(seq, Kind.CHANGED));
    }

    private static String hash(Object... parts) {
        try {
            byte[] text = JSON.writeValueAsString(parts).getBytes(StandardCharsets.UTF_8);
            return HexFormat.of().formatHex(MessageDigest.getInstance("SHA-256").digest(text));
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException(e);
        }
    }

    /**
     * Follows every log of a data file.
     *
     * @return how many runs there are
     * @throws SQLException naming the run and the event where a chain is broken
     */
    static long verifyAll(Connection open) throws SQLException {
        long runs = 0;
        try (Statement s = open.createStatement();
                ResultSet r = s.executeQuery("select id, uuid, tag, revision, plan, gap_school, section_order, "
                        + "technician, practice, started_at, start_hash, last_seq, last_hash from run "
                        + "join run_tail on run_tail.run_id = run.id order by id")) {
            while (r.next()) {
                runs++;
                String start = start(
                        r.getString("uuid"),
                        r.getString("tag"),
                        r.getInt("revision"),
                        r.getString("plan"),
                        r.getString("gap_school"),
                        r.getString("section_order"),
                        r.getString("technician"),
                        r.getBoolean("practice"),
                        r.getObject("started_at", OffsetDateTime.class).toInstant());
                long id = r.getLong("id");
                if (!start.equals(r.getString("start_hash"))) {
                    throw new SQLException("The head of run " + id + " was changed");
                }
                Optional<Break> broken = broken(
                        open,
                        id,
                        new EventChain(r.getString("uuid"), start),
                        r.getLong("last_seq"),
                        r.getString("last_hash"));
                if (broken.isPresent()) {
                    throw new SQLException("Event " + broken.get().seq() + " of run " + id + " is "
                            + broken.get().kind().name().toLowerCase(java.util.Locale.ROOT));
                }
            }
        }
        return runs;
    }

    private static Optional<Break> broken(Connection open, long run, EventChain chain, long lastSeq, String lastHash)
            throws SQLException {
        try (PreparedStatement s = open.prepareStatement(
                "select seq, at, by_name, client_key, body, hash from run_event where run_id = ? order by seq")) {
            s.setLong(1, run);
            try (ResultSet r = s.executeQuery()) {
                while (r.next()) {
                    Optional<Break> broken = chain.follow(new Link(
                            r.getLong("seq"),
                            r.getObject("at", OffsetDateTime.class).toInstant(),
                            r.getString("by_name"),
                            r.getString("client_key"),
                            r.getString("body"),
                            r.getString("hash")));
                    if (broken.isPresent()) {
                        return broken;
                    }
                }
            }
        }
        return chain.end(lastSeq, lastHash);
    }
}
