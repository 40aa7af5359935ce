package earlygate.server.journal;

import earlygate.run.RunEvent;
import java.util.List;
import java.util.stream.Stream;

/**
 * A run's log as far as it was read and held against its chain.
 *
 * @param seq of its last event, and {@code hash} of that event; 0 and empty before anything was read
 */
record VerifiedLog(List<RunEvent> events, long seq, String hash) {
    static final VerifiedLog UNREAD = new VerifiedLog(List.of(), 0, "");

    VerifiedLog with(List<RunEvent> more, long lastSeq, String lastHash) {
        return new VerifiedLog(Stream.concat(events.stream(), more.stream()).toList(), lastSeq, lastHash);
    }

    /** What came since an earlier reading; empty where this does not go on from there, and where nothing came. */
    List<RunEvent> since(VerifiedLog before) {
        int read = before.events.size();
        boolean goesOn = read > 0 && events.size() > read && events.get(read - 1) == before.events.get(read - 1);
        return goesOn ? events.subList(read, events.size()) : List.of();
    }

    boolean isUnread() {
        return hash.isEmpty();
    }
}
