package earlygate.solve;

import static earlygate.quantity.Si.BAR;

import earlygate.circuit.Situation;
import earlygate.quantity.Si;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * A situation followed through time, in the units of the calculation API.
 *
 * @param timesS one per sample
 * @param lines bar by line
 * @param oilC by sample; the tank takes all heat and loses none
 * @param components by id: flowLpm and the rest of a steady answer's figures
 */
public record Series(
        List<Double> timesS,
        List<Double> oilC,
        Map<String, List<Double>> lines,
        Map<String, Map<String, List<Object>>> components) {
    /** The whole situation from a time on, s; without an oil temperature the oil stays as warm as it is. */
    public record Event(double atS, Situation now) {}

    /** @param events in order of time; {@code samples} at most, spread evenly */
    public static Series run(
            Network network, Situation start, double seconds, double stepS, List<Event> events, int samples) {
        Transient machine = new Transient(network);
        Conditions c = network.conditions(start);
        if (new Solver(network).steady(c) instanceof Outcome.Converged steady) {
            machine.restore(steady.state(), c);
        }
        Series series = new Series(new ArrayList<>(), new ArrayList<>(), new LinkedHashMap<>(), new LinkedHashMap<>());
        int steps = (int) Math.ceil(seconds / stepS - 1e-9);
        int every = Math.max(1, (steps + samples - 1) / samples);
        int next = 0;
        series.sample(0, machine, c);
        for (int i = 1; i <= steps; i++) {
            while (next < events.size() && events.get(next).atS() <= (i - 1) * stepS + 1e-12) {
                c.replace(events.get(next++).now());
            }
            machine.advance(c, stepS);
            c.oil(c.oil + stepS * machine.heat() / network.unit.fluid().heatCapacity());
            if (i % every == 0 || i == steps) {
                series.sample(i * stepS, machine, c);
            }
        }
        return series;
    }

    private void sample(double timeS, Transient machine, Conditions c) {
        timesS.add(SteadyAnswer.round(timeS));
        oilC.add(SteadyAnswer.round(c.oil - Si.ZERO_C));
        machine.pressures()
                .forEach((id, pa) ->
                        lines.computeIfAbsent(id, k -> new ArrayList<>()).add(SteadyAnswer.round(pa / BAR)));
        machine.components(c)
                .forEach((id, state) -> SteadyAnswer.component(state)
                        .forEach((key, value) -> components
                                .computeIfAbsent(id, k -> new LinkedHashMap<>())
                                .computeIfAbsent(key, k -> new ArrayList<>())
                                .add(value)));
    }
}
