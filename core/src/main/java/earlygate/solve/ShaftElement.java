package earlygate.solve;

import earlygate.circuit.ElectricMotor;
import earlygate.curve.MotorCurrent;
import earlygate.curve.Slip;
import earlygate.solve.ComponentState.DriverState;
import earlygate.solve.ComponentState.PumpState;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * A driver with the pumps it turns. Every pump's torque slows the shaft, so each one's flow depends on the pressures of
 * all; the speed has a closed form in the sum of torques and needs no unknown of its own.
 */
final class ShaftElement extends Element {
    private final int index;
    private final ElectricMotor motor;
    private final PumpOnShaft[] pumps;
    /** d(total torque)/dp by line, N·m/Pa; scratch of one evaluation. */
    private final double[] torqueSlope;

    ShaftElement(ElectricMotor motor, List<PumpOnShaft> pumps, int lines, int index) {
        super(motor.id());
        this.motor = motor;
        this.pumps = pumps.toArray(PumpOnShaft[]::new);
        this.torqueSlope = new double[lines];
        this.index = index;
    }

    @Override
    void stamp(Balance b, Conditions c) {
        Arrays.fill(torqueSlope, 0);
        double torque = 0;
        for (PumpOnShaft p : pumps) {
            torque += p.torque(b.pressure, c, torqueSlope);
        }
        double speed = speed(torque, c);
        double speedSlope = !c.running[index] || forced(c) ? 0 : slipSlope(torque);
        for (PumpOnShaft p : pumps) {
            p.stamp(b, c, speed, speedSlope, torqueSlope);
        }
    }

    private boolean forced(Conditions c) {
        return !Double.isNaN(c.forcedSpeed[index]);
    }

    private double speed(double torque, Conditions c) {
        if (!c.running[index]) {
            return 0;
        }
        return forced(c) ? c.forcedSpeed[index] : Slip.speed(motor.syncSpeed(), drop(), motor.ratedPower(), torque);
    }

    private double slipSlope(double torque) {
        return Slip.slope(motor.syncSpeed(), drop(), motor.ratedPower(), torque);
    }

    private double drop() {
        return motor.syncSpeed() - motor.ratedSpeed();
    }

    @Override
    void report(Balance b, Conditions c, Map<String, ComponentState> into) {
        double torque = 0;
        for (PumpOnShaft p : pumps) {
            torque += p.torque(b.pressure, c, torqueSlope);
        }
        double speed = speed(torque, c);
        double power = 0;
        for (PumpOnShaft p : pumps) {
            double pumpPower = 2 * Math.PI * speed * p.torque(b.pressure, c, torqueSlope);
            power += pumpPower;
            Optional<String> control = speed > 0 ? p.inControl(b.pressure, c) : Optional.empty();
            into.put(p.id, new PumpState(p.flow(b.pressure, c, speed), p.stroke(b.pressure, c), pumpPower, control));
        }
        double load = power / motor.ratedPower();
        double current = speed > 0 ? MotorCurrent.at(load, motor.noLoadCurrent(), motor.ratedCurrent()) : 0;
        into.put(id, new DriverState(speed, power, current, load));
    }

    @Override
    double limitOf(int line, Conditions c) {
        if (!c.running[index]) {
            return Double.POSITIVE_INFINITY;
        }
        double lowest = Double.POSITIVE_INFINITY;
        for (PumpOnShaft p : pumps) {
            lowest = Math.min(lowest, p.limitOf(line, c));
        }
        return lowest;
    }
}
