package earlygate.unit.file;

import static earlygate.quantity.Si.BAR;

import earlygate.unit.Screw;
import java.util.Optional;
import java.util.OptionalDouble;
import tools.jackson.databind.JsonNode;

/** What every reader of a unit file does with a key, and the defaults that several kinds share. */
final class Fields {
    private Fields() {}

    static String text(JsonNode n, String key) {
        return textOr(n, key, "");
    }

    static String textOr(JsonNode n, String key, String fallback) {
        return n.path(key).asString(fallback);
    }

    static double number(JsonNode n, String key, double fallback) {
        return n.path(key).asDouble(fallback);
    }

    static Optional<String> optional(JsonNode n, String key) {
        return n.has(key) ? Optional.of(text(n, key)) : Optional.empty();
    }

    static OptionalDouble optionalNumber(JsonNode n, String key, double factor) {
        return n.has(key) ? OptionalDouble.of(n.path(key).doubleValue() * factor) : OptionalDouble.empty();
    }

    /** A screw of a flow or a power, with its range given; by default in six turns. */
    static Screw screw(JsonNode n, String rangeKey, String slopeKey, double factor) {
        double min = n.path(rangeKey).get(0).doubleValue();
        double max = n.path(rangeKey).get(1).doubleValue();
        return new Screw(min * factor, max * factor, number(n, slopeKey, (max - min) / 6) * factor, text(n, "wrench"));
    }

    /** Where the schematic gives no range, from a twentieth of {@code topBar} to it in six turns. */
    static Screw screw(JsonNode n, double topBar) {
        JsonNode range = n.path("rangeBar");
        double min = range.isMissingNode() ? topBar / 20 : range.get(0).doubleValue();
        double max = range.isMissingNode() ? topBar : range.get(1).doubleValue();
        return new Screw(min * BAR, max * BAR, number(n, "barPerTurn", (max - min) / 6) * BAR, text(n, "wrench"));
    }
}
