package earlygate.network;

import earlygate.curve.Orifice;
import earlygate.unit.Throttle;

/** Throttles and fixed orifices. */
final class OrificeElement extends PairElement {
    private final int index;
    private final double k;

    OrificeElement(Throttle t, Network network, int index) {
        super(t.id(), network.lineIndex(t.a()), network.lineIndex(t.b()));
        this.index = index;
        k = Orifice.coefficient(t.ratedFlow(), t.ratedDrop());
    }

    @Override
    double flow(double dropPa, Conditions c) {
        return Orifice.flow(c.opening[index] * k, dropPa);
    }

    @Override
    double slope(double dropPa, Conditions c) {
        return Orifice.slope(c.opening[index] * k, dropPa);
    }

    @Override
    double open(double flow, Conditions c) {
        return c.opening[index];
    }
}
