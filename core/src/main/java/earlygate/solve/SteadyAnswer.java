package earlygate.solve;

import static earlygate.quantity.Si.BAR;
import static earlygate.quantity.Si.KW;
import static earlygate.quantity.Si.LPM;
import static earlygate.quantity.Si.RPM;

import earlygate.circuit.PowerUnit;
import earlygate.circuit.Setting;
import earlygate.circuit.TestPoint;
import earlygate.explain.Reason;
import earlygate.solve.ComponentState.ActuatorState;
import earlygate.solve.ComponentState.DriverState;
import earlygate.solve.ComponentState.PumpState;
import earlygate.solve.ComponentState.ValveState;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * A steady state in the words and units of the calculation API.
 *
 * @param components by id: flowLpm, stroke, shaftPowerKw, inControl of a pump; speedRpm, powerKw, currentA, load of a
 *     driver; flowLpm, open, heatKw of a valve
 * @param inControl by line id; null where the load decides
 * @param nextLimiter by line id; none where no other limiter stands above
 */
public record SteadyAnswer(
        Map<String, LineAnswer> lines,
        Map<String, Map<String, Object>> components,
        Map<String, Reads> testPoints,
        Map<String, String> inControl,
        Map<String, Next> nextLimiter,
        List<Reason> warnings) {
    private static final Set<Setting.Kind> LIMITERS =
            Set.of(Setting.Kind.COMPENSATOR, Setting.Kind.RELIEF, Setting.Kind.PORT_RELIEF, Setting.Kind.REDUCING);

    public record LineAnswer(double pressureBar) {}

    /** What a gauge shows, in its own unit; {@code shown} is rounded as its dial can be read. */
    public record Reads(double reads, String unit, double shown) {}

    /** The limiter of a line that would take it next, and by how much it stands above the pressure now. */
    public record Next(String setting, double aboveBar) {}

    public static SteadyAnswer of(PowerUnit unit, SteadyState state) {
        Map<String, LineAnswer> lines = new LinkedHashMap<>();
        Map<String, String> inControl = new LinkedHashMap<>();
        state.pressures().forEach((id, pa) -> {
            lines.put(id, new LineAnswer(round(pa / BAR)));
            inControl.put(id, state.limiterOf(id).orElse(null));
        });
        Map<String, Map<String, Object>> components = new LinkedHashMap<>();
        state.components().forEach((id, c) -> components.put(id, component(c)));
        Map<String, Reads> testPoints = new LinkedHashMap<>();
        for (TestPoint t : unit.testPoints()) {
            double shown = t.reads().fromPa(state.pressure(t.line()));
            testPoints.put(
                    t.id(), new Reads(round(shown), t.reads().label(), round(t.readOff(state.pressure(t.line())))));
        }
        List<Reason> warnings = new ArrayList<>();
        state.starved()
                .forEach(pump -> warnings.add(Reason.of("solve.suction-shut").name("pump", pump)));
        state.sealed()
                .forEach(line -> warnings.add(Reason.of("solve.sealed-line").name("line", line)));
        return new SteadyAnswer(lines, components, testPoints, inControl, next(unit, state), warnings);
    }

    private static Map<String, Next> next(PowerUnit unit, SteadyState state) {
        Map<String, Next> next = new LinkedHashMap<>();
        state.pressures()
                .forEach((line, pa) -> unit.settings().stream()
                        .filter(s -> s.line().equals(line) && LIMITERS.contains(s.kind()))
                        .filter(s ->
                                !state.limiterOf(line).filter(s.id()::equals).isPresent())
                        .filter(s -> state.settings().get(s.id()) > pa)
                        .min(Comparator.comparing(s -> state.settings().get(s.id())))
                        .ifPresent(s -> next.put(
                                line, new Next(s.id(), round((state.settings().get(s.id()) - pa) / BAR)))));
        return next;
    }

    static Map<String, Object> component(ComponentState c) {
        Map<String, Object> out = new LinkedHashMap<>();
        if (c instanceof PumpState p) {
            out.put("flowLpm", round(p.flow() / LPM));
            out.put("stroke", round(p.stroke()));
            out.put("shaftPowerKw", round(p.shaftPower() / KW));
            out.put("caseDrainLpm", round(p.leakage() / LPM));
            out.put("heatKw", round(p.heat() / KW));
            out.put("inControl", p.inControl().orElse(null));
        } else if (c instanceof DriverState d) {
            out.put("speedRpm", round(d.speed() / RPM));
            out.put("powerKw", round(d.power() / KW));
            out.put("currentA", round(d.current()));
            out.put("load", round(d.load()));
        } else if (c instanceof ValveState v) {
            out.put("flowLpm", round(v.flow() / LPM));
            out.put("open", round(v.open()));
            out.put("heatKw", round(v.heat() / KW));
        } else if (c instanceof ActuatorState a) {
            out.put("flowLpm", round(a.flow() / LPM));
            out.put("speed", round(a.speed()));
        }
        return out;
    }

    /** To six significant digits; no dial and no tolerance of the field is finer. */
    static double round(double value) {
        if (Math.abs(value) < 1e-9) {
            return 0;
        }
        double scale = Math.pow(10, 5 - Math.floor(Math.log10(Math.abs(value))));
        return Math.round(value * scale) / scale;
    }
}
