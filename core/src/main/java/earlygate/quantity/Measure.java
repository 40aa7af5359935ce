package earlygate.quantity;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * What a number on a plate or a drawing measures, and the units in which paper has it. The first of them is that of the
 * unit file; a number without a unit is in it. Factors: SI Brochure, 9th edition; inch, pound and gallon (US) by NIST
 * SP 811.
 */
public enum Measure implements Keyed {
    PRESSURE("bar 1", "psi 0.06894757293168", "MPa 10", "kPa 0.01"),
    FLOW("L/min 1", "gpm 3.785411784", "L/s 60", "m3/h 16.666666666667"),
    DISPLACEMENT("cm³ 1", "cm3 1", "cc 1", "in³ 16.387064", "in3 16.387064"),
    POWER("kW 1", "hp 0.745699872", "PS 0.73549875", "W 0.001"),
    SPEED("rpm 1", "rev/min 1", "1/min 1"),
    CURRENT("A 1"),
    VOLTAGE("V 1"),
    VOLUME("L 1", "dm3 1", "gal 3.785411784", "m3 1000"),
    TIME("s 1", "min 60"),
    GRADE("cSt 1", "mm2/s 1"),
    PERCENT("% 1");

    private static final Pattern TYPED = Pattern.compile("([+-]?[0-9.,]+)\\s*(\\p{Alpha}[\\p{Alnum}/³]*|%|1/min)?");

    private final Map<String, Double> units = new LinkedHashMap<>();

    Measure(String... units) {
        for (String u : units) {
            int gap = u.indexOf(' ');
            this.units.put(u.substring(0, gap), Double.parseDouble(u.substring(gap + 1)));
        }
    }

    /** The one of the unit file first. */
    public List<String> units() {
        return new ArrayList<>(units.keySet());
    }

    /**
     * What a hand typed or copied: {@code 160}, {@code 2320 psi}, {@code 2,9}. Refused with the codes of
     * {@link TypedNumber}, and {@code unknown-unit}.
     *
     * @param least with {@code most} what can be meant, in the unit of the unit file
     */
    public TypedNumber parse(String typed, double least, double most) {
        String text = typed == null ? "" : typed.strip();
        Matcher m = TYPED.matcher(text);
        if (text.isEmpty() || !m.matches()) {
            return new TypedNumber.Refused(text.isEmpty() ? "empty" : "not-a-number", text, most);
        }
        double factor = factor(m.group(2));
        if (factor == 0) {
            return new TypedNumber.Refused("unknown-unit", m.group(2), most);
        }
        TypedNumber number = TypedNumber.parse(m.group(1), Double.MAX_VALUE);
        if (!(number instanceof TypedNumber.Accepted a)) {
            return new TypedNumber.Refused(((TypedNumber.Refused) number).code(), text, most);
        }
        double value = Math.round(a.value() * factor * 1e6) / 1e6;
        if (value > most || value < least) {
            return new TypedNumber.Refused(value > most ? "too-large" : "too-small", text, value > most ? most : least);
        }
        return new TypedNumber.Accepted(value);
    }

    private double factor(String unit) {
        if (unit == null) {
            return 1;
        }
        return units.entrySet().stream()
                .filter(e -> e.getKey().toLowerCase(Locale.ROOT).equals(unit.toLowerCase(Locale.ROOT)))
                .mapToDouble(Map.Entry::getValue)
                .findFirst()
                .orElse(0);
    }
}
