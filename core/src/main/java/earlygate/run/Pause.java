package earlygate.run;

import earlygate.run.RunEvent.Paused;
import earlygate.run.RunEvent.WentOn;
import java.util.List;
import java.util.Optional;

/** A run that is left for a while: nothing is entered until somebody goes on, and a practice machine stands as it is. */
public final class Pause {
    private Pause() {}

    /** The pause that lasts, with who made it, when and why. */
    public static Optional<RunEvent> of(RunState run) {
        List<RunEvent> events = run.events();
        for (int i = events.size() - 1; i >= 0; i--) {
            RunEvent.Body body = events.get(i).body();
            if (body instanceof WentOn) {
                return Optional.empty();
            }
            if (body instanceof Paused) {
                return Optional.of(events.get(i));
            }
        }
        return Optional.empty();
    }

    /** As it was written; empty where nobody gave one. */
    public static String reason(RunEvent pause) {
        return ((Paused) pause.body()).reason();
    }
}
