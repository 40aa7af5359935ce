package earlygate.network;

import earlygate.curve.MotorCurrent;
import earlygate.curve.Slip;
import earlygate.network.ComponentState.DriverState;
import earlygate.network.ComponentState.PumpState;
import earlygate.unit.DcMotor;
import earlygate.unit.Driver;
import earlygate.unit.ElectricMotor;
import earlygate.unit.Engine;
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
    private final Driver driver;
    final PumpOnShaft[] pumps;

    ShaftElement(Driver driver, List<PumpOnShaft> pumps, int index) {
        super(driver.id());
        this.driver = driver;
        this.pumps = pumps.toArray(PumpOnShaft[]::new);
        this.index = index;
    }

    @Override
    void stamp(Balance b, Conditions c) {
        double[] torqueSlope = b.torqueSlope;
        Arrays.fill(torqueSlope, 0);
        double torque = 0;
        for (PumpOnShaft p : pumps) {
            torque += p.torque(b, c, b.torqueSlope);
        }
        double speed = speed(torque, c);
        b.shaftPower += 2 * Math.PI * speed * torque;
        double speedSlope = !c.running[index] || forced(c) ? 0 : speedSlope(torque, c);
        for (PumpOnShaft p : pumps) {
            p.stamp(b, c, speed, speedSlope, torqueSlope);
        }
    }

    /** An engine's chosen speed is its no-load speed, which droops; any other given speed is held. */
    private boolean forced(Conditions c) {
        return c.speedIsGiven[index] && !(driver instanceof Engine);
    }

    private double noLoadSpeed(Conditions c) {
        return c.speedIsGiven[index] ? c.givenSpeed[index] : driver.noLoadSpeed();
    }

    private double speed(double torque, Conditions c) {
        if (!c.running[index]) {
            return 0;
        }
        if (forced(c)) {
            return c.givenSpeed[index];
        }
        return driver instanceof DcMotor dc
                ? Math.max(0, dc.noLoadSpeed() - drop() * torque / dc.ratedTorque())
                : Slip.speed(noLoadSpeed(c), drop(), driver.ratedPower(), torque);
    }

    private double speedSlope(double torque, Conditions c) {
        return driver instanceof DcMotor dc
                ? -drop() / dc.ratedTorque()
                : Slip.slope(noLoadSpeed(c), drop(), driver.ratedPower(), torque);
    }

    private double drop() {
        return driver.noLoadSpeed() - driver.ratedSpeed();
    }

    /** A; none for an engine. */
    private double current(double load, double torque) {
        if (driver instanceof ElectricMotor m) {
            return MotorCurrent.at(load, m.noLoadCurrent(), m.ratedCurrent());
        }
        return driver instanceof DcMotor dc
                ? dc.noLoadCurrent() + (dc.ratedCurrent() - dc.noLoadCurrent()) * torque / dc.ratedTorque()
                : 0;
    }

    @Override
    void report(Balance b, Conditions c, Map<String, ComponentState> into) {
        double torque = 0;
        for (PumpOnShaft p : pumps) {
            torque += p.torque(b, c, b.torqueSlope);
        }
        double speed = speed(torque, c);
        double power = 0;
        for (PumpOnShaft p : pumps) {
            double pumpPower = 2 * Math.PI * speed * p.torque(b, c, b.torqueSlope);
            power += pumpPower;
            Optional<String> control = speed > 0 ? p.inControl(b, c) : Optional.empty();
            into.put(
                    p.id,
                    new PumpState(
                            p.flow(b, c, speed),
                            p.stroke(b, c),
                            pumpPower,
                            p.leakage(b.pressure, c),
                            pumpPower - p.flow(b, c, speed) * p.rise(b.pressure),
                            control));
        }
        double load = power / driver.ratedPower();
        double current = speed > 0 ? current(load, torque) : 0;
        into.put(id, new DriverState(speed, power, current, load));
    }

    @Override
    void after(Balance b, Conditions c) {
        for (PumpOnShaft p : pumps) {
            p.after(b, c);
        }
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
