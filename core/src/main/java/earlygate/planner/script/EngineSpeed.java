package earlygate.planner.script;

import earlygate.explain.Reason;
import earlygate.plan.Note;
import earlygate.unit.Engine;
import java.util.List;
import java.util.Optional;

/** An engine has no ammeter: what it has to do shows as its speed. */
final class EngineSpeed {
    /** Governors differ by so much. */
    private static final double WITHIN = 0.03;

    private EngineSpeed() {}

    /** What is written down of the one engine that runs now, with what the model says; empty where none does. */
    static Optional<Reason> asked(Site site, Note note) {
        List<Engine> engines = site.unit().all(Engine.class);
        if (engines.size() != 1) {
            return engines.isEmpty() ? Optional.empty() : Optional.of(note.label());
        }
        return site.rehearsal()
                .state
                .map(s -> s.driver(engines.get(0).id()).speed())
                .filter(n -> n > 0)
                .map(n -> note.expecting(n, (1 - WITHIN) * n, (1 + WITHIN) * n));
    }
}
