package earlygate.server.api;

import static earlygate.quantity.Si.BAR;
import static earlygate.quantity.Si.LPM;

import earlygate.plan.Curve;
import earlygate.plan.Step;
import earlygate.run.CurveTaken;
import earlygate.run.RunEvent;
import earlygate.run.RunState;
import earlygate.run.StepRecord;
import earlygate.server.words.Sentence;
import earlygate.server.words.Words;
import earlygate.solve.Model;
import earlygate.unit.Pump;
import earlygate.unit.Situation;
import earlygate.verify.Fit;
import earlygate.verify.FitLines;
import java.time.Instant;
import java.util.List;
import java.util.Optional;

/**
 * A curve that a step takes, as far as it is taken; bar and L/min.
 *
 * @param kind pump, relief or margin; {@code metered} in whose line a flow meter stands; {@code load} what is shut
 * @param least so many points it takes at the least
 * @param next which of the aims is to be taken next, from 1; null once all are there
 * @param expected the model's line, pairs of bar and L/min, until a fit brings its own; empty where points are held
 *     against one value each
 * @param fit null until the points tell something; {@code verdict} null until one was taken
 * @param said the verdict in words, or why there is none
 */
public record CurveView(
        String step,
        String kind,
        String subject,
        String gauge,
        String signal,
        String metered,
        String load,
        int least,
        List<AimView> aims,
        List<TakenPoint> points,
        Integer next,
        List<List<Double>> expected,
        FittedCurveView fit,
        String verdict,
        @Sentence List<String> said) {
    /** Where a point is worth taking. @param opening 0 to 1, about */
    public record AimView(double bar, double lpm, double opening, boolean back) {}

    /** @param leftOut why it counts for nothing; null for one that counts */
    public record TakenPoint(
            long seq,
            Instant at,
            double bar,
            double lpm,
            Double signalBar,
            boolean back,
            String source,
            String leftOut) {}

    /** Beyond the highest aim the model's line is drawn by this much, so that a cut-off shows. */
    private static final double PAST = 1.05;

    /** Empty for a step that takes none. */
    public static Optional<CurveView> of(RunState state, Step step, Words words) {
        return CurveTaken.of(state, step).map(c -> of(state.model(), step.id(), c, state.record(step.id()), words));
    }

    private static CurveView of(Model model, String step, CurveTaken taken, StepRecord record, Words words) {
        Curve c = taken.curve();
        Optional<Fit.Found> found =
                taken.fit().filter(Fit.Found.class::isInstance).map(Fit.Found.class::cast);
        return new CurveView(
                step,
                c.kind().key(),
                c.subject(),
                c.gauge(),
                c.signal().orElse(null),
                c.metered(),
                c.load(),
                Fit.least(c.kind()),
                c.aims().stream()
                        .map(a -> new AimView(
                                Wire.bar(a.pressurePa()),
                                Wire.rounded(a.flow() / LPM, 1),
                                Wire.rounded(a.opening(), 3),
                                a.back()))
                        .toList(),
                taken.points().stream().map(e -> point(e, record)).toList(),
                taken.next().isPresent() ? 1 + taken.next().getAsInt() : null,
                found.isPresent() ? List.of() : expected(model, taken.situation(), c),
                found.map(f -> FittedCurveView.of(model, taken.situation(), f, words))
                        .orElse(null),
                taken.grade().map(g -> g.key()).orElse(null),
                taken.said().stream().map(words::say).toList());
    }

    private static TakenPoint point(RunEvent e, StepRecord record) {
        RunEvent.Point p = (RunEvent.Point) e.body();
        return new TakenPoint(
                e.seq(),
                e.at(),
                Wire.rounded(p.pressurePa() / BAR, 2),
                Wire.rounded(p.flow() / LPM, 2),
                p.signalPa().isPresent() ? Wire.rounded(p.signalPa().getAsDouble() / BAR, 2) : null,
                p.back(),
                p.source().key(),
                record.leftOut(e.seq()).orElse(null));
    }

    private static List<List<Double>> expected(Model model, Situation at, Curve c) {
        if (c.kind() != Fit.Kind.PUMP) {
            return c.kind() == Fit.Kind.MARGIN
                    ? List.of()
                    : c.aims().stream()
                            .filter(a -> !a.back())
                            .map(a -> List.of(Wire.bar(a.pressurePa()), Wire.rounded(a.flow() / LPM, 1)))
                            .toList();
        }
        double highest =
                c.aims().stream().mapToDouble(Curve.Aim::pressurePa).max().orElse(0);
        return FittedCurveView.pairs(
                FitLines.expected(model, at, (Pump) model.unit().component(c.subject()), PAST * highest));
    }
}
