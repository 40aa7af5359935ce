package earlygate.verify;

import static earlygate.quantity.Si.BAR;

import earlygate.solve.Model;
import earlygate.unit.Control;
import earlygate.unit.Pump;
import earlygate.unit.Situation;
import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;

/**
 * The two lines that a measured curve is drawn over: what the part would do new and as the sheet has it, and what was
 * fitted. Of a margin there is none: its points are held against one value each.
 *
 * @param expected pairs of Pa and m3/s, rising in pressure
 */
public record FitLines(List<Point> expected, List<Point> fitted) {
    /** Close enough for a knee of one compensator's band. */
    private static final double STEP_PA = BAR;

    public record Point(double pressurePa, double flow) {}

    /** @param highestPa to which pressure they are drawn */
    public static FitLines of(Model model, Situation situation, Fit.Found fit, double highestPa) {
        return switch (fit.kind()) {
            case RELIEF -> relief(fit);
            case MARGIN -> new FitLines(List.of(), List.of());
            case PUMP, LIMITER -> pump(model, situation, (Pump) model.unit().component(fit.subject()), fit, highestPa);
        };
    }

    /** What the model expects of a pump, before anything is read. */
    public static List<Point> expected(Model model, Situation situation, Pump pump, double highestPa) {
        return line(new HeldPump(model, pump, situation), OptionalDouble.empty(), highestPa);
    }

    private static FitLines pump(Model model, Situation situation, Pump pump, Fit.Found fit, double highestPa) {
        Situation found = situation;
        found = with(found, fit, "cut-off", Control.COMPENSATOR.of(pump.id()));
        found = with(found, fit, "limit", Control.POWER_LIMITER.of(pump.id()));
        OptionalDouble leakage = fit.parameter("leakage").stream()
                .mapToDouble(e -> e.value() / pump.ratedPressure())
                .findFirst();
        return new FitLines(
                expected(model, situation, pump, highestPa),
                line(new HeldPump(model, pump, found), leakage, highestPa));
    }

    private static Situation with(Situation s, Fit.Found fit, String key, String setting) {
        return fit.parameter(key).map(e -> s.withSetting(setting, e.value())).orElse(s);
    }

    private static List<Point> line(HeldPump model, OptionalDouble leakage, double highestPa) {
        List<Point> line = new ArrayList<>();
        for (double p = 0; p <= highestPa + STEP_PA / 2; p += STEP_PA) {
            double pressure = p;
            model.at(CurvePoint.of(pressure, 0), pressure).ifPresent(at -> {
                double leaks = leakage.orElse(model.leakage()) - model.leakage();
                double flow = at.flow() - leaks * at.leakScale() * pressure;
                Point last = line.isEmpty() ? null : line.get(line.size() - 1);
                if (flow >= 0) {
                    line.add(new Point(pressure, flow));
                } else if (last != null && last.flow() > 0) {
                    double share = last.flow() / (last.flow() - flow);
                    line.add(new Point(last.pressurePa() + share * STEP_PA, 0));
                }
            });
        }
        return line;
    }

    private static FitLines relief(Fit.Found fit) {
        double most =
                fit.points().stream().mapToDouble(p -> p.point().flow()).max().orElse(0);
        double crack = expected(fit, "cracking");
        return new FitLines(
                List.of(new Point(crack, 0), new Point(expected(fit, "full-flow"), most)),
                List.of(
                        new Point(fit.parameter("cracking").orElseThrow().value(), 0),
                        new Point(fit.parameter("full-flow").orElseThrow().value(), most)));
    }

    private static double expected(Fit.Found fit, String key) {
        return fit.parameters().stream()
                .filter(p -> p.key().equals(key))
                .flatMapToDouble(p -> p.expected().stream())
                .findFirst()
                .orElseThrow();
    }
}
