package earlygate.pattern;

import java.util.HashMap;
import java.util.Map;
import java.util.OptionalDouble;

/** What was answered, by the key of the question, in the units of the unit file. */
public record Answers(String tag, String name, Map<String, Double> values) {
    public Answers {
        values = Map.copyOf(values);
    }

    /** Keys and values by turns. */
    static Map<String, Double> values(Object... pairs) {
        Map<String, Double> values = new HashMap<>();
        for (int i = 0; i < pairs.length; i += 2) {
            values.put((String) pairs[i], ((Number) pairs[i + 1]).doubleValue());
        }
        return values;
    }

    /** @throws java.util.NoSuchElementException for a needed question that was not answered */
    double get(String key) {
        return asked(key).orElseThrow();
    }

    OptionalDouble asked(String key) {
        Double value = values.get(key);
        return value == null ? OptionalDouble.empty() : OptionalDouble.of(value);
    }

    boolean has(String key) {
        return values.containsKey(key);
    }
}
