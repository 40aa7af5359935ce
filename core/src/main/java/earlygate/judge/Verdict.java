package earlygate.judge;

import earlygate.explain.Reason;
import earlygate.quantity.Keyed;
import java.util.Optional;

/**
 * Is this reading good? With target T, tolerance t and the instrument's error limit u: pass if |x - T| is within t - u,
 * fail if it is beyond t + u, otherwise this instrument cannot tell.
 *
 */
public record Verdict(Grade grade, double measuredPa, double targetPa, double tolerancePa, double errorPa) {
    public enum Grade implements Keyed {
        PASS,
        FAIL,
        CANNOT_TELL
    }

    /** Accuracy classes of pressure gauges, percent of full scale, coarsest first (EN 837-1, and 0.05 for transducers). */
    private static final double[] CLASSES = {4, 2.5, 1.6, 1, 0.6, 0.25, 0.1, 0.05};

    public static Verdict of(double measuredPa, double targetPa, double tolerancePa, double errorPa) {
        double off = Math.abs(measuredPa - targetPa);
        Grade grade = off <= tolerancePa - errorPa
                ? Grade.PASS
                : off > tolerancePa + errorPa ? Grade.FAIL : Grade.CANNOT_TELL;
        return new Verdict(grade, measuredPa, targetPa, tolerancePa, errorPa);
    }

    /** Largest error limit, Pa, with which this same reading would be a clear pass or a clear fail. */
    public double clearErrorPa() {
        return Math.abs(Math.abs(measuredPa - targetPa) - tolerancePa);
    }

    /** The coarsest class that could tell, on a gauge of this range; empty when none of them could. */
    public Optional<Double> classThatCould(double rangePa) {
        return coarsestClass(rangePa, clearErrorPa());
    }

    /** The coarsest standard class whose error on this range (Pa) is within {@code errorPa}. */
    public static Optional<Double> coarsestClass(double rangePa, double errorPa) {
        for (double c : CLASSES) {
            if (rangePa * c / 100 <= errorPa) {
                return Optional.of(c);
            }
        }
        return Optional.empty();
    }

    /** The verdict's own explanation. */
    public Reason reason(double rangePa) {
        Reason base = Reason.of("verdict." + grade.key())
                .pressure("measured", measuredPa)
                .pressure("target", targetPa)
                .pressure("tolerance", tolerancePa)
                .pressure("error", errorPa)
                .pressure("off", Math.abs(measuredPa - targetPa));
        if (grade != Grade.CANNOT_TELL) {
            return base;
        }
        Optional<Double> could = classThatCould(rangePa);
        return could.isPresent() ? base.number("class", could.get()) : new Reason("verdict.on-the-edge", base.values());
    }
}
