package earlygate.network;

import earlygate.curve.Orifice;
import earlygate.unit.FlowControl;

/** Forward min(set, K sqrt(dp)); backward an orifice. */
final class FlowControlElement extends PairElement {
    private final double set;
    /** Where it stands in the conditions; -1 where it has no screw. */
    private final int setting;

    private final double k;

    FlowControlElement(FlowControl v, Network network) {
        super(v.id(), network.lineIndex(v.inlet()), network.lineIndex(v.outlet()));
        set = v.set();
        setting = v.screw().isPresent() ? network.settingIndex(v.id()) : -1;
        k = Orifice.coefficient(v.ratedFlow(), v.ratedDrop());
    }

    private double set(Conditions c) {
        return setting < 0 ? set : c.setting[setting];
    }

    @Override
    double flow(double dropPa, Conditions c) {
        return Math.min(set(c), Orifice.flow(k, dropPa));
    }

    @Override
    double slope(double dropPa, Conditions c) {
        return Orifice.flow(k, dropPa) < set(c) ? Orifice.slope(k, dropPa) : 0;
    }

    @Override
    double open(double flow, Conditions c) {
        return Math.max(0, Math.min(1, flow / set(c)));
    }
}
