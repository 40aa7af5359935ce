package earlygate.network;

import earlygate.curve.Orifice;
import earlygate.network.ComponentState.ValveState;
import java.util.Map;

/** An orifice whose opening, 0 to 1, follows a pressure over a band. What pressure, and which way, the valves differ in. */
abstract class PilotedElement extends Element {
    final int inlet;
    final int outlet;
    final int setting;
    final double band;
    final double k;

    PilotedElement(String id, Network n, String inlet, String outlet, double bandPa, double k) {
        super(id);
        this.inlet = n.lineIndex(inlet);
        this.outlet = n.lineIndex(outlet);
        this.setting = n.settingIndex(id);
        this.band = bandPa;
        this.k = k;
    }

    abstract double open(Balance b, Conditions c);

    /** 1/Pa, by the pressure that it follows. */
    abstract double openSlope(Balance b, Conditions c);

    /** The lines whose pressure the opening follows, with {@code perOpening} = dQ/du du/dp, m3/(s Pa). */
    abstract void followed(Balance b, double perOpening);

    /** True where the way back is free whatever the spool does. */
    boolean free(double dropPa) {
        return false;
    }

    @Override
    void stamp(Balance b, Conditions c) {
        double drop = b.pressure[inlet] - b.pressure[outlet];
        boolean free = free(drop);
        double u = free ? 1 : open(b, c);
        b.flow(inlet, outlet, Orifice.flow(u * k, drop), Orifice.slope(u * k, drop));
        double slope = openSlope(b, c);
        if (!free && slope != 0) {
            followed(b, Orifice.flow(k, drop) * slope);
        }
    }

    @Override
    void report(Balance b, Conditions c, Map<String, ComponentState> into) {
        double drop = b.pressure[inlet] - b.pressure[outlet];
        double y = open(b, c);
        double flow = Orifice.flow((free(drop) ? 1 : y) * k, drop);
        into.put(id, new ValveState(flow, y, flow * drop));
    }
}
