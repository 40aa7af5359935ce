package earlygate.rig;

import static earlygate.quantity.Si.BAR;

import earlygate.network.ComponentState;
import earlygate.network.ComponentState.DriverState;
import earlygate.network.ComponentState.ValveState;
import earlygate.unit.Electric;
import earlygate.unit.Engine;
import earlygate.unit.PowerUnit;
import earlygate.unit.TestPoint;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Random;
import java.util.function.ToDoubleFunction;

/**
 * The instruments of a practice machine: each a little off within its class, and trembling, more with air in the oil. Now
 * and then something knocks a hose, and the needle jumps and fades.
 */
final class Needles {
    /** How much more a needle trembles with the lines full of air. */
    private static final double AIR = 15;

    private static final double CLAMP_METER_A = 0.008;
    /** A turbine evens out what a clamp meter shows; it is off by so much of what it reads at most. */
    private static final double METER = 0.25;

    private static final double METER_OFF = 0.005;
    /** A knock fades to a third within so long, s. */
    private static final double SHORTEST_FADE_S = 0.05;

    private static final double LONGEST_FADE_S = 0.35;

    private final PowerUnit unit;
    private final Random tremble;
    private final Roughness rough;
    private final Map<String, Double> bias = new LinkedHashMap<>();
    private final double meterOff;
    private double seenAt;
    private double knockedAt;
    private double knock;
    private double fade = 1;

    /** @param hidden decides how far each gauge is off */
    Needles(PowerUnit unit, Random tremble, Random hidden, Roughness rough) {
        this.unit = unit;
        this.tremble = tremble;
        this.rough = rough;
        for (TestPoint t : unit.testPoints()) {
            bias.put(t.id(), 0.4 * t.errorPa() * (2 * hidden.nextDouble() - 1));
        }
        // Of its own, so that machines are the same as before there were meters.
        meterOff = METER_OFF * (2 * new Random(bias.hashCode()).nextDouble() - 1);
    }

    /** @param air 0 to 1; the answer in Pa by test point, what the dial can show */
    Map<String, Double> gauges(double timeS, ToDoubleFunction<String> pressureOfLine, double air) {
        knocks(timeS);
        double knocked = knock * Math.exp(-(timeS - knockedAt) / fade);
        Map<String, Double> gauges = new LinkedHashMap<>();
        for (TestPoint t : unit.testPoints()) {
            double pressure = pressureOfLine.applyAsDouble(t.line());
            double shown = pressure < 0.05 * BAR
                    ? 0
                    : pressure * (1 + knocked)
                            + bias.get(t.id())
                            + rough.needle * (1 + AIR * air) * pressure * tremble.nextGaussian();
            double stepped = rough.step == 0 ? shown : Math.rint(shown / rough.step) * rough.step;
            gauges.put(t.id(), Math.max(0, Math.min(t.rangePa(), stepped)));
        }
        return gauges;
    }

    private void knocks(double timeS) {
        double passed = Math.max(0, timeS - seenAt);
        seenAt = timeS;
        if (rough.knockEveryS > 0 && tremble.nextDouble() < passed / rough.knockEveryS) {
            knockedAt = timeS;
            knock = (tremble.nextBoolean() ? 1 : -1) * rough.knock * (0.2 + 0.8 * tremble.nextDouble());
            fade = SHORTEST_FADE_S + (LONGEST_FADE_S - SHORTEST_FADE_S) * tremble.nextDouble();
        }
    }

    /** A by driver; an engine has none. */
    Map<String, Double> currents(Map<String, ComponentState> states) {
        Map<String, Double> currents = new LinkedHashMap<>();
        for (Electric m : unit.all(Electric.class)) {
            double amps = ((DriverState) states.get(m.id())).current();
            double sd = Math.max(CLAMP_METER_A, rough.clamp * amps);
            currents.put(m.id(), amps == 0 ? 0 : amps + sd * tremble.nextGaussian());
        }
        return currents;
    }

    /** m3/s in the line of a valve, as a flow meter there shows it; backward it shows nothing. */
    double meter(ComponentState valve) {
        double flow = valve instanceof ValveState v ? Math.max(0, v.flow()) : 0;
        return flow * (1 + meterOff + METER * rough.clamp * tremble.nextGaussian());
    }

    /** Rev/s by engine: what it has to do shows as its speed. */
    Map<String, Double> speeds(Map<String, ComponentState> states) {
        Map<String, Double> speeds = new LinkedHashMap<>();
        for (Engine e : unit.all(Engine.class)) {
            double speed = ((DriverState) states.get(e.id())).speed();
            speeds.put(e.id(), speed * (1 + rough.clamp / 4 * tremble.nextGaussian()));
        }
        return speeds;
    }
}
