package earlygate.run;

import earlygate.explain.Value;
import earlygate.plan.Note;
import earlygate.plan.Step;
import java.util.ArrayList;
import java.util.List;

/** Flow meters that hands have put into lines. */
public final class FlowMeters {
    private static final String TAKEN_OUT = "plan.meter-off";

    private FlowMeters() {}

    /** Parts in whose lines one stands by now: the steps that say so are done, those that take it out again are not. */
    public static List<String> fitted(RunState run) {
        List<String> places = new ArrayList<>();
        for (Step s : run.plan().steps()) {
            if (run.record(s.id()).isDone() && s.action().values().get("metered") instanceof Value.Name place) {
                if (s.notes().contains(Note.FLOW_METER.label())) {
                    places.add(place.text());
                } else if (s.action().code().equals(TAKEN_OUT)) {
                    places.remove(place.text());
                }
            }
        }
        return places;
    }
}
