package earlygate.run;

import earlygate.explain.Reason;
import earlygate.run.RunEvent.Attached;
import earlygate.run.RunEvent.OfFiles;
import earlygate.run.RunEvent.TakenOff;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;

/**
 * The files that lie beside a record, until both have signed it: the log holds what each is and its hash.
 *
 * @param there those that were not taken off again; their bodies are {@link Attached}
 */
public record Attachments(List<RunEvent> there) {
    /** Photographs of one commissioning, with some to spare. */
    public static final int MOST = 24;

    private static final int LONGEST_NAME = 120;

    public static Attachments of(RunState run) {
        Set<Long> off = run.events().stream()
                .filter(e -> e.body() instanceof TakenOff)
                .map(e -> ((TakenOff) e.body()).file())
                .collect(Collectors.toSet());
        return new Attachments(run.events().stream()
                .filter(e -> e.body() instanceof Attached && !off.contains(e.seq()))
                .toList());
    }

    public Optional<Attached> file(String hash) {
        return there.stream()
                .map(e -> (Attached) e.body())
                .filter(a -> a.hash().equals(hash))
                .findFirst();
    }

    /** Why this may not be written; empty where it may. */
    static Optional<Reason> refusal(RunState run, OfFiles body) {
        Attachments files = of(run);
        if (body instanceof TakenOff off) {
            return files.there.stream().anyMatch(e -> e.seq() == off.file())
                    ? Optional.empty()
                    : Optional.of(Reason.of("run.refused.no-file").number("seq", off.file()));
        }
        Attached a = (Attached) body;
        if (a.name().isBlank() || a.name().length() > LONGEST_NAME) {
            return Optional.of(Reason.of("run.refused.file-name").number("limit", LONGEST_NAME));
        }
        if (files.there.size() >= MOST) {
            return Optional.of(Reason.of("run.refused.files").number("limit", MOST));
        }
        return files.file(a.hash())
                .map(same -> Reason.of("run.refused.same-file").name("name", same.name()));
    }
}
