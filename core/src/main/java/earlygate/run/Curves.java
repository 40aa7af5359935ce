package earlygate.run;

import earlygate.gauge.GaugeSearch;
import earlygate.plan.Step;
import earlygate.unit.PowerUnit;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;

/** The gauge curves of one plan's steps, each computed when it is first asked for. Safe for several threads. */
public final class Curves {
    private final PowerUnit unit;
    private final Map<String, Optional<GaugeCurve>> known = new HashMap<>();

    public Curves(PowerUnit unit) {
        this.unit = unit;
    }

    /** Empty where the model has no answer or the gauge never follows the step's screw. */
    synchronized Optional<GaugeCurve> of(Step step) {
        // A search of its own each time: it keeps its answers, and a run stays open for days.
        return known.computeIfAbsent(step.id(), id -> GaugeCurve.of(new GaugeSearch(unit), step));
    }
}
