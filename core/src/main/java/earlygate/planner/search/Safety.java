package earlygate.planner.search;

import earlygate.explain.Reason;
import earlygate.network.ComponentState.DriverState;
import earlygate.plan.Plan;
import earlygate.solve.SteadyState;
import earlygate.unit.Driver;
import earlygate.unit.PowerUnit;
import java.util.List;

/** Whether a state may be: no line above what its weakest part stands, no drive above what it may carry. */
public final class Safety {
    private final PowerUnit unit;

    public Safety(PowerUnit unit) {
        this.unit = unit;
    }

    public boolean holds(SteadyState s) {
        return ratings(s).isEmpty() && motors(s).isEmpty();
    }

    /** One for every line above its weakest part. */
    public List<Plan.Refusal> ratings(SteadyState s) {
        return over(s, "");
    }

    /** The same while a screw is turned past its target, which parts stand for a moment. */
    public List<Plan.Refusal> pastTarget(SteadyState s, String screw) {
        return over(s, screw);
    }

    private List<Plan.Refusal> over(SteadyState s, String screw) {
        return s.pressures().entrySet().stream()
                .filter(e -> e.getValue() > weakest(e.getKey(), screw).pressurePa())
                .map(e -> new Plan.Refusal(
                        "rating-passed",
                        e.getKey(),
                        Reason.of(screw.isEmpty() ? "plan.refused.rating" : "plan.refused.overshoot")
                                .name("line", e.getKey())
                                .name("setting", screw)
                                .name("part", weakest(e.getKey(), screw).part())
                                .pressure("pressure", e.getValue())
                                .pressure("rating", weakest(e.getKey(), screw).pressurePa())))
                .toList();
    }

    private PowerUnit.Rating weakest(String line, String screw) {
        return screw.isEmpty() ? unit.weakest(line) : unit.weakestForAMoment(line);
    }

    /** One for every drive above its rating times its service factor. */
    public List<Plan.Refusal> motors(SteadyState s) {
        return unit.all(Driver.class).stream()
                .filter(m -> s.driver(m.id()).load() > m.serviceFactor())
                .map(m -> new Plan.Refusal(
                        "motor-overload",
                        m.id(),
                        Reason.of("plan.refused.overload")
                                .name("motor", m.id())
                                .ratio("load", s.driver(m.id()).load())
                                .ratio("limit", m.serviceFactor())))
                .toList();
    }

    /** The largest load of any drive, a fraction of its rated power. */
    public double load(SteadyState s) {
        return unit.all(Driver.class).stream()
                .map(m -> s.driver(m.id()))
                .mapToDouble(DriverState::load)
                .max()
                .orElse(0);
    }
}
