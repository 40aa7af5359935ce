package earlygate.network;

import earlygate.network.ComponentState.ValveState;
import java.util.Map;

/** A component whose flow depends on the difference of its two ends alone. */
abstract class PairElement extends Element {
    final int from;
    final int to;

    PairElement(String id, int from, int to) {
        super(id);
        this.from = from;
        this.to = to;
    }

    /** m3/s at a drop in Pa. */
    abstract double flow(double dropPa, Conditions c);

    /** m3/(s Pa). */
    abstract double slope(double dropPa, Conditions c);

    /** 0 to 1, as reported at this flow. */
    abstract double open(double flow, Conditions c);

    @Override
    void stamp(Balance b, Conditions c) {
        double drop = b.pressure[from] - b.pressure[to];
        b.flow(from, to, flow(drop, c), slope(drop, c));
    }

    @Override
    void report(Balance b, Conditions c, Map<String, ComponentState> into) {
        double drop = b.pressure[from] - b.pressure[to];
        double flow = flow(drop, c);
        into.put(id, new ValveState(flow, open(flow, c), flow * drop));
    }
}
