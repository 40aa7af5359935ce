package earlygate.network;

import earlygate.curve.Orifice;
import earlygate.curve.Ramp;
import earlygate.network.ComponentState.ValveState;
import earlygate.quantity.Si;
import earlygate.unit.Section;
import java.util.Map;

/** A slice of a load-sense valve: position 0 neutral, 1 a, 2 b. */
final class SectionElement extends Element {
    private static final double RELIEF_BAND = 5 * Si.BAR;
    private static final double PORT_BLEED = 1 * Si.LPM / Si.BAR;

    private final int index;
    private final int supply;
    private final int returns;
    private final int signal;
    private final int[] port;
    private final int[] relief;
    private final double k;
    private final double most;

    SectionElement(Section s, Network n, int index) {
        super(s.id());
        this.index = index;
        supply = n.lineIndex(s.supply());
        returns = n.lineIndex(s.returns());
        signal = n.lineIndex(s.signal());
        port = new int[] {n.lineIndex(s.portA()), n.lineIndex(s.portB())};
        relief = new int[] {
            s.reliefA().isPresent() ? n.settingIndex(s.reliefAId()) : -1,
            s.reliefB().isPresent() ? n.settingIndex(s.reliefBId()) : -1
        };
        k = Orifice.coefficient(s.ratedFlow(), s.ratedDrop());
        most = s.flow().orElse(Double.POSITIVE_INFINITY);
    }

    private double limit(int side, Conditions c) {
        return relief[side] < 0 ? Double.POSITIVE_INFINITY : c.setting[relief[side]];
    }

    @Override
    void stamp(Balance b, Conditions c) {
        for (int side = 0; side < 2; side++) {
            double over = b.pressure[port[side]] - limit(side, c);
            if (over > 0) {
                b.flow(port[side], returns, PORT_BLEED * over);
                b.slope(port[side], returns, port[side], PORT_BLEED);
            }
        }
        if (c.position[index] == 0) {
            return;
        }
        int side = c.position[index] - 1;
        int work = port[side];
        double drop = b.pressure[supply] - b.pressure[work];
        double y = relief[side] < 0 ? 1 : Ramp.value(b.pressure[work], limit(side, c), RELIEF_BAND);
        double free = Orifice.flow(k, drop);
        b.flow(supply, work, y * Math.min(most, free), free < most ? y * Orifice.slope(k, drop) : 0);
        if (relief[side] >= 0) {
            double slope = Ramp.slope(b.pressure[work], limit(side, c), RELIEF_BAND);
            b.slope(supply, work, work, slope * Math.min(most, free));
        }
        int back = port[1 - side];
        double home = b.pressure[back] - b.pressure[returns];
        b.flow(back, returns, Orifice.flow(k, home), Orifice.slope(k, home));
        sense(b, work, limit(side, c));
    }

    /** The port's pressure, no more than its relief allows, lifts the signal; only a bleed lets it fall. */
    private void sense(Balance b, int work, double limitPa) {
        double source = Math.min(b.pressure[work], limitPa);
        double lift = source - b.pressure[signal];
        if (lift > 0) {
            b.flow(work, signal, ShuttleElement.SIGNAL * lift);
            b.slope(work, signal, work, b.pressure[work] < limitPa ? ShuttleElement.SIGNAL : 0);
            b.slope(work, signal, signal, -ShuttleElement.SIGNAL);
        }
    }

    @Override
    void report(Balance b, Conditions c, Map<String, ComponentState> into) {
        if (c.position[index] == 0) {
            into.put(id, new ValveState(0, 0, 0));
            return;
        }
        int side = c.position[index] - 1;
        double drop = b.pressure[supply] - b.pressure[port[side]];
        double y = relief[side] < 0 ? 1 : Ramp.value(b.pressure[port[side]], limit(side, c), RELIEF_BAND);
        double flow = y * Math.min(most, Orifice.flow(k, drop));
        into.put(id, new ValveState(flow, y, flow * drop));
    }

    @Override
    double limitOf(int line, Conditions c) {
        int at = c.position[index];
        return at > 0 && line == port[at - 1] ? limit(at - 1, c) : Double.POSITIVE_INFINITY;
    }
}
