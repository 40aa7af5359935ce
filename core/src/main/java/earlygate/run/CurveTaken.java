package earlygate.run;

import earlygate.explain.Reason;
import earlygate.judge.Verdict.Grade;
import earlygate.plan.Curve;
import earlygate.plan.Step;
import earlygate.quantity.Si;
import earlygate.run.RunEvent.Point;
import earlygate.unit.Gear;
import earlygate.unit.Meter;
import earlygate.unit.PowerUnit;
import earlygate.unit.Situation;
import earlygate.verify.CurveFit;
import earlygate.verify.CurvePoint;
import earlygate.verify.Estimate;
import earlygate.verify.Fit;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;

/**
 * The curve of a step as far as it was taken, held against the part by the settings that the step stands at.
 *
 * @param read the points as the fit takes them, in the order of {@code points}: those left out are struck in it
 * @param fit empty until a point was taken
 * @param steady whether the flow stayed while the load changed, where the curve tells it
 */
public record CurveTaken(
        Curve curve,
        Situation situation,
        List<RunEvent> points,
        List<CurvePoint> read,
        Optional<Fit> fit,
        Optional<SteadyFlow> steady) {
    /** Flow beside the meter that is worth a word, m3/s. */
    private static final double UNSEEN = 0.1 * Si.LPM;

    /** Empty for a step that takes none. */
    public static Optional<CurveTaken> of(RunState run, Step step) {
        return step.curve().map(c -> {
            StepRecord record = run.record(step.id());
            List<RunEvent> events = record.points();
            List<CurvePoint> read = events.stream()
                    .map(e -> point(
                            c,
                            (Point) e.body(),
                            oil(run, step, e),
                            record.leftOut(e.seq()).isPresent()))
                    .toList();
            Situation left = AsLeft.in(run, step.situation());
            Optional<Fit> fit = read.isEmpty() ? Optional.empty() : Optional.of(fit(run, c, left, read));
            return new CurveTaken(c, left, events, read, fit, SteadyFlow.of(c, read, meterError(run.unit(), c)));
        });
    }

    private static Fit fit(RunState run, Curve c, Situation left, List<CurvePoint> read) {
        PowerUnit unit = run.unit();
        double gauges = unit.testPoint(c.gauge()).errorPa()
                + c.signal().map(unit::testPoint).map(t -> t.errorPa()).orElse(0.0);
        return CurveFit.of(
                run.model(), left, c.kind(), c.subject(), read, new Fit.Instruments(gauges, meterError(unit, c)));
    }

    /** The rig's thermometer, else the last that was read, while it counts. */
    private static OptionalDouble oil(RunState run, Step step, RunEvent e) {
        OptionalDouble own = ((Point) e.body()).oil();
        return own.isPresent() ? own : run.oilAt(e, step.id());
    }

    private static CurvePoint point(Curve c, Point p, OptionalDouble oil, boolean leftOut) {
        return new CurvePoint(
                p.pressurePa(),
                p.flow() + c.beside(p.pressurePa()),
                p.signalPa(),
                OptionalDouble.empty(),
                oil,
                p.back(),
                leftOut);
    }

    /** The unit's own meter in that line, else the finest that the workshop has, m3/s. */
    static double meterError(PowerUnit unit, Curve c) {
        return unit.meters().stream()
                .filter(m -> m.kind() == Meter.Kind.FLOW && m.of().equals(c.metered()))
                .mapToDouble(m -> m.accuracyClass() / 100 * m.range())
                .min()
                .orElseGet(() -> unit.testGear().stream()
                        .filter(Gear.FlowMeter.class::isInstance)
                        .mapToDouble(g -> ((Gear.FlowMeter) g).error())
                        .min()
                        .orElse(0));
    }

    /** Place among the aims of the next point worth taking, as the load comes by them; empty once all are there. */
    public OptionalInt next() {
        return NextPoint.of(curve, read);
    }

    /** A pump's, with all doubt, the meter's too; empty where nothing is told of it. */
    public Optional<Estimate> efficiency() {
        return oilUnknown()
                ? Optional.empty()
                : fit.filter(Fit.Found.class::isInstance)
                        .map(Fit.Found.class::cast)
                        .flatMap(
                                f -> f.parameter("volumetric-efficiency").map(e -> new Estimate(e.value(), f.doubt())));
    }

    /** Empty until a point was taken; what can't be fitted can't tell, nor can leakage through oil of no known warmth. */
    public Optional<Grade> grade() {
        return fit.map(f -> f instanceof Fit.Found found && !oilUnknown() ? worse(found.grade()) : Grade.CANNOT_TELL);
    }

    private Grade worse(Grade fitted) {
        return fitted != Grade.PASS ? fitted : steady.map(SteadyFlow::grade).orElse(fitted);
    }

    /** Leakage goes with the oil's warmth, at every point. */
    private boolean oilUnknown() {
        return curve.kind() == Fit.Kind.PUMP
                && read.stream().anyMatch(p -> p.oil().isEmpty());
    }

    /** The verdict in words and figures, or why there is none. */
    public List<Reason> said() {
        if (oilUnknown()) {
            return List.of(Reason.of("verify.oil-unknown"));
        }
        if (fit.isEmpty()) {
            return List.of(Reason.of("verify.not-taken"));
        }
        if (!(fit.get() instanceof Fit.Found found)) {
            return List.of(((Fit.Not) fit.get()).why());
        }
        List<Reason> all = new ArrayList<>(found.said());
        steady.ifPresent(f ->
                all.add(grade().equals(Optional.of(Grade.FAIL)) && f.grade() == Grade.FAIL ? 0 : all.size(), f.said()));
        double beside =
                curve.aims().stream().mapToDouble(Curve.Aim::beside).max().orElse(0);
        if (beside >= UNSEEN) {
            all.add(Reason.of("verify.beside").flow("flow", beside));
        }
        return all;
    }
}
