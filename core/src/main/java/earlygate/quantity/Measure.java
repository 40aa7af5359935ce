package earlygate.quantity;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
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
    VOLUME("L 1", "mL 0.001", "dm3 1", "gal 3.785411784", "m3 1000"),
    TIME("s 1", "min 60"),
    GRADE("cSt 1", "mm2/s 1"),
    PERCENT("% 1"),
    FORCE("N 1", "kN 1000", "lbf 4.4482216152605", "kgf 9.80665"),
    LENGTH("mm 1", "cm 10", "m 1000", "in 25.4"),
    TORQUE("N·m 1", "Nm 1", "lbf·ft 1.3558179483314", "lbf-ft 1.3558179483314"),
    TEMPERATURE("C 1", "°C 1", "F 0.55555555555556 -17.777777777778", "°F 0.55555555555556 -17.777777777778"),
    /** A difference of temperatures. */
    WARMING("K 1", "°F 0.55555555555556", "F 0.55555555555556");

    private static final Pattern TYPED =
            Pattern.compile("([+-]?)([0-9.,]+)(\\s*)([\\p{Alpha}°][\\p{Alnum}/³·-]*|%|1/min)?");

    /** Of the unit of the file so many and a bit: what it is there is {@code factor} times the number plus {@code zero}. */
    public record Scale(double factor, double zero) {}

    private final Map<String, Scale> units = new LinkedHashMap<>();

    Measure(String... units) {
        for (String u : units) {
            String[] said = u.split(" ");
            double zero = said.length > 2 ? Double.parseDouble(said[2]) : 0;
            this.units.put(said[0], new Scale(Double.parseDouble(said[1]), zero));
        }
    }

    /** Which of them has a unit of this name; empty for a bare number, or one that nobody types otherwise. */
    public static Optional<Measure> of(String unit) {
        return Arrays.stream(values()).filter(m -> m.scale(unit).isPresent()).findFirst();
    }

    /** @throws java.util.NoSuchElementException for a unit that is none of its own */
    public double convert(double value, String from, String to) {
        Scale there = scale(from).orElseThrow();
        Scale here = scale(to).orElseThrow();
        return (value * there.factor() + there.zero() - here.zero()) / here.factor();
    }

    /**
     * The unit in which people who read pressures in {@code pressure} have this: with psi go gallons, horsepower, degrees
     * Fahrenheit and pounds. What has none of its own there keeps {@code unit}.
     */
    public String beside(PressureUnit pressure, String unit) {
        if (this == PRESSURE) {
            return pressure.label();
        }
        if (pressure != PressureUnit.PSI) {
            return unit;
        }
        return switch (this) {
            case FLOW -> "gpm";
            case POWER -> "hp";
            case FORCE -> "lbf";
            case TEMPERATURE, WARMING -> "°F";
            default -> unit;
        };
    }

    /** All its units by name, the one of the unit file first. */
    public Map<String, Scale> scales() {
        return Collections.unmodifiableMap(units);
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
        return parse(typed, units().get(0), least, most);
    }

    /** @param bare the unit of a number without one, of the limits and of the answer */
    public TypedNumber parse(String typed, String bare, double least, double most) {
        String text = typed == null ? "" : typed.strip();
        Matcher m = TYPED.matcher(text);
        if (text.isEmpty() || !m.matches()) {
            return new TypedNumber.Refused(text.isEmpty() ? "empty" : "not-a-number", text, most);
        }
        String unit = m.group(4) == null ? bare : m.group(4);
        if (scale(unit).isEmpty()) {
            // Written together it is a slip of the finger, "1OO"; apart a unit of something else.
            return m.group(3).isEmpty()
                    ? new TypedNumber.Refused("not-a-number", text, most)
                    : new TypedNumber.Refused("unknown-unit", unit, most);
        }
        TypedNumber number = TypedNumber.parse(m.group(2), Double.MAX_VALUE);
        if (!(number instanceof TypedNumber.Accepted a)) {
            return new TypedNumber.Refused(((TypedNumber.Refused) number).code(), text, most);
        }
        double there = m.group(1).equals("-") ? -a.value() : a.value();
        double value = Math.round(convert(there, unit, bare) * 1e6) / 1e6;
        if (value < 0 && least >= 0) {
            return new TypedNumber.Refused("negative", text, most);
        }
        if (value > most || value < least) {
            return new TypedNumber.Refused(value > most ? "too-large" : "too-small", text, value > most ? most : least);
        }
        return new TypedNumber.Accepted(value);
    }

    private Optional<Scale> scale(String unit) {
        return units.entrySet().stream()
                .filter(e -> e.getKey().toLowerCase(Locale.ROOT).equals(unit.toLowerCase(Locale.ROOT)))
                .map(Map.Entry::getValue)
                .findFirst();
    }
}
