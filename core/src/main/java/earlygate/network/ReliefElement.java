package earlygate.network;

import earlygate.curve.Relief;
import earlygate.quantity.Si;
import earlygate.unit.ReliefValve;

final class ReliefElement extends PairElement {
    /** Main-spring pressure of a pilot-operated valve whose vent is open, Pa. */
    private static final double VENTED = 3 * Si.BAR;

    private final int index;
    private final int setting;
    private final double conductance;
    private final double override;
    private final double ratedFlow;

    ReliefElement(ReliefValve v, Network network, int index) {
        super(v.id(), network.lineIndex(v.inlet()), network.lineIndex(v.outlet()));
        this.index = index;
        setting = network.settingIndex(v.id());
        conductance = v.ratedFlow() / v.overridePa();
        override = v.overridePa();
        ratedFlow = v.ratedFlow();
    }

    private double crack(Conditions c) {
        return c.vented[index] ? Math.min(VENTED, c.setting[setting]) : c.setting[setting];
    }

    @Override
    double flow(double dropPa, Conditions c) {
        return Relief.flow(dropPa, crack(c), conductance);
    }

    @Override
    double slope(double dropPa, Conditions c) {
        return Relief.slope(dropPa, crack(c), conductance);
    }

    @Override
    double open(double flow, Conditions c) {
        return Math.min(1, flow / ratedFlow);
    }

    @Override
    double limitOf(int line, Conditions c) {
        return line == from ? crack(c) + override / 2 : Double.POSITIVE_INFINITY;
    }
}
