package earlygate.rig;

import static earlygate.quantity.Si.BAR;

import earlygate.network.ComponentState;
import earlygate.network.ComponentState.DriverState;
import earlygate.unit.Electric;
import earlygate.unit.PowerUnit;
import earlygate.unit.TestPoint;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Random;
import java.util.function.ToDoubleFunction;

/** The instruments of a practice machine: each a little off within its class, and trembling, more with air in the oil. */
final class Needles {
    private static final double NEEDLE = 0.0004;
    /** How much more a needle trembles with the lines full of air. */
    private static final double AIR = 15;

    private static final double CLAMP_METER_A = 0.008;

    private final PowerUnit unit;
    private final Random tremble;
    private final Map<String, Double> bias = new LinkedHashMap<>();

    /** @param hidden decides how far each gauge is off */
    Needles(PowerUnit unit, Random tremble, Random hidden) {
        this.unit = unit;
        this.tremble = tremble;
        for (TestPoint t : unit.testPoints()) {
            bias.put(t.id(), 0.4 * t.errorPa() * (2 * hidden.nextDouble() - 1));
        }
    }

    /** @param air 0 to 1; the answer in Pa by test point, what the dial can show */
    Map<String, Double> gauges(ToDoubleFunction<String> pressureOfLine, double air) {
        Map<String, Double> gauges = new LinkedHashMap<>();
        for (TestPoint t : unit.testPoints()) {
            double pressure = pressureOfLine.applyAsDouble(t.line());
            double shown = pressure < 0.05 * BAR
                    ? 0
                    : pressure + bias.get(t.id()) + NEEDLE * (1 + AIR * air) * pressure * tremble.nextGaussian();
            gauges.put(t.id(), Math.max(0, Math.min(t.rangePa(), shown)));
        }
        return gauges;
    }

    /** A by driver; an engine has none. */
    Map<String, Double> currents(Map<String, ComponentState> states) {
        Map<String, Double> currents = new LinkedHashMap<>();
        for (Electric m : unit.all(Electric.class)) {
            double amps = ((DriverState) states.get(m.id())).current();
            currents.put(m.id(), amps == 0 ? 0 : amps + CLAMP_METER_A * tremble.nextGaussian());
        }
        return currents;
    }
}
