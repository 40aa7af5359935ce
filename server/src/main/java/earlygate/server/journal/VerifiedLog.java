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

    boolean isUnread() {
        return hash.isEmpty();
    }
}
