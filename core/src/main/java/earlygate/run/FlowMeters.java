package earlygate.run;

import earlygate.explain.Value;
import earlygate.plan.Note;
import java.util.List;

/** Flow meters that hands have put into lines. */
public final class FlowMeters {
    private FlowMeters() {}

    /** Parts in whose lines one stands by now: the steps that say so are done. */
    public static List<String> fitted(RunState run) {
        return run.plan().steps().stream()
                .filter(s -> s.notes().contains(Note.FLOW_METER.label()))
                .filter(s -> run.record(s.id()).isDone())
                .flatMap(s -> s.action().values().values().stream())
                .filter(Value.Name.class::isInstance)
                .map(place -> ((Value.Name) place).text())
                .toList();
    }
}
