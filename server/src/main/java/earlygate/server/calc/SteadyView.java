package earlygate.server.calc;

import static earlygate.quantity.Si.BAR;
import static earlygate.quantity.Si.LPM;

import earlygate.explain.Reason;
import earlygate.gauge.NextLimiter;
import earlygate.server.api.Wire;
import earlygate.server.words.Words;
import earlygate.solve.SteadyState;
import earlygate.unit.Meter;
import earlygate.unit.PowerUnit;
import earlygate.unit.TestPoint;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * A steady state in the words and units of the calculation API.
 *
 * @param components by id, see {@link Figures}
 * @param inControl by line id; null where the load decides
 * @param nextLimiter by line id; none where no other limiter stands above
 */
record SteadyView(
        Map<String, LineAnswer> lines,
        Map<String, Map<String, Object>> components,
        Map<String, Reads> testPoints,
        Map<String, String> inControl,
        Map<String, Next> nextLimiter,
        List<String> warnings) {
    record LineAnswer(double pressureBar) {}

    /** What a gauge shows, in its own unit; {@code shown} is rounded as its dial can be read. */
    record Reads(double reads, String unit, double shown) {}

    /** The limiter of a line that would take it next, and by how much it stands above the pressure now. */
    record Next(String setting, double aboveBar) {}

    /** @param metered what fitted flow meters stand in series with, by the id of the gear */
    static SteadyView of(PowerUnit unit, SteadyState state, Map<String, String> metered, Words words) {
        Map<String, LineAnswer> lines = new LinkedHashMap<>();
        Map<String, String> inControl = new LinkedHashMap<>();
        Map<String, Next> next = new LinkedHashMap<>();
        state.pressures().forEach((id, pa) -> {
            lines.put(id, new LineAnswer(Wire.figure(pa / BAR)));
            inControl.put(id, state.limiterOf(id).orElse(null));
            NextLimiter.of(unit, state, id)
                    .ifPresent(n -> next.put(id, new Next(n.setting(), Wire.figure(n.above() / BAR))));
        });
        Map<String, Map<String, Object>> components = new LinkedHashMap<>();
        state.components().forEach((id, c) -> components.put(id, Figures.of(c)));
        Map<String, Reads> testPoints = new LinkedHashMap<>();
        for (TestPoint t : unit.testPoints()) {
            testPoints.put(t.id(), reads(t, state.pressure(t.line())));
        }
        for (Meter m : unit.meters()) {
            testPoints.put(m.id(), m.kind() == Meter.Kind.FLOW ? flow(state, m.of()) : current(state, m.of()));
        }
        metered.forEach((id, component) -> testPoints.put(id, flow(state, component)));
        return new SteadyView(lines, components, testPoints, inControl, next, warnings(state, words));
    }

    private static Reads flow(SteadyState state, String component) {
        double flow = state.flow(component);
        return new Reads(Wire.figure(flow / LPM), "L/min", Wire.figure(flow / LPM));
    }

    private static Reads current(SteadyState state, String driver) {
        double amps = state.driver(driver).current();
        return new Reads(Wire.figure(amps), "A", Wire.figure(amps));
    }

    private static Reads reads(TestPoint t, double pascal) {
        return new Reads(Wire.figure(t.reads().fromPa(pascal)), t.reads().label(), Wire.figure(t.readOff(pascal)));
    }

    private static List<String> warnings(SteadyState state, Words words) {
        List<Reason> warnings = new ArrayList<>();
        state.starved()
                .forEach(pump -> warnings.add(Reason.of("solve.suction-shut").name("pump", pump)));
        state.sealed()
                .forEach(line -> warnings.add(Reason.of("solve.sealed-line").name("line", line)));
        return warnings.stream().map(words::say).toList();
    }
}
