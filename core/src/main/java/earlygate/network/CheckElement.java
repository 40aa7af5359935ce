package earlygate.network;

import earlygate.curve.Orifice;
import earlygate.unit.CheckValve;

/** Q = K sqrt(dp - crack) forward, nothing backward. */
final class CheckElement extends PairElement {
    private final double crack;
    private final double k;

    CheckElement(CheckValve v, Network network) {
        super(v.id(), network.lineIndex(v.inlet()), network.lineIndex(v.outlet()));
        crack = v.crackingPa();
        k = Orifice.coefficient(v.ratedFlow(), Math.max(v.ratedDrop() - crack, 1e3));
    }

    @Override
    double flow(double dropPa, Conditions c) {
        return dropPa > crack ? Orifice.flow(k, dropPa - crack) : 0;
    }

    @Override
    double slope(double dropPa, Conditions c) {
        return dropPa > crack ? Orifice.slope(k, dropPa - crack) : 0;
    }

    @Override
    double open(double flow, Conditions c) {
        return flow > 0 ? 1 : 0;
    }
}
