package earlygate.server.api;

import static earlygate.quantity.Si.BAR;
import static earlygate.quantity.Si.KW;
import static earlygate.quantity.Si.LPM;

import com.fasterxml.jackson.annotation.JsonInclude;
import earlygate.explain.Value;
import earlygate.server.words.Sentence;
import earlygate.server.words.Words;
import earlygate.solve.Model;
import earlygate.unit.Situation;
import earlygate.verify.Estimate;
import earlygate.verify.Fit;
import earlygate.verify.FitLines;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * A fitted curve on the wire: bar, L/min, kW.
 *
 * @param doubt by which the figure that decides may be wrong with all the instruments, in its unit
 * @param verdict pass, fail or cannot-tell; {@code said} in words, the decisive sentence first
 * @param parameters by key: volumetricEfficiency, leakage (at rated pressure), cutOff, limit; cracking, override,
 *     fullFlow, reseat; margin
 * @param lines what the points are drawn over; empty for a margin
 */
public record FittedCurveView(
        String kind,
        String subject,
        String verdict,
        double doubt,
        @Sentence List<String> said,
        Map<String, FittedValue> parameters,
        List<FittedPoint> points,
        FittedLines lines) {
    /** @param unit "" for a ratio; {@code low} and {@code high} the 95 % bounds; {@code expected} null where unknown */
    public record FittedValue(double value, double low, double high, Double expected, String unit) {}

    /**
     * @param region leakage, limited, cut-off, open, shut, stalled, between or struck
     * @param expected and {@code residual} (measured less expected) in {@code unit}: L/min of a pump, else bar
     */
    @JsonInclude(JsonInclude.Include.NON_NULL)
    public record FittedPoint(
            double bar,
            double lpm,
            Double signalBar,
            String region,
            boolean back,
            double expected,
            double residual,
            String unit,
            Double efficiency) {}

    /** Pairs of bar and L/min. */
    public record FittedLines(List<List<Double>> expected, List<List<Double>> fitted) {}

    /** Drawn this far past the highest point. */
    private static final double PAST = 1.1;

    public static FittedCurveView of(Model model, Situation situation, Fit.Found fit, Words words) {
        boolean flows = fit.kind() == Fit.Kind.PUMP || fit.kind() == Fit.Kind.LIMITER;
        Map<String, FittedValue> parameters = new LinkedHashMap<>();
        fit.parameters().forEach(p -> parameters.put(camel(p.key()), parameter(p)));
        double highest = fit.points().stream()
                .mapToDouble(p -> p.point().pressurePa())
                .max()
                .orElse(0);
        FitLines lines = FitLines.of(model, situation, fit, PAST * highest);
        return new FittedCurveView(
                fit.kind().key(),
                fit.subject(),
                fit.grade().key(),
                Wire.figure(fit.doubt() / scale(fit.parameters().get(0).kind())),
                fit.said().stream().map(words::say).toList(),
                parameters,
                fit.points().stream().map(p -> point(p, flows)).toList(),
                new FittedLines(pairs(lines.expected()), pairs(lines.fitted())));
    }

    private static FittedValue parameter(Fit.Parameter p) {
        double scale = scale(p.kind());
        Estimate e = p.found();
        return new FittedValue(
                Wire.figure(e.value() / scale),
                Wire.figure(e.low() / scale),
                Wire.figure(e.high() / scale),
                p.expected().isPresent() ? Wire.figure(p.expected().getAsDouble() / scale) : null,
                unit(p.kind()));
    }

    private static double scale(Value.Kind kind) {
        return switch (kind) {
            case PRESSURE -> BAR;
            case FLOW -> LPM;
            case POWER -> KW;
            default -> 1;
        };
    }

    private static String unit(Value.Kind kind) {
        return switch (kind) {
            case PRESSURE -> "bar";
            case FLOW -> "L/min";
            case POWER -> "kW";
            default -> "";
        };
    }

    private static FittedPoint point(Fit.Placed p, boolean flows) {
        double scale = flows ? LPM : BAR;
        return new FittedPoint(
                Wire.figure(p.point().pressurePa() / BAR),
                Wire.figure(p.point().flow() / LPM),
                p.point().signalPa().isPresent()
                        ? Wire.figure(p.point().signalPa().getAsDouble() / BAR)
                        : null,
                p.region().key(),
                p.point().back(),
                Wire.figure(p.expected() / scale),
                Wire.figure(p.residual() / scale),
                flows ? "L/min" : "bar",
                p.efficiency().isPresent() ? Wire.rounded(p.efficiency().getAsDouble(), 4) : null);
    }

    public static List<List<Double>> pairs(List<FitLines.Point> line) {
        return line.stream()
                .map(p -> List.of(Wire.figure(p.pressurePa() / BAR), Wire.figure(p.flow() / LPM)))
                .toList();
    }

    private static String camel(String key) {
        StringBuilder said = new StringBuilder();
        for (String word : key.split("-")) {
            said.append(said.isEmpty() ? word : Character.toUpperCase(word.charAt(0)) + word.substring(1));
        }
        return said.toString();
    }
}
