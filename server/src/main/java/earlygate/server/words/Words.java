package earlygate.server.words;

import earlygate.explain.Reason;
import earlygate.explain.Value;
import earlygate.explain.Value.Amount;
import earlygate.explain.Value.Name;
import earlygate.explain.Value.Said;
import earlygate.quantity.Measure;
import earlygate.quantity.PressureUnit;
import earlygate.quantity.Si;
import earlygate.unit.Control;
import earlygate.unit.file.Problem;
import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.Locale;
import java.util.Properties;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;

/** The one place where a {@link Reason} gets its sentence, with its figures in the units that the reader has chosen. */
public final class Words {
    private static final Properties SENTENCES = load();
    private static final Pattern SLOT = Pattern.compile("\\{(\\w+)}");
    private static final String[] SIXTEENTHS = {
        "", "1/16", "1/8", "3/16", "1/4", "5/16", "3/8", "7/16", "1/2", "9/16", "5/8", "11/16", "3/4", "13/16", "7/8",
        "15/16"
    };

    private final PressureUnit pressure;
    private final PressureUnit also;

    private Words(PressureUnit pressure, PressureUnit also) {
        this.pressure = pressure;
        this.also = also;
    }

    public static Words in(PressureUnit pressure) {
        return new Words(pressure, pressure);
    }

    /** As a gauge reads, with the unit that was chosen in brackets behind it where that is another. */
    public Words readIn(PressureUnit gauge) {
        return new Words(gauge, also);
    }

    /** The unit of pressures that the reader has chosen; with it go those of flow, power and temperature. */
    public PressureUnit chosen() {
        return also;
    }

    private static Properties load() {
        Properties words = new Properties();
        try (InputStream in = Words.class.getResourceAsStream("/words.properties")) {
            words.load(new InputStreamReader(in, StandardCharsets.UTF_8));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return words;
    }

    /** True when there is a sentence for this code. */
    public static boolean knows(String code) {
        return SENTENCES.containsKey(code);
    }

    public String say(Reason reason) {
        String sentence = SENTENCES.getProperty(reason.code());
        if (sentence == null) {
            throw new IllegalStateException("No words for " + reason.code());
        }
        Matcher slots = SLOT.matcher(sentence);
        StringBuilder said = new StringBuilder();
        while (slots.find()) {
            Value value = reason.values().get(slots.group(1));
            if (value == null) {
                throw new IllegalStateException(reason.code() + " has no value " + slots.group());
            }
            slots.appendReplacement(said, Matcher.quoteReplacement(say(value)));
        }
        slots.appendTail(said);
        return said.toString();
    }

    public String say(Problem problem) {
        return say(problem.reason());
    }

    private String say(Value value) {
        if (value instanceof Said phrases) {
            return phrases.parts().stream().map(this::say).collect(Collectors.joining(", "));
        }
        return value instanceof Amount a ? amount(a) : settingName(((Name) value).text());
    }

    /** A setting as people call it: {@code P1.compensator} is "P1 compensator". */
    public static String settingName(String id) {
        return Control.in(id)
                .map(c -> SENTENCES.getProperty("control." + c.control().key()).replace("{part}", c.part()))
                .orElse(id);
    }

    public String amount(Amount a) {
        return switch (a.kind()) {
            case PRESSURE -> pressure.show(a.si()) + (also == pressure ? "" : " (" + also.show(a.si()) + ")");
            case FLOW -> beside(Measure.FLOW, "%.1f ", "L/min", a.si() / Si.LPM);
            case POWER -> beside(Measure.POWER, "%.1f ", "kW", a.si() / Si.KW);
            case CURRENT -> format("%.1f A", a.si());
            case TEMPERATURE -> beside(Measure.TEMPERATURE, "%.0f ", "°C", a.si() - Si.ZERO_C);
            case WARMING -> beside(Measure.WARMING, "%.0f ", "K", a.si());
            case RATIO -> format("%.0f %%", a.si() * 100);
            case TIME -> a.si() < 90 ? format("%.0f s", a.si()) : format("%.0f min", a.si() / 60);
            case TURNS -> turns(a.si());
            case SPEED -> format("%.0f rpm", a.si() / Si.RPM);
            case NUMBER -> format(number(a.si()), a.si());
        };
    }

    /** Whole ones as they are; what is smaller than a hundredth is not said as nothing. */
    private static String number(double value) {
        if (value == Math.rint(value)) {
            return "%.0f";
        }
        boolean tenths = Math.abs(10 * value - Math.rint(10 * value)) < 1e-9;
        return tenths ? "%.1f" : Math.abs(value) < 0.01 ? "%.3f" : "%.2f";
    }

    /** Of what no gauge of its own reads: in the unit that goes with the pressures that were chosen. */
    private String beside(Measure measure, String pattern, String unit, double value) {
        String there = measure.beside(also, unit);
        return format(pattern, measure.convert(value, unit, there)) + there;
    }

    /** In which those read flows who read these pressures. */
    public String flowUnit() {
        return Measure.FLOW.beside(also, "L/min");
    }

    /** Turns as a hand counts them: whole turns and sixteenths, outward ones with a minus. */
    public static String turns(double turns) {
        long sixteenths = Math.round(Math.abs(turns) * 16);
        long whole = sixteenths / 16;
        String part = SIXTEENTHS[(int) (sixteenths % 16)];
        if (sixteenths == 0) {
            return "no turn";
        }
        String number = whole == 0 ? part : part.isEmpty() ? "" + whole : whole + " " + part;
        return (turns < 0 ? "−" : "") + number + (sixteenths > 16 ? " turns" : " turn");
    }

    private static String format(String pattern, double value) {
        return String.format(Locale.ROOT, pattern, value);
    }
}
