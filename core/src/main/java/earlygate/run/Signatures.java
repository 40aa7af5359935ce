package earlygate.run;

import earlygate.explain.Reason;
import earlygate.run.RunEvent.Amended;
import earlygate.run.RunEvent.OfRecord;
import earlygate.run.RunEvent.Role;
import earlygate.run.RunEvent.Signed;
import java.util.List;
import java.util.Optional;

/**
 * The names under a finished record. With those of technician and witness it is locked: nothing is written into it any
 * more but amendments, each a revision that leaves what stood before where it is.
 *
 * @param signed by whom and when, their bodies are {@link Signed}; {@code amended} the same of {@link Amended}
 */
public record Signatures(List<RunEvent> signed, List<RunEvent> amended) {
    private static final int LONGEST_NAME = 80;

    static Signatures of(RunState run) {
        return new Signatures(
                run.events().stream().filter(e -> e.body() instanceof Signed).toList(),
                run.events().stream().filter(e -> e.body() instanceof Amended).toList());
    }

    public Optional<RunEvent> by(Role role) {
        return signed.stream().filter(e -> ((Signed) e.body()).role() == role).findFirst();
    }

    public boolean locked() {
        return by(Role.TECHNICIAN).isPresent() && by(Role.WITNESS).isPresent();
    }

    /** 1, and one more with every amendment. */
    public int revision() {
        return 1 + amended.size();
    }

    /** Why this may not be written; empty where it may. */
    static Optional<Reason> refusal(RunState run, OfRecord body) {
        Signatures names = run.signatures();
        if (!run.finished()) {
            return Optional.of(Reason.of("run.refused.not-finished"));
        }
        if (body instanceof Amended a) {
            return !names.locked()
                    ? Optional.of(Reason.of("run.refused.not-locked"))
                    : named(a.by())
                            .or(() -> a.text().strip().length() < RunRules.LEAST_REASON
                                    ? Optional.of(
                                            Reason.of("run.refused.no-reason").number("least", RunRules.LEAST_REASON))
                                    : Optional.empty());
        }
        Signed s = (Signed) body;
        if (names.by(s.role()).isPresent()) {
            return Optional.of(Reason.of("run.refused.signed")
                    .name("name", ((Signed) names.by(s.role()).get().body()).name()));
        }
        boolean sameHand = names.signed().stream()
                .anyMatch(e ->
                        ((Signed) e.body()).name().equalsIgnoreCase(s.name().strip()));
        return named(s.name())
                .or(() -> sameHand
                        ? Optional.of(Reason.of("run.refused.same-hand").name("name", s.name()))
                        : Optional.empty());
    }

    private static Optional<Reason> named(String name) {
        return name.isBlank() || name.length() > LONGEST_NAME
                ? Optional.of(Reason.of("run.refused.no-name").number("limit", LONGEST_NAME))
                : Optional.empty();
    }
}
