package earlygate.network;

import earlygate.unit.Filter;
import earlygate.unit.Leak;

/** Leaks and filters: flow in proportion to drop, more with thin oil; a filter's bypass adds ten times the slope. */
final class LaminarElement extends PairElement {
    private static final double BYPASS = 10;

    private final double conductance;
    private final double bypass;

    LaminarElement(Leak l, Network network) {
        super(l.id(), network.lineIndex(l.a()), network.lineIndex(l.b()));
        conductance = l.flow() / l.drop();
        bypass = Double.POSITIVE_INFINITY;
    }

    LaminarElement(Filter f, Network network) {
        super(f.id(), network.lineIndex(f.inlet()), network.lineIndex(f.outlet()));
        conductance = f.ratedFlow() / f.ratedDrop();
        bypass = f.bypassPa().orElse(Double.POSITIVE_INFINITY);
    }

    @Override
    double flow(double dropPa, Conditions c) {
        return conductance * c.leakage * (dropPa + BYPASS * Math.max(0, dropPa - bypass));
    }

    @Override
    double slope(double dropPa, Conditions c) {
        return conductance * c.leakage * (dropPa > bypass ? 1 + BYPASS : 1);
    }

    @Override
    double open(double flow, Conditions c) {
        return 1;
    }
}
