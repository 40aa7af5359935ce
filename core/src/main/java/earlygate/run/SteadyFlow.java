package earlygate.run;

import earlygate.explain.Reason;
import earlygate.judge.Verdict.Grade;
import earlygate.plan.Curve;
import earlygate.quantity.Si;
import earlygate.verify.CurvePoint;
import earlygate.verify.Fit;
import java.util.DoubleSummaryStatistics;
import java.util.List;
import java.util.Optional;

/**
 * With a load-sense margin the flow of a lever stays while its load changes: where the model has the same flow over a wide
 * range of pressures, so must the points that were taken there.
 */
record SteadyFlow(Grade grade, Reason said) {
    /** Of the most that flows, what counts as the same by the model. */
    private static final double SAME = 0.97;

    private static final double LEAST_SPAN = 20 * Si.BAR;
    /** Largest difference of flows, as a fraction of their mean. */
    private static final double WITHIN = 0.05;

    /** Whether a curve has such a range, so wide that a change would show. */
    static boolean asked(Curve curve) {
        return curve.kind() == Fit.Kind.MARGIN && span(full(curve)) > LEAST_SPAN;
    }

    private static DoubleSummaryStatistics full(Curve curve) {
        double most = curve.aims().stream().mapToDouble(Curve.Aim::flow).max().orElse(0);
        return curve.aims().stream()
                .filter(a -> a.flow() >= SAME * most)
                .mapToDouble(Curve.Aim::pressurePa)
                .summaryStatistics();
    }

    private static double span(DoubleSummaryStatistics of) {
        return of.getCount() < 2 ? 0 : of.getMax() - of.getMin();
    }

    /** Empty where it is not asked, or too few points were taken there. */
    static Optional<SteadyFlow> of(Curve curve, List<CurvePoint> read, double meterError) {
        if (!asked(curve)) {
            return Optional.empty();
        }
        double highest = full(curve).getMax() + 2 * Si.BAR;
        List<CurvePoint> there = read.stream()
                .filter(p -> !p.struck() && p.pressurePa() <= highest)
                .toList();
        DoubleSummaryStatistics loads =
                there.stream().mapToDouble(CurvePoint::pressurePa).summaryStatistics();
        if (span(loads) < LEAST_SPAN) {
            return Optional.empty();
        }
        DoubleSummaryStatistics flows =
                there.stream().mapToDouble(CurvePoint::flow).summaryStatistics();
        double apart = flows.getMax() - flows.getMin();
        double allowed = WITHIN * flows.getAverage();
        Grade grade = apart <= allowed ? Grade.PASS : apart > allowed + 2 * meterError ? Grade.FAIL : Grade.CANNOT_TELL;
        return Optional.of(new SteadyFlow(
                grade,
                Reason.of("verify.steady." + grade.key())
                        .flow("least", flows.getMin())
                        .flow("most", flows.getMax())
                        .pressure("from", loads.getMin())
                        .pressure("to", loads.getMax())
                        .ratio("within", WITHIN)));
    }
}
