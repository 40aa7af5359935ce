package earlygate.verify;

import static earlygate.quantity.Si.BAR;
import static earlygate.quantity.Si.CM3;
import static earlygate.quantity.Si.KW;
import static earlygate.quantity.Si.LPM;
import static earlygate.quantity.Si.RPM;

import earlygate.fixture.Units;
import earlygate.unit.PowerUnit;
import earlygate.unit.Situation;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;

/**
 * Curves of machines of known truth with noise of their own, by the handbook's formulas written out here a second time:
 * wear, cut-off, limit, cracking, override and margin are drawn, then read through trembling gauges and meters.
 */
final class CurveMachine {
    /** Oil at 40 C, so that leakage is that of the reference. */
    static final Situation WARM = Situation.AS_THE_FILE.withOil(273.15 + 40);

    final Random random;
    final double flowNoise;
    final double pressureNoise;
    final List<CurvePoint> points = new ArrayList<>();

    CurveMachine(long seed) {
        random = new Random(seed);
        flowNoise = 0.002 + 0.006 * random.nextDouble();
        pressureNoise = (0.05 + 0.3 * random.nextDouble()) * BAR;
    }

    private void add(double pressurePa, double flow, double full) {
        points.add(CurvePoint.of(
                pressurePa + pressureNoise * random.nextGaussian(),
                Math.max(0, flow + flowNoise * full * random.nextGaussian())));
    }

    /** The lock-gate unit's pump with another wear and another cut-off than its sheet has. */
    static final class WornPump {
        final PowerUnit unit = Units.lg07();
        final CurveMachine machine;
        final double efficiency;
        final double cutOff;

        WornPump(long seed, double efficiency) {
            machine = new CurveMachine(seed);
            this.efficiency = efficiency;
            var sheet = Units.document("LG-07");
            var pump = Units.part(sheet, "components", "P1");
            var motor = Units.part(sheet, "components", "M1");
            double d = pump.get("displacementCm3").asDouble() * CM3;
            double rated = motor.get("ratedSpeedRpm").asDouble() * RPM;
            double free = motor.get("syncSpeedRpm").asDouble() * RPM;
            double power = motor.get("ratedPowerKw").asDouble() * KW;
            double pr = pump.get("ratedPressureBar").asDouble() * BAR;
            double eta = pump.get("hydromechanicalEfficiency").asDouble();
            double k = rated * d * (1 - efficiency) / pr;
            double set = pump.at("/compensator/settingBar").asDouble() * BAR;
            cutOff = set + 2 * BAR * machine.random.nextGaussian() / 3;
            double band = 4 * BAR;
            int free0 = 5 + machine.random.nextInt(5);
            for (int i = 0; i < free0; i++) {
                double p = (0.15 + 0.75 * i / (free0 - 1)) * (set - band);
                machine.add(p, speed(p, 1, d, pr, eta, free, rated, power) * d - k * p, rated * d);
            }
            for (double x : new double[] {0.75, 0.5, 0.3}) {
                double p = cutOff - band * x;
                machine.add(p, speed(p, x, d, pr, eta, free, rated, power) * d * x - k * p, rated * d);
            }
        }

        /** Slip and torque balance each other: a few rounds are enough. */
        private static double speed(
                double p, double x, double d, double pr, double eta, double free, double rated, double power) {
            double torque = d * x * p / (2 * Math.PI * eta) + 0.03 * d * pr / (2 * Math.PI * eta);
            double n = free;
            for (int i = 0; i < 50; i++) {
                n = free - (free - rated) * torque * 2 * Math.PI * n / power;
            }
            return n;
        }
    }

    /** The weed press's main relief with another cracking pressure and override; the flow is what passes it. */
    static final class Relief {
        final PowerUnit unit = Units.unit("BP-11", u -> {});
        final CurveMachine machine;
        final double cracking;
        final double override;
        final double reseat;

        Relief(long seed) {
            machine = new CurveMachine(seed);
            var valve = Units.part(Units.document("BP-11"), "components", "RV1");
            double sheet = valve.get("settingBar").asDouble() * BAR;
            double rated = valve.get("ratedFlowLpm").asDouble() * LPM;
            cracking = sheet * (0.95 + 0.1 * machine.random.nextDouble());
            override = valve.get("overrideBar").asDouble() * BAR * (0.5 + 2 * machine.random.nextDouble());
            reseat = 0.96 * cracking;
            int n = 5 + machine.random.nextInt(6);
            machine.add(0.9 * cracking, 0, 0);
            for (int i = 0; i < n; i++) {
                double q = rated * 0.35 * (i + 1) / n;
                machine.points.add(CurvePoint.of(
                        cracking + override * q / rated + machine.pressureNoise * machine.random.nextGaussian(), q));
                machine.points.add(CurvePoint.of(
                                reseat + override * q / rated + machine.pressureNoise * machine.random.nextGaussian(),
                                q)
                        .onTheWayBack());
            }
        }
    }

    /** The net hauler's load sense at several flows; 71 cm3 at a speed that somebody read. */
    static final class Margin {
        final PowerUnit unit = Units.unit("NH-04", u -> {});
        final CurveMachine machine;
        final double margin;

        Margin(long seed) {
            machine = new CurveMachine(seed);
            margin = (18 + 4 * machine.random.nextDouble()) * BAR;
            var pump = Units.part(Units.document("NH-04"), "components", "P1");
            double d = pump.get("displacementCm3").asDouble() * CM3;
            double n = 1500 * RPM;
            double k = 2200 * 0.96 * RPM * d * (1 - 0.94) / (280 * BAR);
            int count = 3 + machine.random.nextInt(6);
            for (int i = 0; i < count; i++) {
                double signal = (60 + 60 * machine.random.nextDouble()) * BAR;
                double x = 0.25 + 0.6 * i / (count - 1);
                double p = signal + margin - 2 * BAR * x;
                double q = x * n * d - k * p;
                CurvePoint read = CurvePoint.of(p + machine.pressureNoise * machine.random.nextGaussian(), q);
                machine.points.add(new CurvePoint(
                        read.pressurePa(),
                        q,
                        java.util.OptionalDouble.of(signal + machine.pressureNoise * machine.random.nextGaussian()),
                        java.util.OptionalDouble.of(n),
                        java.util.OptionalDouble.empty(),
                        false,
                        false));
            }
        }
    }

    /** The dredge pump along its power limit, at a speed that somebody read. */
    static final class Limiter {
        final PowerUnit unit = Units.unit("DR-09", u -> {});
        final CurveMachine machine;
        final double limit;

        Limiter(long seed) {
            machine = new CurveMachine(seed);
            limit = (22.5 + 3 * machine.random.nextDouble()) * KW;
            double d = 71 * CM3;
            double nr = 1475 * RPM;
            double n = 1480 * RPM;
            double k = nr * d * (1 - 0.95) / (280 * BAR);
            int count = 4 + machine.random.nextInt(6);
            for (int i = 0; i < count; i++) {
                double p = (145 + 50.0 * i / (count - 1)) * BAR;
                double x = limit * 0.93 / (nr * d * p);
                double q = (x * n * d - k * p) * (1 + machine.flowNoise * machine.random.nextGaussian());
                CurvePoint read = CurvePoint.of(p, q);
                machine.points.add(new CurvePoint(
                        read.pressurePa(),
                        q,
                        read.signalPa(),
                        java.util.OptionalDouble.of(n),
                        java.util.OptionalDouble.empty(),
                        false,
                        false));
            }
        }
    }
}
