package earlygate.network;

import earlygate.curve.Orifice;
import earlygate.curve.Ramp;
import earlygate.quantity.Si;
import earlygate.unit.ReducingValve;

/** Shut by its own outlet at its setting; its pilot drains, and the relieving type lets oil out above a band more. */
final class ReducingElement extends PilotedElement {
    /** Below this a pilot drain fades, so that it never takes what its line can't give, Pa. */
    private static final double FADE = 1 * Si.BAR;

    private final int drain;
    private final double drainFlow;
    private final boolean reverseCheck;
    private final boolean relieving;

    ReducingElement(ReducingValve v, Network n) {
        super(v.id(), n, v.inlet(), v.outlet(), v.bandPa(), Orifice.coefficient(v.ratedFlow(), v.ratedDrop()));
        drain = n.lineIndex(v.drain());
        drainFlow = v.drainFlow();
        reverseCheck = v.reverseCheck();
        relieving = v.relieving();
    }

    @Override
    double open(Balance b, Conditions c) {
        return Ramp.value(b.pressure[outlet], c.setting[setting], band);
    }

    @Override
    double openSlope(Balance b, Conditions c) {
        return Ramp.slope(b.pressure[outlet], c.setting[setting], band);
    }

    @Override
    void followed(Balance b, double perOpening) {
        b.slope(inlet, outlet, outlet, perOpening);
    }

    @Override
    boolean free(double dropPa) {
        return reverseCheck && dropPa < 0;
    }

    @Override
    void stamp(Balance b, Conditions c) {
        super.stamp(b, c);
        drain(b, open(b, c), openSlope(b, c));
        relieve(b, c);
    }

    private void drain(Balance b, double y, double slope) {
        double p = b.pressure[outlet];
        double fade = Math.max(0, Math.min(1, p / FADE));
        double fadeSlope = p > 0 && p < FADE ? 1 / FADE : 0;
        b.flow(outlet, drain, drainFlow * (1 - y) * fade);
        b.slope(outlet, drain, outlet, drainFlow * ((1 - y) * fadeSlope - slope * fade));
    }

    private void relieve(Balance b, Conditions c) {
        double p = b.pressure[outlet];
        double from = c.setting[setting] + band;
        if (!relieving || p <= from) {
            return;
        }
        double y = Math.min(1, (p - from) / band);
        double drop = p - b.pressure[drain];
        b.flow(outlet, drain, Orifice.flow(y * k, drop), Orifice.slope(y * k, drop));
        if (y < 1) {
            b.slope(outlet, drain, outlet, Orifice.flow(k, drop) / band);
        }
    }

    @Override
    double limitOf(int line, Conditions c) {
        return line == outlet ? c.setting[setting] - band / 2 : Double.POSITIVE_INFINITY;
    }
}
