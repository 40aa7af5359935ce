package earlygate.solve;

import earlygate.network.ComponentState;
import earlygate.network.Conditions;
import earlygate.unit.Situation;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;

/**
 * A machine followed through time; SI.
 *
 * @param samples in order of time, the first at 0 s
 */
public record Recording(List<Sample> samples) {
    /**
     * One instant.
     *
     * @param oil K; the tank takes all heat and loses none
     * @param pressures Pa by line id, tank left out
     */
    public record Sample(
            double timeS, double oil, Map<String, Double> pressures, Map<String, ComponentState> components) {}

    /** The whole situation from a time on, s; without an oil temperature the oil stays as warm as it is. */
    public record Event(double atS, Situation now) {}

    /**
     * Begins at rest in the steady state of {@code start}, or without pressure where it has none.
     *
     * @param events in order of time
     * @param most how many samples at most, spread evenly
     * @throws NoBalance when even steps of a nanosecond find no balance
     */
    public static Recording of(
            Model model, Situation start, double seconds, double stepS, List<Event> events, int most) {
        Transient machine = model.inMotion();
        Conditions c = model.network().conditions(start);
        model.solve(start).ifPresent(steady -> machine.restore(steady, c));
        List<Sample> samples = new ArrayList<>();
        int steps = (int) Math.ceil(seconds / stepS - 1e-9);
        int every = Math.max(1, (steps + most - 1) / most);
        int next = 0;
        samples.add(sample(0, machine, c));
        for (int i = 1; i <= steps; i++) {
            while (next < events.size() && events.get(next).atS() <= (i - 1) * stepS + 1e-12) {
                c.replace(events.get(next++).now());
            }
            machine.advance(c, stepS);
            c.oil(c.oil() + stepS * machine.heat() / model.unit().fluid().heatCapacity());
            if (i % every == 0 || i == steps) {
                samples.add(sample(i * stepS, machine, c));
            }
        }
        return new Recording(samples);
    }

    private static Sample sample(double timeS, Transient machine, Conditions c) {
        return new Sample(timeS, c.oil(), machine.pressures(), machine.components(c));
    }
}
