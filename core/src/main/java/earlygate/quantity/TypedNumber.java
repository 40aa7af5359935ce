package earlygate.quantity;

import java.util.regex.Pattern;

/**
 * A number as a gloved hand types it. A comma is a decimal point; everything else that isn't a plain number is refused
 * with the reason's code: {@code empty}, {@code not-a-number}, {@code negative}, {@code too-large}.
 */
public sealed interface TypedNumber {
    Pattern PLAIN = Pattern.compile("[+-]?(\\d+([.,]\\d*)?|[.,]\\d+)");

    record Accepted(double value) implements TypedNumber {}

    record Refused(String code, String typed, double limit) implements TypedNumber {}

    /** @param limit the largest value that can be meant, in the unit of the number typed */
    static TypedNumber parse(String typed, double limit) {
        String text = typed == null ? "" : typed.strip();
        if (text.isEmpty()) {
            return new Refused("empty", text, limit);
        }
        if (!PLAIN.matcher(text).matches()) {
            return new Refused("not-a-number", text, limit);
        }
        double value = Double.parseDouble(text.replace(',', '.'));
        if (value < 0) {
            return new Refused("negative", text, limit);
        }
        return value > limit ? new Refused("too-large", text, limit) : new Accepted(value);
    }
}
