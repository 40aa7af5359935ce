package earlygate.ladder;

import earlygate.explain.Value;
import earlygate.explain.Value.Amount;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.Collectors;

/**
 * What is let stand: one relation of one part with the figures it had. It covers the finding while its figures are about
 * the same, so that neither a rounding edge nor a newer model brings it back, and no worse one hides behind it.
 *
 * @param figures by the name used in the sentence, in the SI unit of their kind
 */
public record Acceptance(String code, String subject, Map<String, Double> figures) {
    /** Fraction of the figure that was accepted. */
    private static final double ABOUT = 0.02;
    /** Pa; what a gauge shows of a difference. */
    private static final double PRESSURE = 1e5;

    public static Acceptance of(Finding f) {
        Map<String, Double> figures = new TreeMap<>();
        f.message().amounts().forEach((key, amount) -> figures.put(key, amount.si()));
        return new Acceptance(f.message().code(), f.subject(), figures);
    }

    /** As {@link #text} wrote it; empty for any other text. */
    public static Optional<Acceptance> read(String text) {
        String[] parts = text.split("\\|", -1);
        if (parts.length < 2) {
            return Optional.empty();
        }
        Map<String, Double> figures = new TreeMap<>();
        for (int i = 2; i < parts.length; i++) {
            String[] pair = parts[i].split("=", 2);
            try {
                figures.put(pair[0], Double.valueOf(pair[pair.length - 1]));
            } catch (NumberFormatException e) {
                return Optional.empty();
            }
        }
        return Optional.of(new Acceptance(parts[0], parts[1], figures));
    }

    /** One line, to keep and to hand round. */
    public String text() {
        return code
                + "|"
                + subject
                + figures.entrySet().stream()
                        .map(e -> "|" + e.getKey() + "=" + e.getValue())
                        .collect(Collectors.joining());
    }

    public boolean covers(Finding f) {
        Map<String, Amount> now = f.message().amounts();
        return f.message().code().equals(code)
                && f.subject().equals(subject)
                && now.keySet().equals(figures.keySet())
                && now.entrySet().stream().allMatch(e -> about(figures.get(e.getKey()), e.getValue()));
    }

    private static boolean about(double accepted, Amount now) {
        double absolute = now.kind() == Value.Kind.PRESSURE ? PRESSURE : 0;
        return Math.abs(now.si() - accepted) <= Math.max(absolute, ABOUT * Math.abs(accepted));
    }
}
