package earlygate.network;

import earlygate.curve.Orifice;
import earlygate.unit.FlowControl;

/** Forward min(set, K sqrt(dp)); backward an orifice. */
final class FlowControlElement extends PairElement {
    private final double set;
    private final double k;

    FlowControlElement(FlowControl v, Network network) {
        super(v.id(), network.lineIndex(v.inlet()), network.lineIndex(v.outlet()));
        set = v.set();
        k = Orifice.coefficient(v.ratedFlow(), v.ratedDrop());
    }

    @Override
    double flow(double dropPa, Conditions c) {
        return Math.min(set, Orifice.flow(k, dropPa));
    }

    @Override
    double slope(double dropPa, Conditions c) {
        return Orifice.flow(k, dropPa) < set ? Orifice.slope(k, dropPa) : 0;
    }

    @Override
    double open(double flow, Conditions c) {
        return Math.max(0, Math.min(1, flow / set));
    }
}
