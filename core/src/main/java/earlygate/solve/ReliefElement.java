package earlygate.solve;

import earlygate.circuit.ReliefValve;
import earlygate.curve.Relief;
import earlygate.solve.ComponentState.ValveState;
import java.util.Map;

final class ReliefElement extends Element {
    private final int inlet;
    private final int outlet;
    private final int setting;
    private final double conductance;
    private final double override;
    private final double ratedFlow;

    ReliefElement(ReliefValve v, Network network) {
        super(v.id());
        inlet = network.lineIndex(v.inlet());
        outlet = network.lineIndex(v.outlet());
        setting = network.settingIndex(v.id());
        conductance = v.ratedFlow() / v.overridePa();
        override = v.overridePa();
        ratedFlow = v.ratedFlow();
    }

    @Override
    void stamp(Balance b, Conditions c) {
        double drop = b.pressure[inlet] - b.pressure[outlet];
        double crack = c.setting[setting];
        if (drop > crack) {
            b.flow(inlet, outlet, Relief.flow(drop, crack, conductance), Relief.slope(drop, crack, conductance));
        }
    }

    @Override
    void report(Balance b, Conditions c, Map<String, ComponentState> into) {
        double drop = b.pressure[inlet] - b.pressure[outlet];
        double flow = Relief.flow(drop, c.setting[setting], conductance);
        into.put(id, new ValveState(flow, Math.min(1, flow / ratedFlow), flow * drop));
    }

    @Override
    double limitOf(int line, Conditions c) {
        return line == inlet ? c.setting[setting] + override / 2 : Double.POSITIVE_INFINITY;
    }
}
