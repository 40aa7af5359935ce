package earlygate.ladder;

import earlygate.explain.Reason;
import java.util.Map;
import java.util.Optional;

/**
 * One relation that does not hold.
 *
 * @param rule L1 to L13
 * @param subject the setting, component or test point it is about
 * @param figures by key of the API, in the unit that the key ends in
 */
public record Finding(
        String rule,
        Severity severity,
        String subject,
        Reason message,
        Map<String, Double> figures,
        Optional<Suggestion> suggestion) {
    public enum Severity {
        STOP,
        WARN,
        INFO
    }

    /** A value that would satisfy the rule. */
    public sealed interface Suggestion {
        record SetTarget(String setting, double pressurePa) implements Suggestion {}

        /** Another part: {@code key} and {@code value} as the unit file has them. */
        record Fit(String part, String key, double value) implements Suggestion {}
    }
}
