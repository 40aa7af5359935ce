package earlygate.reckon;

import static earlygate.quantity.Si.BAR;
import static earlygate.quantity.Si.CM3;
import static earlygate.quantity.Si.KW;
import static earlygate.quantity.Si.LITRE;
import static earlygate.quantity.Si.LPM;
import static earlygate.quantity.Si.MM2_S;
import static earlygate.quantity.Si.RPM;
import static earlygate.quantity.Si.ZERO_C;

import earlygate.curve.MotorCurrent;
import earlygate.curve.Orifice;
import earlygate.curve.Viscosity;
import earlygate.quantity.Keyed;
import earlygate.quantity.PressureUnit;
import earlygate.unit.Fluid;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Function;

/** The calculators; each is what goes in and how it becomes what comes out. */
public enum Reckoning implements Keyed {
    CYLINDER_PRESSURE(
            List.of(
                    Figure.in("force", "N", 50_000, 0, 1e8),
                    Figure.in("bore", "mm", 80, 1, 5000),
                    Figure.in("rod", "mm", 45, 0, 5000)),
            f -> {
                double cap = area(f.get("bore"));
                double rod = cap - area(f.get("rod"));
                return List.of(
                        Figure.out("capArea", "cm2", cap * 1e4),
                        Figure.out("rodArea", "cm2", rod * 1e4),
                        Figure.out("pushing", "bar", f.get("force") / cap / BAR),
                        Figure.out("pulling", "bar", f.get("force") / rod / BAR));
            }),
    CYLINDER_FORCE(
            List.of(
                    Figure.in("pressure", "bar", 100, 0, 1000),
                    Figure.in("bore", "mm", 80, 1, 5000),
                    Figure.in("rod", "mm", 45, 0, 5000)),
            f -> {
                double cap = area(f.get("bore"));
                double pa = f.get("pressure") * BAR;
                return List.of(
                        Figure.out("pushing", "N", pa * cap),
                        Figure.out("pulling", "N", pa * (cap - area(f.get("rod")))));
            }),
    CYLINDER_SPEED(
            List.of(
                    Figure.in("flow", "L/min", 40, 0, 100_000),
                    Figure.in("bore", "mm", 80, 1, 5000),
                    Figure.in("rod", "mm", 45, 0, 5000)),
            f -> {
                double cap = area(f.get("bore"));
                double q = f.get("flow") * LPM;
                return List.of(
                        Figure.out("extending", "m/s", q / cap),
                        Figure.out("retracting", "m/s", q / (cap - area(f.get("rod")))));
            }),
    MOTOR_PRESSURE(
            List.of(
                    Figure.in("torque", "N·m", 300, 0, 1e7),
                    Figure.in("displacement", "cm3", 160, 0.1, 100_000),
                    Figure.in("efficiency", "1", 0.92, 0.3, 1)),
            f -> List.of(Figure.out(
                    "drop",
                    "bar",
                    2 * Math.PI * f.get("torque") / (f.get("displacement") * CM3 * f.get("efficiency")) / BAR))),
    PUMP_FLOW(
            List.of(
                    Figure.in("displacement", "cm3", 40, 0.1, 100_000),
                    Figure.in("speed", "rpm", 1465, 0, 20_000),
                    Figure.in("efficiency", "1", 0.94, 0.3, 1)),
            f -> {
                double q = f.get("displacement") * CM3 * f.get("speed") * RPM;
                return List.of(
                        Figure.out("theoretical", "L/min", q / LPM),
                        Figure.out("flow", "L/min", q * f.get("efficiency") / LPM));
            }),
    SHAFT_POWER(
            List.of(
                    Figure.in("pressure", "bar", 160, 0, 1000),
                    Figure.in("flow", "L/min", 55, 0, 100_000),
                    Figure.in("efficiency", "1", 0.87, 0.2, 1),
                    Figure.in("ratedPower", "kW", 18.5, 0.01, 100_000),
                    Figure.in("ratedCurrent", "A", 34.5, 0.1, 100_000),
                    Figure.in("noLoadCurrent", "A", 13.1, 0, 100_000)),
            f -> {
                double power = f.get("pressure") * BAR * f.get("flow") * LPM / f.get("efficiency");
                double load = power / (f.get("ratedPower") * KW);
                return List.of(
                        Figure.out("power", "kW", power / KW),
                        Figure.out("load", "%", 100 * load),
                        Figure.out(
                                "current", "A", MotorCurrent.at(load, f.get("noLoadCurrent"), f.get("ratedCurrent"))));
            }),
    THROTTLE_FLOW(
            List.of(
                    Figure.in("ratedFlow", "L/min", 60, 0.001, 100_000),
                    Figure.in("ratedDrop", "bar", 20, 0.001, 1000),
                    Figure.in("opening", "%", 50, 0, 100),
                    Figure.in("drop", "bar", 100, 0, 1000)),
            f -> {
                double k = Orifice.coefficient(f.get("ratedFlow") * LPM, f.get("ratedDrop") * BAR);
                return List.of(Figure.out(
                        "flow", "L/min", Orifice.flow(k * f.get("opening") / 100, f.get("drop") * BAR) / LPM));
            }),
    THROTTLE_DROP(
            List.of(
                    Figure.in("ratedFlow", "L/min", 60, 0.001, 100_000),
                    Figure.in("ratedDrop", "bar", 20, 0.001, 1000),
                    Figure.in("flow", "L/min", 30, 0, 100_000)),
            f -> List.of(
                    Figure.out("drop", "bar", f.get("ratedDrop") * Math.pow(f.get("flow") / f.get("ratedFlow"), 2)))),
    VISCOSITY(
            List.of(
                    Figure.in("viscosity40", "mm2/s", 46, 2, 3000),
                    Figure.in("viscosityIndex", "1", 100, 0, 400),
                    Figure.in("temperature", "°C", 50, -30, 150)),
            f -> List.of(Figure.out(
                    "viscosity",
                    "mm2/s",
                    Viscosity.of(f.get("viscosity40") * MM2_S, f.get("viscosityIndex"))
                                    .at(f.get("temperature") + ZERO_C)
                            / MM2_S))),
    ACCUMULATOR(
            List.of(
                    Figure.in("volume", "L", 10, 0.001, 100_000),
                    Figure.in("precharge", "bar", 105, 0.1, 1000),
                    Figure.in("low", "bar", 119, 0.1, 1000),
                    Figure.in("high", "bar", 140, 0.1, 1000),
                    Figure.in("polytropic", "1", 1.2, 1, 1.8)),
            f -> {
                double n = 1 / f.get("polytropic");
                double p0 = f.get("precharge");
                double at = f.get("volume");
                double inLow = f.get("low") <= p0 ? 0 : at * (1 - Math.pow(p0 / f.get("low"), n));
                double inHigh = f.get("high") <= p0 ? 0 : at * (1 - Math.pow(p0 / f.get("high"), n));
                return List.of(
                        Figure.out("usable", "L", inHigh - inLow), Figure.out("share", "%", 100 * p0 / f.get("low")));
            }),
    HEAT(
            List.of(
                    Figure.in("flow", "L/min", 40, 0, 100_000),
                    Figure.in("drop", "bar", 160, 0, 1000),
                    Figure.in("tank", "L", 120, 0.1, 1_000_000),
                    Figure.in("density", "kg/m3", 870, 500, 1500),
                    Figure.in("rise", "K", 20, 0.1, 150)),
            f -> {
                double watt = f.get("flow") * LPM * f.get("drop") * BAR;
                double capacity = f.get("density") * Fluid.SPECIFIC_HEAT * f.get("tank") * LITRE;
                return List.of(
                        Figure.out("heat", "kW", watt / KW),
                        Figure.out("rate", "K/min", 60 * watt / capacity),
                        Figure.out("minutes", "min", watt == 0 ? 0 : f.get("rise") * capacity / watt / 60));
            }),
    PRESSURE_UNITS(
            List.of(Figure.in("bar", "bar", 100, 0, 10_000)),
            f -> List.of(
                    Figure.out("psi", "psi", PressureUnit.PSI.fromPa(f.get("bar") * BAR)),
                    Figure.out("megapascal", "MPa", PressureUnit.MPA.fromPa(f.get("bar") * BAR)))),
    PSI(
            List.of(Figure.in("psi", "psi", 2500, 0, 150_000)),
            f -> List.of(Figure.out("bar", "bar", PressureUnit.PSI.toPa(f.get("psi")) / BAR))),
    GALLONS(
            List.of(Figure.in("gallons", "US gpm", 10, 0, 30_000)),
            f -> List.of(Figure.out("flow", "L/min", f.get("gallons") * Reckoning.GALLON))),
    FAHRENHEIT(
            List.of(Figure.in("fahrenheit", "F", 122, -60, 400)),
            f -> List.of(Figure.out("temperature", "°C", (f.get("fahrenheit") - 32) / 1.8))),
    HORSEPOWER(
            List.of(Figure.in("horsepower", "hp", 25, 0, 100_000)),
            f -> List.of(Figure.out("power", "kW", f.get("horsepower") * Reckoning.HORSE)));

