package earlygate.pattern;

import java.util.List;
import java.util.OptionalDouble;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** An entry of a unit file while it is drawn; what nobody has said of it is noted. */
final class Part {
    private final ObjectNode node;
    private final String path;
    private final List<String> assumed;

    Part(ObjectNode node, String path, List<String> assumed) {
        this.node = node;
        this.path = path;
        this.assumed = assumed;
    }

    Part set(String key, String text) {
        node.put(key, text);
        return this;
    }

    Part set(String key, double value) {
        if (value == Math.rint(value) && Math.abs(value) < 1e9) {
            node.put(key, (long) value);
        } else {
            node.put(key, value);
        }
        return this;
    }

    Part set(String key, boolean value) {
        node.put(key, value);
        return this;
    }

    Part assume(String key, double value) {
        assumed.add(path + "." + key);
        return set(key, value);
    }

    Part assume(String key, double low, double high) {
        assumed.add(path + "." + key);
        node.putArray(key).add(low).add(high);
        return this;
    }

    /** As answered, or else assumed. */
    Part answered(String key, OptionalDouble answer, double otherwise) {
        return answer.isPresent() ? set(key, answer.getAsDouble()) : assume(key, otherwise);
    }

    Part group(String key) {
        return new Part(node.putObject(key), path + "." + key, assumed);
    }

    ArrayNode list(String key) {
        return node.putArray(key);
    }

    ObjectNode node() {
        return node;
    }
}
