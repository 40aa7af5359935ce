package earlygate.pattern;

import earlygate.drawing.SpareGauge;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;

/**
 * What was answered, by the key of the question, in the units of the unit file.
 *
 * @param gauges of the workshop, to be fitted where the paper names none
 */
public record Answers(String tag, String name, Map<String, Double> values, List<SpareGauge> gauges) {
    public Answers {
        values = Map.copyOf(values);
        gauges = List.copyOf(gauges);
    }

    public Answers(String tag, String name, Map<String, Double> values) {
        this(tag, name, values, List.of());
    }

    /** Written as {@code power 15, speed 1460}; what is said again counts. */
    static Map<String, Double> values(String written) {
        Map<String, Double> values = new HashMap<>();
        for (String one : written.split(", ")) {
            int gap = one.indexOf(' ');
            values.put(one.substring(0, gap), Double.parseDouble(one.substring(gap + 1)));
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
