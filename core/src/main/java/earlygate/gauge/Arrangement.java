package earlygate.gauge;

import earlygate.solve.SteadyState;
import earlygate.unit.Situation;
import earlygate.unit.TestPoint;
import java.util.List;
import java.util.Map;

/**
 * A situation in which a setting has the gauge.
 *
 * @param gauges test points that it moves, the one on its own line first; empty where none is fitted
 * @param lifted where other settings had to go up to for it, Pa by setting
 */
public record Arrangement(
        String setting, Situation situation, SteadyState state, List<TestPoint> gauges, Map<String, Double> lifted) {
    public List<String> raised() {
        return List.copyOf(lifted.keySet());
    }
}
