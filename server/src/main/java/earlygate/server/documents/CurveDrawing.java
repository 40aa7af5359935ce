package earlygate.server.documents;

import earlygate.quantity.Measure;
import earlygate.quantity.PressureUnit;
import earlygate.quantity.Si;
import earlygate.server.api.CurveView;
import earlygate.server.api.FittedCurveView;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** A curve for paper, in points: what was read over what is expected and what was fitted. Flow over pressure of a pump. */
public final class CurveDrawing {
    private static final double LEFT = 38;
    private static final double RIGHT = 246;
    private static final double TOP = 8;
    private static final double BOTTOM = 128;

    private final CurveView curve;
    private final PressureUnit pressure;
    private final String flowUnit;
    private Axis x;
    private Axis y;

    private CurveDrawing(CurveView curve, PressureUnit pressure) {
        this.curve = curve;
        this.pressure = pressure;
        this.flowUnit = Measure.FLOW.beside(pressure, "L/min");
    }

    /** A value and where it stands. */
    private record Axis(double low, double high, double from, double to) {
        double at(double value) {
            return from + (to - from) * (value - low) / (high - low);
        }

        List<Double> ticks() {
            double step = Ticks.step(high - low, 6);
            return Stream.iterate(Math.ceil(low / step - 1e-9), i -> i * step <= high + step * 1e-9, i -> i + 1)
                    .map(i -> i * step)
                    .toList();
        }
    }

    private record Place(double x, double y) {}

    public static Map<String, Object> of(CurveView curve, PressureUnit pressure) {
        return new CurveDrawing(curve, pressure).model();
    }

    private Map<String, Object> model() {
        boolean pump = curve.kind().equals("pump");
        List<Place> expected = expected();
        List<Place> fitted =
                curve.fit() == null ? List.of() : line(curve.fit().lines().fitted());
        List<Place> read = curve.points().stream()
                .map(p -> place(p.bar() - (p.signalBar() == null ? 0 : p.signalBar()), p.lpm()))
                .toList();
        List<Place> all =
                Stream.of(expected, fitted, read).flatMap(List::stream).toList();
        x = axis(all.stream().map(Place::x).toList(), LEFT, RIGHT, true);
        y = axis(all.stream().map(Place::y).toList(), BOTTOM, TOP, pump);
        String pressureName = curve.signal() == null ? curve.gauge() : curve.gauge() + " − " + curve.signal();
        return Row.of("expected", polyline(expected))
                .and("fitted", polyline(fitted))
                .and("points", points(read))
                .and("xTicks", ticks(x))
                .and("yTicks", ticks(y))
                .and("xName", pump ? pressureName : "")
                .and("xUnit", pump ? pressure.label() : flowUnit)
                .and("yName", pump ? "" : pressureName)
                .and("yUnit", pump ? flowUnit : pressure.label())
                .map();
    }

    /** From nothing on, or with a little room round what there is. */
    private static Axis axis(List<Double> values, double from, double to, boolean fromZero) {
        double low = values.stream().min(Double::compare).orElse(0.0);
        double high = values.stream().max(Double::compare).orElse(1.0);
        double room = Math.max(0.08 * (high - (fromZero ? 0 : low)), 1e-3 + 0.01 * high);
        return new Axis(fromZero ? 0 : low - room, high + room, from, to);
    }

    /** Of a margin each point is held against a value of its own. */
    private List<Place> expected() {
        if (curve.fit() == null) {
            return line(curve.expected());
        }
        return curve.kind().equals("margin")
                ? curve.fit().points().stream()
                        .filter(p -> p.region().equals("open"))
                        .map(p -> place(p.expected(), p.lpm()))
                        .sorted(Comparator.comparingDouble(Place::x))
                        .toList()
                : line(curve.fit().lines().expected());
    }

    private Place place(double bar, double lpm) {
        double p = pressure.fromPa(bar * Si.BAR);
        double q = Measure.FLOW.convert(lpm, "L/min", flowUnit);
        return curve.kind().equals("pump") ? new Place(p, q) : new Place(q, p);
    }

    private List<Place> line(List<List<Double>> pairs) {
        return pairs.stream().map(p -> place(p.get(0), p.get(1))).toList();
    }

    private String polyline(List<Place> line) {
        return line.stream()
                .map(p -> String.format(Locale.ROOT, "%.1f,%.1f", x.at(p.x()), y.at(p.y())))
                .collect(Collectors.joining(" "));
    }

    private List<Map<String, Object>> points(List<Place> read) {
        List<Map<String, Object>> points = new ArrayList<>();
        for (int i = 0; i < read.size(); i++) {
            CurveView.TakenPoint p = curve.points().get(i);
            points.add(Row.of("x", figure(x.at(read.get(i).x())))
                    .and("y", figure(y.at(read.get(i).y())))
                    .and("out", p.leftOut() != null)
                    .and("back", p.back())
                    .map());
        }
        return points;
    }

    private static List<Map<String, Object>> ticks(Axis axis) {
        return axis.ticks().stream()
                .map(v -> Row.of("at", figure(axis.at(v)))
                        .and("label", Ticks.label(v))
                        .map())
                .toList();
    }

    private static double figure(double value) {
        return Math.round(value * 10) / 10.0;
    }

    /** What was fitted, for the table beside the picture. */
    public static List<Map<String, Object>> parameters(CurveView curve, PressureUnit pressure) {
        if (curve.fit() == null) {
            return List.of();
        }
        return curve.fit().parameters().entrySet().stream()
                .map(e -> Row.of("key", hyphened(e.getKey()))
                        .and("value", show(e.getValue(), e.getValue().value(), pressure))
                        .and("low", show(e.getValue(), e.getValue().low(), pressure))
                        .and("high", show(e.getValue(), e.getValue().high(), pressure))
                        .and(
                                "expected",
                                e.getValue().expected() == null
                                        ? null
                                        : show(e.getValue(), e.getValue().expected(), pressure))
                        .map())
                .toList();
    }

    private static String show(FittedCurveView.FittedValue p, double value, PressureUnit pressure) {
        return switch (p.unit()) {
            case "bar" -> pressure.show(value * Si.BAR);
            case "L/min" -> beside(Measure.FLOW, value, p.unit(), pressure);
            case "kW" -> beside(Measure.POWER, value, p.unit(), pressure);
            default -> String.format(Locale.ROOT, "%.3f", value);
        };
    }

    private static String beside(Measure measure, double value, String unit, PressureUnit pressure) {
        String there = measure.beside(pressure, unit);
        return String.format(Locale.ROOT, "%.1f %s", measure.convert(value, unit, there), there);
    }

    /** As words are found by: cutOff is cut-off. */
    private static String hyphened(String key) {
        return key.replaceAll("([A-Z])", "-$1").toLowerCase(Locale.ROOT);
    }
}
