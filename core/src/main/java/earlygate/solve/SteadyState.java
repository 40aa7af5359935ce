package earlygate.solve;

import earlygate.network.ComponentState;
import earlygate.network.ComponentState.ActuatorState;
import earlygate.network.ComponentState.DriverState;
import earlygate.network.ComponentState.PumpState;
import earlygate.network.ComponentState.ValveState;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * A solved situation.
 *
 * @param pressures Pa by line id, tank left out
 * @param components by component id
 * @param inControl by line id, the setting that holds it; no entry where the load decides
 * @param settings as they stood, Pa (W for a power limiter)
 * @param sealed lines that nothing feeds or drains
 * @param starved running pumps whose suction is shut
 * @param oil K
 */
public record SteadyState(
        Map<String, Double> pressures,
        Map<String, ComponentState> components,
        Map<String, String> inControl,
        Map<String, Double> settings,
        List<String> sealed,
        List<String> starved,
        double oil) {

    public double pressure(String line) {
        return line.equals(earlygate.unit.Line.TANK) ? 0 : pressures.get(line);
    }

    public Optional<String> limiterOf(String line) {
        return Optional.ofNullable(inControl.get(line));
    }

    /** What passes a component, m3/s: inlet to outlet, of a pump what it delivers; 0 of what passes nothing. */
    public double flow(String component) {
        ComponentState c = components.get(component);
        return c instanceof PumpState p
                ? p.flow()
                : c instanceof ValveState v ? v.flow() : c instanceof ActuatorState a ? a.flow() : 0;
    }

    /** What all shafts take, W; while nothing moves it all ends as heat in the oil. */
    public double shaftPower() {
        return components.values().stream()
                .mapToDouble(c -> c instanceof DriverState d ? d.power() : 0)
                .sum();
    }

    public DriverState driver(String id) {
        return (DriverState) components.get(id);
    }

    public PumpState pump(String id) {
        return (PumpState) components.get(id);
    }

    public ValveState valve(String id) {
        return (ValveState) components.get(id);
    }
}
