package earlygate.plan;

import earlygate.circuit.PowerUnit;
import earlygate.circuit.Pump;
import earlygate.circuit.Situation;
import earlygate.circuit.Throttle;
import earlygate.circuit.UnloadingValve;

/**
 * An accumulator's unloading valve can only be read with the accumulator on the line: shut off, the line has next to no
 * volume and saws between cut-out and cut-in. Oil is drawn slowly, so that one cycle follows the other.
 */
final class Charging {
    /** Opening of a load that draws a small part of what the pump delivers. */
    private static final double DRAWN = 0.05;

    private Charging() {}

    static Situation of(Bench bench, Situation s, UnloadingValve valve) {
        Situation charging = bench.running(s).freed();
        for (Throttle t : bench.handValves()) {
            double opening = switch (t.purpose()) {
                case ISOLATE -> 1;
                case BLEED -> 0;
                case LOAD -> t.a().equals(valve.pilot()) || t.b().equals(valve.pilot()) ? DRAWN : 0;
            };
            charging = charging.withOpening(t.id(), opening);
        }
        return charging;
    }

    static String pumpOf(PowerUnit unit, UnloadingValve valve) {
        return String.join(
                ", ", unit.pumpsInto(valve.inlet()).stream().map(Pump::id).toList());
    }
}
