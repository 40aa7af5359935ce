package earlygate.explain;

import earlygate.explain.Value.Amount;
import earlygate.explain.Value.Kind;
import earlygate.explain.Value.Name;
import earlygate.explain.Value.Said;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;

/**
 * Why something is so: a code and the values it speaks of. It holds no sentence; the words for each code live in one
 * place outside the core.
 *
 * @param code stable, lower-case, dotted, such as {@code ladder.L1.short-gap}
 * @param values by the name used in the sentence
 */
public record Reason(String code, Map<String, Value> values) {
    public Reason {
        values = Map.copyOf(values);
    }

    public static Reason of(String code) {
        return new Reason(code, Map.of());
    }

    public Reason with(String key, Value value) {
        Map<String, Value> more = new LinkedHashMap<>(values);
        more.put(key, value);
        return new Reason(code, more);
    }

    public Reason name(String key, String text) {
        return with(key, new Name(text));
    }

    /** A phrase that has words of its own. */
    public Reason said(String key, Reason phrase) {
        return said(key, List.of(phrase));
    }

    public Reason said(String key, List<Reason> phrases) {
        return with(key, new Said(phrases));
    }

    /** Names in a row, each said as people call it. */
    public Reason names(String key, Collection<String> all) {
        return said(key, all.stream().map(n -> of("part.named").name("part", n)).toList());
    }

    public Reason pressure(String key, double pressurePa) {
        return with(key, new Amount(pressurePa, Kind.PRESSURE));
    }

    public Reason flow(String key, double flowM3s) {
        return with(key, new Amount(flowM3s, Kind.FLOW));
    }

    public Reason power(String key, double powerW) {
        return with(key, new Amount(powerW, Kind.POWER));
    }

    public Reason current(String key, double currentA) {
        return with(key, new Amount(currentA, Kind.CURRENT));
    }

    public Reason temperature(String key, double temperatureK) {
        return with(key, new Amount(temperatureK, Kind.TEMPERATURE));
    }

    public Reason warming(String key, double differenceK) {
        return with(key, new Amount(differenceK, Kind.WARMING));
    }

    public Reason ratio(String key, double ratio) {
        return with(key, new Amount(ratio, Kind.RATIO));
    }

    public Reason time(String key, double seconds) {
        return with(key, new Amount(seconds, Kind.TIME));
    }

    public Reason turns(String key, double turns) {
        return with(key, new Amount(turns, Kind.TURNS));
    }

    public Reason number(String key, double number) {
        return with(key, new Amount(number, Kind.NUMBER));
    }

    /** Every figure it speaks of, those of its phrases too, by name. */
    public Map<String, Amount> amounts() {
        Map<String, Amount> amounts = new TreeMap<>();
        values.forEach((key, value) -> {
            if (value instanceof Amount amount) {
                amounts.put(key, amount);
            } else if (value instanceof Said said) {
                said.parts().forEach(part -> amounts.putAll(part.amounts()));
            }
        });
        return amounts;
    }
}
