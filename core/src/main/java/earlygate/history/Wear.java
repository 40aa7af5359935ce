package earlygate.history;

import earlygate.explain.Reason;
import earlygate.judge.Verdict.Grade;
import earlygate.verify.CurveFit;
import earlygate.verify.Estimate;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * A pump's volumetric efficiency over the years: a straight line through what was measured, each with its own bounds,
 * and the last held against new. No pump gets better by itself: where it did for certain, another began.
 *
 * @param grade of the last; empty without one
 * @param began the first day of the pump that is in now, where another was in before
 * @param perYear change of the efficiency a year; empty for fewer than two days
 * @param worn about when it comes to what is called worn, where it falls for certain
 */
public record Wear(
        Optional<Grade> grade,
        Optional<LocalDate> began,
        Optional<Estimate> perYear,
        Optional<LocalDate> worn,
        List<Reason> said) {
    /** @param half 95 % bounds to either side, the meter's error with them, above 0 */
    public record Measured(LocalDate on, double efficiency, double half) {}

    private static final double FAR = 20;

    /** @param measured oldest first; {@code asNew} as the sheet has it */
    public static Wear of(List<Measured> measured, double asNew) {
        if (measured.isEmpty()) {
            return new Wear(
                    Optional.empty(),
                    Optional.empty(),
                    Optional.empty(),
                    Optional.empty(),
                    List.of(Reason.of("history.wear.none")));
        }
        double least = CurveFit.wornBelow(asNew);
        Measured last = measured.get(measured.size() - 1);
        Grade grade = CurveFit.wear(last.efficiency(), last.half(), asNew);
        boolean tooMuch = CurveFit.tooMuch(last.efficiency(), last.half());
        List<Reason> said = new ArrayList<>();
        said.add(Reason.of("history.wear." + (tooMuch ? "too-much" : grade.key()))
                .number("efficiency", last.efficiency())
                .number("half", last.half())
                .number("new", asNew)
                .number("least", least));
        // What no pump can do is no measure of one.
        List<Measured> sound = measured.stream()
                .filter(m -> !CurveFit.tooMuch(m.efficiency(), m.half()))
                .toList();
        int began = began(sound);
        if (began > 0) {
            said.add(Reason.of("history.wear.anew")
                    .name("on", sound.get(began).on().toString())
                    .name("before", sound.get(began - 1).on().toString()));
        }
        Optional<Estimate> perYear = slope(sound.subList(began, sound.size()));
        boolean falls = !tooMuch && perYear.filter(s -> s.high() < 0).isPresent();
        Optional<LocalDate> worn = falls && grade != Grade.FAIL
                ? perYear.map(s -> Math.max(0, (least - last.efficiency()) / s.value()))
                        .filter(years -> years <= FAR)
                        .map(years -> Span.after(last.on(), years))
                : Optional.empty();
        perYear.ifPresent(s ->
                said.add(Reason.of("history.wear." + (worn.isPresent() ? "falls-to" : falls ? "falls" : "level"))
                        .number("rate", Math.abs(s.value()))
                        .number("half", s.half())
                        .name("date", worn.map(LocalDate::toString).orElse(""))));
        Optional<LocalDate> anew = began > 0 ? Optional.of(sound.get(began).on()) : Optional.empty();
        return new Wear(Optional.of(grade), anew, perYear, worn, said);
    }

    /** The first measure of the pump that is in now. */
    private static int began(List<Measured> measured) {
        for (int i = measured.size() - 1; i > 0; i--) {
            Measured now = measured.get(i);
            Measured before = measured.get(i - 1);
            if (now.efficiency() - now.half() > before.efficiency() + before.half()) {
                return i;
            }
        }
        return 0;
    }

    /** Weighted least squares with bounds that are known beforehand. */
    private static Optional<Estimate> slope(List<Measured> measured) {
        if (measured.isEmpty()) {
            return Optional.empty();
        }
        LocalDate first = measured.get(0).on();
        double w = 0;
        double wx = 0;
        double wy = 0;
        for (Measured m : measured) {
            w += weight(m);
            wx += weight(m) * Span.years(first, m.on());
            wy += weight(m) * m.efficiency();
        }
        double xx = 0;
        double xy = 0;
        for (Measured m : measured) {
            double x = Span.years(first, m.on()) - wx / w;
            xx += weight(m) * x * x;
            xy += weight(m) * x * (m.efficiency() - wy / w);
        }
        return xx > 0 ? Optional.of(new Estimate(xy / xx, 1 / Math.sqrt(xx))) : Optional.empty();
    }

    private static double weight(Measured m) {
        return 1 / (m.half() * m.half());
    }
}
