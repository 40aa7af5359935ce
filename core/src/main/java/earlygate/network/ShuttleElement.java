package earlygate.network;

import earlygate.network.ComponentState.ValveState;
import earlygate.quantity.Si;
import earlygate.unit.Shuttle;
import java.util.Map;

/** The higher of two lines gives its pressure to a third. */
final class ShuttleElement extends Element {
    /** Short drilled ways that only carry a signal: 20 L/min per bar. */
    static final double SIGNAL = 20 * Si.LPM / Si.BAR;

    private static final double OVER = 0.25 * Si.BAR;

    private final int a;
    private final int b;
    private final int out;

    ShuttleElement(Shuttle s, Network n) {
        super(s.id());
        a = n.lineIndex(s.a());
        b = n.lineIndex(s.b());
        out = n.lineIndex(s.out());
    }

    /** Share of the way to a: the ball goes over within a quarter of a bar, so that the flow has no jump. */
    private double share(Balance x) {
        return Math.max(0, Math.min(1, 0.5 + (x.pressure[a] - x.pressure[b]) / (2 * OVER)));
    }

    @Override
    void stamp(Balance x, Conditions c) {
        double w = share(x);
        double fromA = x.pressure[a] - x.pressure[out];
        double fromB = x.pressure[b] - x.pressure[out];
        x.flow(a, out, SIGNAL * w * fromA, SIGNAL * w);
        x.flow(b, out, SIGNAL * (1 - w) * fromB, SIGNAL * (1 - w));
        if (w > 0 && w < 1) {
            double perShare = SIGNAL / (2 * OVER);
            x.slope(a, out, a, perShare * fromA);
            x.slope(a, out, b, -perShare * fromA);
            x.slope(b, out, a, -perShare * fromB);
            x.slope(b, out, b, perShare * fromB);
        }
    }

    @Override
    void report(Balance x, Conditions c, Map<String, ComponentState> into) {
        double w = share(x);
        double fromA = x.pressure[a] - x.pressure[out];
        double fromB = x.pressure[b] - x.pressure[out];
        double flow = SIGNAL * (w * fromA + (1 - w) * fromB);
        double heat = SIGNAL * (w * fromA * fromA + (1 - w) * fromB * fromB);
        into.put(id, new ValveState(flow, w > 0.5 ? 1 : 0, heat));
    }
}
