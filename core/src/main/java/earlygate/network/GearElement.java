package earlygate.network;

import earlygate.curve.Orifice;
import earlygate.network.ComponentState.ValveState;
import earlygate.unit.Gear;
import java.util.Map;

/** A portable load valve: between whichever lines it is fitted, nothing while it is not. */
final class GearElement extends Element {
    private final int gear;
    private final double k;

    GearElement(Gear.LoadValve v, int gear) {
        super(v.id());
        this.gear = gear;
        k = Orifice.coefficient(v.ratedFlow(), v.ratedDrop());
    }

    @Override
    void stamp(Balance b, Conditions c) {
        if (c.gearFitted[gear]) {
            int from = c.gearFrom[gear];
            int to = c.gearTo[gear];
            double drop = b.pressure[from] - b.pressure[to];
            double open = c.gearOpening[gear] * k;
            b.flow(from, to, Orifice.flow(open, drop), Orifice.slope(open, drop));
        }
    }

    @Override
    void report(Balance b, Conditions c, Map<String, ComponentState> into) {
        if (c.gearFitted[gear]) {
            double drop = b.pressure[c.gearFrom[gear]] - b.pressure[c.gearTo[gear]];
            double flow = Orifice.flow(c.gearOpening[gear] * k, drop);
            into.put(id, new ValveState(flow, c.gearOpening[gear], flow * drop));
        }
    }
}
