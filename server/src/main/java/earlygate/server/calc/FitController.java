package earlygate.server.calc;

import static earlygate.quantity.Si.BAR;
import static earlygate.quantity.Si.LPM;
import static earlygate.quantity.Si.RPM;
import static earlygate.quantity.Si.ZERO_C;

import com.fasterxml.jackson.annotation.JsonProperty;
import earlygate.explain.Reason;
import earlygate.quantity.Keyed;
import earlygate.quantity.PressureUnit;
import earlygate.server.api.FittedCurveView;
import earlygate.server.api.Input;
import earlygate.server.words.ApiProblem;
import earlygate.server.words.Words;
import earlygate.solve.Model;
import earlygate.unit.PowerUnit;
import earlygate.unit.ReliefValve;
import earlygate.unit.Situation;
import earlygate.verify.CurveFit;
import earlygate.verify.CurvePoint;
import earlygate.verify.Fit;
import io.swagger.v3.oas.annotations.media.Schema;
import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import tools.jackson.databind.JsonNode;

/** A curve's points held against the part they were taken of; stateless. */
@RestController
@RequestMapping("/api/calc")
class FitController {
    private static final int MOST_POINTS = 500;
    private static final double MOST_BAR = 4000;
    private static final double MOST_LPM = 1e5;

    /**
     * @param bar at the pump, or before the relief; {@code lpm} that the pump delivers, or that passes the relief
     * @param back taken while the load was opened again; {@code struck} left out of the fit
     */
    record FitPoint(
            Double bar, Double lpm, Double signalBar, Double speedRpm, Double oilC, Boolean back, Boolean struck) {}

    record GaugeError(
            Double rangeBar, @JsonProperty("class") Double accuracyClass) {}

    record MeterError(
            Double rangeLpm, @JsonProperty("class") Double accuracyClass) {}

    /**
     * @param kind pump, relief, margin or limiter; left out it follows from the subject: a relief valve's, or a pump's
     * @param gauge and {@code meter} by what the readings were taken; left out they are taken for exact
     */
    record FitRequest(
            @Schema(implementation = Object.class) JsonNode unit,
            @Schema(implementation = Object.class) JsonNode situation,
            String kind,
            String subject,
            List<FitPoint> points,
            GaugeError gauge,
            MeterError meter) {}

    @PostMapping("/fit")
    FittedCurveView fit(@RequestBody FitRequest request, @RequestParam(defaultValue = "bar") PressureUnit pressure) {
        PowerUnit unit = Input.unit(request.unit());
        Situation situation = Input.situation(unit, request.situation());
        String subject = Input.required("subject", request.subject());
        Model model = Model.of(unit);
        Fit fit = CurveFit.of(
                model, situation, kind(request, unit, subject), subject, points(request), instruments(request));
        if (fit instanceof Fit.Not not) {
            throw ApiProblem.badInput(not.at(), not.why());
        }
        return FittedCurveView.of(model, situation, (Fit.Found) fit, Words.in(pressure));
    }

    private static Fit.Kind kind(FitRequest request, PowerUnit unit, String subject) {
        if (request.kind() == null) {
            boolean relief = unit.all(ReliefValve.class).stream().anyMatch(v -> v.id().equals(subject));
            return relief ? Fit.Kind.RELIEF : Fit.Kind.PUMP;
        }
        try {
            return Keyed.of(Fit.Kind.class, request.kind());
        } catch (IllegalArgumentException e) {
            throw ApiProblem.badInput("kind", Reason.of("verify.fit.kind").name("value", request.kind()));
        }
    }

    private static List<CurvePoint> points(FitRequest request) {
        List<FitPoint> given = Input.required("points", request.points());
        if (given.size() > MOST_POINTS) {
            throw ApiProblem.badInput(
                    "points",
                    Reason.of("judge.how-many").number("given", given.size()).number("most", MOST_POINTS));
        }
        List<CurvePoint> points = new ArrayList<>();
        for (FitPoint each : given) {
            String path = "points[" + points.size() + "]";
            FitPoint p = Input.required(path, each);
            points.add(new CurvePoint(
                    Input.inRange(path + ".bar", Input.required(path + ".bar", p.bar()), 0, 0, MOST_BAR) * BAR,
                    Input.inRange(path + ".lpm", Input.required(path + ".lpm", p.lpm()), 0, 0, MOST_LPM) * LPM,
                    maybe(path + ".signalBar", p.signalBar(), 0, MOST_BAR, BAR, 0),
                    maybe(path + ".speedRpm", p.speedRpm(), 1, 1e5, RPM, 0),
                    maybe(path + ".oilC", p.oilC(), -40, 150, 1, ZERO_C),
                    Boolean.TRUE.equals(p.back()),
                    Boolean.TRUE.equals(p.struck())));
        }
        return points;
    }

    private static OptionalDouble maybe(
            String path, Double given, double min, double max, double factor, double offset) {
        return given == null
                ? OptionalDouble.empty()
                : OptionalDouble.of(Input.inRange(path, given, 0, min, max) * factor + offset);
    }

    private static Fit.Instruments instruments(FitRequest r) {
        double gauge = r.gauge() == null
                ? 0
                : share("gauge.class", r.gauge().accuracyClass())
                        * Input.inRange(
                                "gauge.rangeBar",
                                Input.required("gauge.rangeBar", r.gauge().rangeBar()),
                                0,
                                0.1,
                                MOST_BAR)
                        * BAR;
        double meter = r.meter() == null
                ? 0
                : share("meter.class", r.meter().accuracyClass())
                        * Input.inRange(
                                "meter.rangeLpm",
                                Input.required("meter.rangeLpm", r.meter().rangeLpm()),
                                0,
                                0.1,
                                MOST_LPM)
                        * LPM;
        return new Fit.Instruments(gauge, meter);
    }

    private static double share(String path, Double accuracyClass) {
        return Input.inRange(path, Input.required(path, accuracyClass), 0, 0, 10) / 100;
    }
}
