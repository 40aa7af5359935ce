package earlygate.ladder;

import earlygate.explain.Reason;
import earlygate.quantity.Keyed;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;

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
    /** What an acceptance speaks of: this relation, this part, these figures to the nearest bar or percent. */
    public String fingerprint() {
        StringBuilder print = new StringBuilder(message.code() + "|" + subject);
        new TreeMap<>(figures)
                .forEach((key, value) -> print.append('|')
                        .append(key)
                        .append('=')
                        .append(Math.round(key.endsWith("Bar") || key.endsWith("Lpm") ? value : value * 100)));
        return print.toString();
    }

    public enum Severity implements Keyed {
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
