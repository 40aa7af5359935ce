package earlygate.history;

import earlygate.explain.Reason;
import earlygate.quantity.Keyed;
import earlygate.unit.Target;
import earlygate.verify.Estimate;
import java.time.LocalDate;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/**
 * Whether a setting stays where it was left.
 *
 * @param perYear Pa a year; empty without a span, and where the spans contradict each other
 * @param leaves about when it leaves the tolerance of its target, where it creeps that way
 */
public record Drift(Kind kind, List<Span> spans, Optional<Estimate> perYear, Optional<LocalDate> leaves, Reason said) {
    public enum Kind implements Keyed {
        /** Never left and found again, or moved by less than the gauges could show over that time. */
        CANNOT_TELL,
        STANDS,
        /** The same way at the same rate, more than once. */
        CREEPS,
        /** Once by more than the gauges can be wrong: a creep and a turned screw look the same, once. */
        MOVED
    }

    /** A second span must say at least this share of what the first does, or one span alone decides. */
    private static final double SECOND = 0.2;
    /** What lies further ahead is no date to plan by, years. */
    private static final double FAR = 20;

    /** @param stood oldest first; {@code target} as it is asked for today */
    public static Drift of(List<SettingOnDay> stood, Target target) {
        List<Span> spans = Span.of(stood);
        if (spans.isEmpty()) {
            return new Drift(
                    Kind.CANNOT_TELL, spans, Optional.empty(), Optional.empty(), Reason.of("history.drift.none"));
        }
        double weight = spans.stream().mapToDouble(Span::weight).sum();
        double rate = spans.stream()
                        .mapToDouble(s -> s.weight() * s.changePa() / s.years())
                        .sum()
                / weight;
        Estimate perYear = new Estimate(rate, 1 / Math.sqrt(weight));
        Span furthest = spans.stream()
                .max(Comparator.comparingDouble(s -> Math.abs(s.changePa()) / s.errorPa()))
                .orElseThrow();
        boolean moved = Math.abs(furthest.changePa()) > furthest.errorPa();
        if (!spans.stream().allMatch(s -> s.fits(rate)) || moved && single(spans)) {
            return moved(spans, furthest);
        }
        if (Math.abs(rate) > perYear.half()) {
            return creeps(spans, perYear, left(stood), target);
        }
        boolean fine = perYear.half() <= target.tolerancePa();
        return new Drift(
                fine ? Kind.STANDS : Kind.CANNOT_TELL,
                spans,
                Optional.of(perYear),
                Optional.empty(),
                rate("history.drift." + (fine ? "stands" : "coarse"), perYear));
    }

    private static boolean single(List<Span> spans) {
        List<Double> weights = spans.stream()
                .map(Span::weight)
                .sorted(Comparator.reverseOrder())
                .toList();
        return weights.size() < 2 || weights.get(1) < SECOND * weights.get(0);
    }

    private static Drift moved(List<Span> spans, Span furthest) {
        Reason said = Reason.of("history.drift." + (spans.size() == 1 ? "once" : "moved"))
                .pressure("change", Math.abs(furthest.changePa()))
                .said("way", way(furthest.changePa()))
                .name("from", furthest.from().toString())
                .name("to", furthest.to().toString());
        return new Drift(Kind.MOVED, spans, Optional.empty(), Optional.empty(), said);
    }

    private static Drift creeps(List<Span> spans, Estimate perYear, Optional<SettingOnDay> left, Target target) {
        Optional<LocalDate> leaves = left.flatMap(s -> leaves(s, perYear.value(), target));
        Reason said = rate("history.drift.creeps" + (leaves.isPresent() ? "-out" : ""), perYear)
                .name("date", leaves.map(LocalDate::toString).orElse(""));
        return new Drift(Kind.CREEPS, spans, Optional.of(perYear), leaves, said);
    }

    private static Optional<LocalDate> leaves(SettingOnDay left, double rate, Target target) {
        double edge = target.pressurePa() + Math.signum(rate) * target.tolerancePa();
        double years = Math.max(0, (edge - left.leftPa().getAsDouble()) / rate);
        return years > FAR ? Optional.empty() : Optional.of(Span.after(left.on(), years));
    }

    /** The last time that it was read after its nut was tight. */
    private static Optional<SettingOnDay> left(List<SettingOnDay> stood) {
        return stood.stream().filter(s -> s.leftPa().isPresent()).reduce((a, b) -> b);
    }

    private static Reason rate(String code, Estimate perYear) {
        return Reason.of(code)
                .pressure("rate", Math.abs(perYear.value()))
                .pressure("half", perYear.half())
                .said("way", way(perYear.value()));
    }

    private static Reason way(double change) {
        return Reason.of(change < 0 ? "history.down" : "history.up");
    }
}
