package earlygate.server.api;

import earlygate.run.Attachments;
import earlygate.run.RunEvent.Attached;
import earlygate.run.RunState;
import java.time.Instant;
import java.util.List;

/**
 * A file that lies beside a record.
 *
 * @param seq of the event with which it was attached
 * @param type image/jpeg, image/png, application/pdf or text/plain, by what is in it
 * @param hash SHA-256 of its bytes, hex; under it it is fetched
 * @param step at which it was attached; null where none was at hand
 */
public record AttachedView(
        long seq, String name, String type, long bytes, String hash, String step, String by, Instant at) {
    /** Those that were not taken off again, the oldest first. */
    public static List<AttachedView> of(RunState run) {
        return Attachments.of(run).there().stream()
                .map(e -> {
                    Attached a = (Attached) e.body();
                    return new AttachedView(
                            e.seq(),
                            a.name(),
                            a.type(),
                            a.size(),
                            a.hash(),
                            a.step().orElse(null),
                            e.by(),
                            e.at());
                })
                .toList();
    }
}
