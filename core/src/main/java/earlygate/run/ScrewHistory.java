package earlygate.run;

import earlygate.run.RunEvent.Began;
import java.util.List;
import java.util.Optional;

/** What a run found when it began, brought along, and leaves to the next one of its unit. */
public final class ScrewHistory {
    private ScrewHistory() {}

    /** How rough its practice machine is; empty for runs of earlier versions, and at the machine itself. */
    public static Optional<String> rig(RunState run) {
        return run.events().stream()
                .filter(e -> e.body() instanceof Began)
                .findFirst()
                .flatMap(e -> ((Began) e.body()).rig());
    }

    /** What it has learned of screws, or was told and nothing contradicted. */
    public static List<ScrewTaught> taught(RunState run) {
        return run.events().stream()
                .reduce((a, b) -> b)
                .map(last -> run.screws().learned(last.at(), last.by()))
                .orElse(List.of());
    }

    /** Turns that would bring a screw back to where it stood before this run touched it, clockwise positive. */
    public static double undo(RunState run, String setting) {
        return -run.screws().net(setting);
    }

    /** When and by whom what is known of a screw was learned, where an earlier run did. */
    public static Optional<ScrewTaught> known(RunState run, String setting) {
        return run.screws().before(setting);
    }
}
