package earlygate.solve;

import earlygate.circuit.ElectricMotor;
import earlygate.circuit.Pump;
import earlygate.curve.PumpCurve;
import earlygate.curve.Ramp;
import java.util.Optional;

/** One pump: its stroke under its controls, its torque and its flow. */
final class PumpOnShaft {
    private static final int NO_CONTROL = -1;

    final String id;
    private final int inlet;
    private final int outlet;
    private final double displacement;
    private final double efficiency;
    private final double leakage;
    private final double drag;
    private final double minStroke;
    private final double maxStroke;
    private final int compensator;
    private final double band;
    private final String compensatorId;

    PumpOnShaft(Pump p, ElectricMotor motor, Network network) {
        id = p.id();
        inlet = network.lineIndex(p.inlet());
        outlet = network.lineIndex(p.outlet());
        displacement = p.displacement();
        efficiency = p.hydromechanicalEfficiency();
        leakage = PumpCurve.leakage(motor.ratedSpeed(), displacement, p.volumetricEfficiency(), p.ratedPressure());
        drag = PumpCurve.drag(displacement, p.ratedPressure(), efficiency);
        minStroke = p.minStroke();
        maxStroke = p.maxStroke();
        compensatorId = p.compensatorId();
        compensator = p.compensator().isPresent() ? network.settingIndex(compensatorId) : NO_CONTROL;
        band = p.compensator().map(Pump.Compensator::bandPa).orElse(1.0);
    }

    /** Least of what the controls allow, between the stops. */
    double stroke(double[] pressure, Conditions c) {
        if (compensator == NO_CONTROL) {
            return maxStroke;
        }
        double x = Ramp.value(pressure[outlet], c.setting[compensator], band);
        return Math.max(minStroke, Math.min(maxStroke, x));
    }

    private double strokeSlope(double[] pressure, Conditions c) {
        double x = stroke(pressure, c);
        return x > minStroke && x < maxStroke ? Ramp.slope(pressure[outlet], c.setting[compensator], band) : 0;
    }

    /** Torque at the shaft, N·m; its slopes are added to {@code slopes} by line. */
    double torque(double[] pressure, Conditions c, double[] slopes) {
        double drop = pressure[outlet] - pressure[inlet];
        double x = stroke(pressure, c);
        double perPascal = PumpCurve.torque(displacement, x, 1, efficiency);
        slopes[outlet] += perPascal + PumpCurve.torque(displacement, strokeSlope(pressure, c), drop, efficiency);
        slopes[inlet] -= perPascal;
        return perPascal * drop + drag;
    }

    void stamp(Balance b, Conditions c, double speed, double speedSlope, double[] torqueSlope) {
        double k = leakage * c.leakage;
        double x = stroke(b.pressure, c);
        b.flow(inlet, outlet, flow(b.pressure, c, speed));
        b.slope(inlet, outlet, outlet, speed * displacement * strokeSlope(b.pressure, c) - k);
        b.slope(inlet, outlet, inlet, k);
        if (speedSlope != 0) {
            for (int line = 0; line < torqueSlope.length; line++) {
                b.slope(inlet, outlet, line, displacement * x * speedSlope * torqueSlope[line]);
            }
        }
    }

    double flow(double[] pressure, Conditions c, double speed) {
        return speed * displacement * stroke(pressure, c) - leakage * c.leakage * (pressure[outlet] - pressure[inlet]);
    }

    Optional<String> inControl(double[] pressure, Conditions c) {
        return compensator != NO_CONTROL && stroke(pressure, c) < maxStroke
                ? Optional.of(compensatorId)
                : Optional.empty();
    }

    double limitOf(int line, Conditions c) {
        return line == outlet && compensator != NO_CONTROL
                ? c.setting[compensator] - band / 2
                : Double.POSITIVE_INFINITY;
    }
}
