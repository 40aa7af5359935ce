package earlygate.server.journal;

import earlygate.server.store.Sha256;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Collectors;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.JsonNodeFactory;

/** The hash of a sheet, the same however it is written: keys in their order, numbers as they are worth. */
public final class SheetSeal {
    private SheetSeal() {}

    public static String of(JsonNode sheet) {
        return Sha256.of(canonical(sheet));
    }

    private static String canonical(JsonNode node) {
        if (node.isObject()) {
            Map<String, JsonNode> sorted = new TreeMap<>();
            node.properties().forEach(e -> sorted.put(e.getKey(), e.getValue()));
            return sorted.entrySet().stream()
                    .map(e -> JsonNodeFactory.instance.stringNode(e.getKey()) + ":" + canonical(e.getValue()))
                    .collect(Collectors.joining(",", "{", "}"));
        }
        if (node.isArray()) {
            return node.valueStream().map(SheetSeal::canonical).collect(Collectors.joining(",", "[", "]"));
        }
        return node.isNumber() ? Double.toString(node.doubleValue()) : node.toString();
    }
}
