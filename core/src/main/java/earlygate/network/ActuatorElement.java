package earlygate.network;

import earlygate.network.ComponentState.ActuatorState;
import earlygate.unit.Cylinder;
import earlygate.unit.HydraulicMotor;
import java.util.Map;

/**
 * A cylinder or hydraulic motor. Blocked, it takes no oil. Free, it balances its load: the speed follows from the effort
 * left over after load and friction, against a damping that costs next to nothing at all that the pumps can send.
 */
final class ActuatorElement extends Element {
    /** What the unit's whole flow costs, Pa. */
    private static final double AT_FULL_FLOW = 500;

    private final int index;
    private final int a;
    private final int b;
    private final double volumeA;
    private final double volumeB;
    private final double effortA;
    private final double effortB;
    private final double load;
    private final double friction;
    private final double gain;

    ActuatorElement(Cylinder y, Network n, int index) {
        super(y.id());
        this.index = index;
        a = n.lineIndex(y.cap());
        b = n.lineIndex(y.rod());
        volumeA = y.capArea();
        volumeB = y.rodArea();
        effortA = y.capArea();
        effortB = y.rodArea();
        load = y.force();
        friction = y.friction();
        gain = n.fullFlow() / (AT_FULL_FLOW * y.rodArea() * y.rodArea());
    }

    ActuatorElement(HydraulicMotor m, Network n, int index) {
        super(m.id());
        this.index = index;
        a = n.lineIndex(m.a());
        b = n.lineIndex(m.b());
        volumeA = m.displacement();
        volumeB = m.displacement();
        effortA = m.displacement() * m.efficiency() / (2 * Math.PI);
        effortB = effortA;
        load = 0;
        friction = m.torque();
        gain = n.fullFlow() / (AT_FULL_FLOW * m.displacement() * effortA);
    }

    /** m/s or rev/s. */
    private double speed(Balance x) {
        double effort = x.pressure[a] * effortA - x.pressure[b] * effortB - load;
        return Math.abs(effort) <= friction ? 0 : gain * (effort - Math.signum(effort) * friction);
    }

    @Override
    void stamp(Balance x, Conditions c) {
        if (c.blocked[index]) {
            return;
        }
        double v = speed(x);
        x.excess[a] -= volumeA * v;
        x.excess[b] += volumeB * v;
        if (v != 0) {
            x.jacobian[a * x.lines + a] -= volumeA * gain * effortA;
            x.jacobian[a * x.lines + b] += volumeA * gain * effortB;
            x.jacobian[b * x.lines + a] += volumeB * gain * effortA;
            x.jacobian[b * x.lines + b] -= volumeB * gain * effortB;
        }
    }

    @Override
    void report(Balance x, Conditions c, Map<String, ComponentState> into) {
        double v = c.blocked[index] ? 0 : speed(x);
        into.put(id, new ActuatorState(volumeA * v, v));
    }
}
