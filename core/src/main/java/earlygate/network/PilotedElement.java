package earlygate.network;

import earlygate.curve.Orifice;
import earlygate.curve.Ramp;
import earlygate.network.ComponentState.ValveState;
import earlygate.quantity.Si;
import earlygate.unit.ReducingValve;
import earlygate.unit.SequenceValve;
import earlygate.unit.UnloadingValve;
import java.util.Map;

/**
 * Unloading, sequence, counterbalance and reducing valves: an orifice whose opening follows a pilot pressure over a
 * band. Those that rise with the pilot begin to open at their setting; a reducing valve is shut at its setting.
 */
final class PilotedElement extends Element {
    /** Below this a pilot drain fades, so that it never takes what its line can't give, Pa. */
    private static final double FADE = 1 * Si.BAR;

    private final int inlet;
    private final int outlet;
    private final int pilot;
    private final int spring;
    private final int setting;
    private final int index;
    private final double band;
    private final double k;
    private final boolean opensWithPilot;
    private final boolean reverseCheck;
    private final boolean relieving;
    private final double drainFlow;
    private final double differential;

    PilotedElement(UnloadingValve v, Network n, int index) {
        this(
                v.id(),
                n,
                index,
                v.inlet(),
                v.outlet(),
                v.pilot(),
                "T",
                v.bandPa(),
                v.ratedFlow(),
                v.ratedDrop(),
                true,
                false,
                false,
                0,
                v.differential().orElse(0));
    }

    PilotedElement(SequenceValve v, Network n, int index) {
        this(
                v.id(),
                n,
                index,
                v.inlet(),
                v.outlet(),
                v.pilot().orElse(v.inlet()),
                v.drain().orElse("T"),
                v.bandPa(),
                v.ratedFlow(),
                v.ratedDrop(),
                true,
                v.reverseCheck(),
                false,
                0,
                0);
    }

    PilotedElement(ReducingValve v, Network n, int index) {
        this(
                v.id(),
                n,
                index,
                v.inlet(),
                v.outlet(),
                v.outlet(),
                v.drain(),
                v.bandPa(),
                v.ratedFlow(),
                v.ratedDrop(),
                false,
                v.reverseCheck(),
                v.relieving(),
                v.drainFlow(),
                0);
    }

    private PilotedElement(
            String id,
            Network n,
            int index,
            String inlet,
            String outlet,
            String pilot,
            String spring,
            double band,
            double ratedFlow,
            double ratedDrop,
            boolean opensWithPilot,
            boolean reverseCheck,
            boolean relieving,
            double drainFlow,
            double differential) {
        super(id);
        this.index = index;
        this.inlet = n.lineIndex(inlet);
        this.outlet = n.lineIndex(outlet);
        this.pilot = n.lineIndex(pilot);
        this.spring = n.lineIndex(spring);
        this.setting = n.settingIndex(id);
        this.band = band;
        this.k = Orifice.coefficient(ratedFlow, ratedDrop);
        this.opensWithPilot = opensWithPilot;
        this.reverseCheck = reverseCheck;
        this.relieving = relieving;
        this.drainFlow = drainFlow;
        this.differential = differential;
    }

    /** Latched types are open or shut; which, only time tells. */
    @Override
    void after(Balance b, Conditions c) {
        if (differential > 0) {
            double p = b.pressure[pilot];
            double s = c.setting[setting];
            c.latch[index] = p >= s ? 1 : p <= s * (1 - differential) ? 0 : c.latch[index] < 0 ? 0 : c.latch[index];
        }
    }

    private double open(Balance b, Conditions c) {
        if (c.latch[index] >= 0 && differential > 0) {
            return c.latch[index];
        }
        double p = b.pressure[pilot] - (opensWithPilot ? b.pressure[spring] : 0);
        double shut = Ramp.value(p, c.setting[setting] + (opensWithPilot ? band : 0), band);
        return opensWithPilot ? 1 - shut : shut;
    }

    private double openSlope(Balance b, Conditions c) {
        if (c.latch[index] >= 0 && differential > 0) {
            return 0;
        }
        double p = b.pressure[pilot] - (opensWithPilot ? b.pressure[spring] : 0);
        double slope = Ramp.slope(p, c.setting[setting] + (opensWithPilot ? band : 0), band);
        return opensWithPilot ? -slope : slope;
    }

    @Override
    void stamp(Balance b, Conditions c) {
        double drop = b.pressure[inlet] - b.pressure[outlet];
        double y = open(b, c);
        double ys = openSlope(b, c);
        // With a reverse check the way back is free whatever the spool does.
        boolean back = reverseCheck && drop < 0;
        double u = back ? 1 : y;
        b.flow(inlet, outlet, Orifice.flow(u * k, drop), Orifice.slope(u * k, drop));
        if (!back && ys != 0) {
            double perOpening = Orifice.flow(k, drop) * ys;
            b.slope(inlet, outlet, pilot, perOpening);
            if (opensWithPilot) {
                b.slope(inlet, outlet, spring, -perOpening);
            }
        }
        if (!opensWithPilot) {
            drain(b, y, ys);
            relieve(b, c);
        }
    }

    private void drain(Balance b, double y, double ys) {
        double p = b.pressure[outlet];
        double fade = Math.max(0, Math.min(1, p / FADE));
        double fadeSlope = p > 0 && p < FADE ? 1 / FADE : 0;
        b.flow(outlet, spring, drainFlow * (1 - y) * fade);
        b.slope(outlet, spring, outlet, drainFlow * ((1 - y) * fadeSlope - ys * fade));
    }

    private void relieve(Balance b, Conditions c) {
        double p = b.pressure[outlet];
        double from = c.setting[setting] + band;
        if (!relieving || p <= from) {
            return;
        }
        double y = Math.min(1, (p - from) / band);
        double drop = p - b.pressure[spring];
        b.flow(outlet, spring, Orifice.flow(y * k, drop), Orifice.slope(y * k, drop));
        if (y < 1) {
            b.slope(outlet, spring, outlet, Orifice.flow(k, drop) / band);
        }
    }

    @Override
    void report(Balance b, Conditions c, Map<String, ComponentState> into) {
        double drop = b.pressure[inlet] - b.pressure[outlet];
        double y = open(b, c);
        double flow = Orifice.flow((reverseCheck && drop < 0 ? 1 : y) * k, drop);
        into.put(id, new ValveState(flow, y, flow * drop));
    }

    @Override
    double limitOf(int line, Conditions c) {
        boolean limits = opensWithPilot ? line == pilot && pilot == inlet : line == outlet;
        return limits ? c.setting[setting] + (opensWithPilot ? band / 2 : -band / 2) : Double.POSITIVE_INFINITY;
    }
}
