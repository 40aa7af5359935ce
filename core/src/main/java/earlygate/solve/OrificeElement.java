package earlygate.solve;

import earlygate.circuit.Throttle;
import earlygate.curve.Orifice;
import earlygate.solve.ComponentState.ValveState;
import java.util.Map;

final class OrificeElement extends Element {
    private final int index;
    private final int a;
    private final int b;
    private final double k;

    OrificeElement(Throttle t, Network network, int index) {
        super(t.id());
        this.index = index;
        a = network.lineIndex(t.a());
        b = network.lineIndex(t.b());
        k = Orifice.coefficient(t.ratedFlow(), t.ratedDrop());
    }

    @Override
    void stamp(Balance balance, Conditions c) {
        double u = c.opening[index];
        if (u > 0) {
            double drop = balance.pressure[a] - balance.pressure[b];
            balance.flow(a, b, Orifice.flow(u * k, drop), Orifice.slope(u * k, drop));
        }
    }

    @Override
    void report(Balance balance, Conditions c, Map<String, ComponentState> into) {
        double drop = balance.pressure[a] - balance.pressure[b];
        double flow = Orifice.flow(c.opening[index] * k, drop);
        into.put(id, new ValveState(flow, c.opening[index], flow * drop));
    }
}
