package earlygate.plan;

import static earlygate.quantity.Si.BAR;

import earlygate.circuit.ElectricMotor;
import earlygate.circuit.Fluid;
import earlygate.circuit.PowerUnit;
import earlygate.circuit.Target;
import earlygate.circuit.TestPoint;
import earlygate.explain.Value.Kind;

/** What the fitted instruments must show with the machine as it stands in the plan. */
final class Readings {
    /** Band around an expected motor current: clamp meter, supply voltage and the spread of motors. */
    private static final double CURRENT_BAND = 0.15;

    private final PowerUnit unit;
    private final Machine machine;
    private final TestPoint gauge;
    private final ElectricMotor motor;

    Readings(PowerUnit unit, Machine machine, TestPoint gauge, ElectricMotor motor) {
        this.unit = unit;
        this.machine = machine;
        this.gauge = gauge;
        this.motor = motor;
    }

    /** Pa on the gauge now; 0 where the model had no answer and the plan is refused anyway. */
    double gauge() {
        return machine.state == null ? 0 : machine.state.pressure(gauge.line());
    }

    /** Wide enough to tell "about there" from "not at all": valves differ at the ends of their screws. */
    Expect roughly() {
        double p = gauge();
        return new Expect(gauge.id(), Kind.PRESSURE, p, 0.4 * p, p + Math.max(10 * BAR, p / 2) + gauge.errorPa());
    }

    Expect pressure(double bandPa) {
        double p = gauge();
        double band = bandPa + gauge.errorPa();
        return new Expect(gauge.id(), Kind.PRESSURE, p, Math.max(0, p - band), p + band);
    }

    /** What the schematic accepts, with the model's own value between. */
    Expect pressure(Target t) {
        return new Expect(
                gauge.id(), Kind.PRESSURE, gauge(), t.pressurePa() - t.tolerancePa(), t.pressurePa() + t.tolerancePa());
    }

    Expect zero() {
        return new Expect(gauge.id(), Kind.PRESSURE, 0, 0, gauge.errorPa());
    }

    Expect current() {
        double amps =
                machine.state == null ? 0 : machine.state.driver(motor.id()).current();
        return new Expect(motor.id(), Kind.CURRENT, amps, amps * (1 - CURRENT_BAND), amps * (1 + CURRENT_BAND));
    }

    Expect oilInBand() {
        Fluid f = unit.fluid();
        return new Expect(Expect.OIL, Kind.TEMPERATURE, f.middleOfBand(), f.bandLow(), f.bandHigh());
    }
}
