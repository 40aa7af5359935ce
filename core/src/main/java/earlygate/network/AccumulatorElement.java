package earlygate.network;

import earlygate.network.ComponentState.ActuatorState;
import earlygate.unit.Accumulator;
import java.util.Map;

/** Takes no oil in a steady state; in time, what the gas p V^n = const makes room for. Gauge pressures. */
final class AccumulatorElement extends Element {
    private final int line;
    private final double volume;
    private final double precharge;
    private final double exponent;

    AccumulatorElement(Accumulator a, Network n) {
        super(a.id());
        line = n.lineIndex(a.line());
        volume = a.volume();
        precharge = a.prechargePa();
        exponent = 1 / a.polytropic();
    }

    /** Oil inside at a line pressure, m3. */
    private double oil(double pressurePa) {
        return pressurePa <= precharge ? 0 : volume * (1 - Math.pow(precharge / pressurePa, exponent));
    }

    @Override
    void stamp(Balance b, Conditions c) {
        if (b.rate == 0) {
            return;
        }
        double p = b.pressure[line];
        b.excess[line] -= b.rate * (oil(p) - oil(b.old[line]));
        if (p > precharge) {
            double perPascal = volume * exponent * Math.pow(precharge / p, exponent) / p;
            b.jacobian[line * b.lines + line] -= b.rate * perPascal;
        }
    }

    @Override
    void report(Balance b, Conditions c, Map<String, ComponentState> into) {
        into.put(id, new ActuatorState(b.rate == 0 ? 0 : b.rate * (oil(b.pressure[line]) - oil(b.old[line])), 0));
    }
}