    /** L per US gallon; kW per mechanical horsepower (NIST SP 811). */
    private static final double GALLON = 3.785411784;

    /** A rod's share of its bore beyond which nothing is left to pull with. */
    private static final double THICKEST_ROD = 0.99;

    private static final double HORSE = 0.745699871582;

    private static final Set<Reckoning> CONVERTERS = EnumSet.of(PRESSURE_UNITS, PSI, GALLONS, FAHRENHEIT, HORSEPOWER);

    private final List<Figure> inputs;
    private final Function<Map<String, Double>, List<Figure>> formula;

    Reckoning(List<Figure> inputs, Function<Map<String, Double>, List<Figure>> formula) {
        this.inputs = inputs;
        this.formula = formula;
    }

    public List<Figure> inputs() {
        return inputs;
    }

    /** Whether it only turns one unit into another, so that its units are what it is about. */
    public boolean converts() {
        return CONVERTERS.contains(this);
    }

    /** A figure outside its range. */
    public record OutOfRange(Figure input, double given) {}

    /** Figures given that can't be; a figure left out keeps what it is to begin with. */
    public List<OutOfRange> wrong(Map<String, Double> given) {
        Map<String, Double> all = all(given);
        List<OutOfRange> wrong = new ArrayList<>();
        for (Figure in : inputs) {
            double value = all.get(in.key());
            double max = in.key().equals("rod") ? Math.min(in.max(), THICKEST_ROD * all.get("bore")) : in.max();
            if (!(value >= in.min() && value <= max)) {
                wrong.add(new OutOfRange(Figure.in(in.key(), in.unit(), in.value(), in.min(), max), value));
            }
        }
        return wrong;
    }

    /** What comes out; call {@link #wrong} before. */
    public List<Figure> results(Map<String, Double> given) {
        return formula.apply(all(given));
    }

    private Map<String, Double> all(Map<String, Double> given) {
        Map<String, Double> all = new LinkedHashMap<>();
        inputs.forEach(in -> all.put(in.key(), given.getOrDefault(in.key(), in.value())));
        return all;
    }

    private static double area(double diameterMm) {
        return Math.PI / 4 * diameterMm * diameterMm * 1e-6;
    }
}
