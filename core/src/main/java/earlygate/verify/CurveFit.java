package earlygate.verify;

import earlygate.explain.Reason;
import earlygate.judge.Verdict.Grade;
import earlygate.solve.Model;
import earlygate.unit.Component;
import earlygate.unit.PowerUnit;
import earlygate.unit.Pump;
import earlygate.unit.ReliefValve;
import earlygate.unit.Situation;
import earlygate.verify.Fit.Instruments;
import earlygate.verify.Fit.Kind;
import java.util.List;
import java.util.Optional;

/** Points of a curve, held against the part they were taken of. */
public final class CurveFit {
    private CurveFit() {}

    /** Volumetric efficiency below which a pump is called worn. */
    public static double wornBelow(double asNew) {
        return asNew - PumpFit.WEAR;
    }

    /** More than it can displace: the meter, the speed or the displacement is not what the sheet says. */
    public static boolean tooMuch(double efficiency, double doubt) {
        return efficiency - doubt > 1;
    }

    /** Whether a pump of this efficiency is worn, all doubt on its side. */
    public static Grade wear(double efficiency, double doubt, double asNew) {
        double least = wornBelow(asNew);
        if (tooMuch(efficiency, doubt)) {
            return Grade.CANNOT_TELL;
        }
        return efficiency - doubt >= least ? Grade.PASS : efficiency + doubt < least ? Grade.FAIL : Grade.CANNOT_TELL;
    }

    /**
     * @param situation as the unit stood; its settings are what the part is held against
     * @param subject a pump, or a relief valve
     * @param points in any order; those that are struck stay in the answer and out of the fit
     */
    public static Fit of(
            Model model, Situation situation, Kind kind, String subject, List<CurvePoint> points, Instruments with) {
        PowerUnit unit = model.unit();
        Optional<Component> part = unit.components().stream()
                .filter(c -> c.id().equals(subject))
                .filter(c -> suits(c, kind))
                .findFirst();
        if (part.isEmpty()) {
            return new Fit.Not(
                    "subject", Reason.of("verify.fit.subject-" + kind.key()).name("id", subject));
        }
        long counted = points.stream().filter(p -> !p.struck()).count();
        int least = Fit.least(kind);
        if (counted < least) {
            return new Fit.Not(
                    "points",
                    Reason.of("verify.fit.few").number("given", counted).number("least", least));
        }
        return switch (kind) {
            case RELIEF -> ReliefFit.of(unit, situation, (ReliefValve) part.get(), points, with);
            case MARGIN -> MarginFit.of(model, situation, (Pump) part.get(), points, with);
            case PUMP, LIMITER -> pump(model, situation, kind, (Pump) part.get(), points, with);
        };
    }

    private static Fit pump(
            Model model, Situation situation, Kind kind, Pump pump, List<CurvePoint> read, Instruments with) {
        return PumpPoints.of(model, situation, pump, read, with)
                .map(points -> kind == Kind.PUMP
                        ? PumpFit.of(pump, situation, points, with)
                        : LimiterFit.of(model.unit(), situation, pump, points, with))
                .orElseGet(() -> new Fit.Not(
                        "situation", Reason.of("verify.fit.no-model").name("pump", pump.id())));
    }

    private static boolean suits(Component c, Kind kind) {
        return kind == Kind.RELIEF
                ? c instanceof ReliefValve
                : c instanceof Pump p
                        && (kind != Kind.MARGIN || p.loadSense().isPresent())
                        && (kind != Kind.LIMITER || p.powerLimiter().isPresent());
    }
}
