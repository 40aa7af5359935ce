package earlygate.gauge;

import earlygate.solve.SteadyState;
import earlygate.unit.Situation;
import earlygate.unit.TestPoint;
import java.util.List;

/**
 * A situation in which a setting has the gauge.
 *
 * @param gauges test points that it moves, the one on its own line first; empty where none is fitted
 * @param raised other settings that had to go up for it
 */
public record Arrangement(
        String setting, Situation situation, SteadyState state, List<TestPoint> gauges, List<String> raised) {}
