package earlygate.run;

import earlygate.run.RunEvent.Paused;
import earlygate.run.RunEvent.Stopped;
import java.util.List;
import java.util.Optional;

/** A run that is left for a while: nothing is entered until somebody goes on, and a practice machine stands as it is. */
public final class Pause {
    private Pause() {}

    /**
     * The pause that lasts, with who made it, when and why. While it does, it is the last entry but for drives that stopped
     * by themselves, so no more of the log is looked at.
     */
    public static Optional<RunEvent> of(RunState run) {
        List<RunEvent> events = run.events();
        int last = events.size() - 1;
        while (last >= 0 && events.get(last).body() instanceof Stopped) {
            last--;
        }
        return last >= 0 && events.get(last).body() instanceof Paused
                ? Optional.of(events.get(last))
                : Optional.empty();
    }

    /** As it was written; empty where nobody gave one. */
    public static String reason(RunEvent pause) {
        return ((Paused) pause.body()).reason();
    }
}
