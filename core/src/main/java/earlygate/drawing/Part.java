package earlygate.drawing;

import java.util.List;
import java.util.OptionalDouble;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** An entry of a unit file while it is drawn; what nobody has said of it is noted. */
public final class Part {
    private final ObjectNode node;
    private final String path;
    private final List<String> assumed;

    Part(ObjectNode node, String path, List<String> assumed) {
        this.node = node;
        this.path = path;
        this.assumed = assumed;
    }

    public Part set(String key, String text) {
        node.put(key, text);
        return this;
    }

    public Part set(String key, double value) {
        if (value == Math.rint(value) && Math.abs(value) < 1e9) {
            node.put(key, (long) value);
        } else {
            node.put(key, value);
        }
        return this;
    }

    public Part set(String key, boolean value) {
        node.put(key, value);
        return this;
    }

    public Part assume(String key, double value) {
        assumed.add(path + "." + key);
        return set(key, value);
    }

    public Part assume(String key, double low, double high) {
        assumed.add(path + "." + key);
        node.putArray(key).add(low).add(high);
        return this;
    }

    /** As answered, or else assumed. */
    public Part answered(String key, OptionalDouble answer, double otherwise) {
        return answer.isPresent() ? set(key, answer.getAsDouble()) : assume(key, otherwise);
    }

    public Part group(String key) {
        return new Part(node.putObject(key), path + "." + key, assumed);
    }

    public ArrayNode list(String key) {
        return node.putArray(key);
    }

    public ObjectNode node() {
        return node;
    }
}
