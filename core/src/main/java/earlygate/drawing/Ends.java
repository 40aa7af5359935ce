package earlygate.drawing;

import earlygate.unit.Line;
import earlygate.unit.file.UnitFile;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.function.UnaryOperator;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;
import tools.jackson.databind.node.StringNode;

/** Where parts of a unit file are joined to its lines. */
final class Ends {
    private static final String SIGNAL = "loadSense.signal";
    private static final String PORTS = "ports";

    private Ends() {}

    /** Keys of a part's ends that are joined to a line. */
    static List<String> on(JsonNode part, String line) {
        List<String> ends = new ArrayList<>();
        for (String key : UnitFile.LINE_KEYS) {
            if (part.path(key).asString("").equals(line)) {
                ends.add(key);
            }
        }
        if (part.path("loadSense").path("signal").asString("").equals(line)) {
            ends.add(SIGNAL);
        }
        if (part.path(PORTS).valueStream().anyMatch(p -> p.asString("").equals(line))) {
            ends.add(PORTS);
        }
        return ends;
    }

    /** All lines that a part joins, tank among them. */
    static Set<String> of(JsonNode part) {
        Set<String> lines = new LinkedHashSet<>();
        UnitFile.LINE_KEYS.stream()
                .map(key -> part.path(key).asString(""))
                .filter(l -> !l.isEmpty())
                .forEach(lines::add);
        String signal = part.path("loadSense").path("signal").asString("");
        if (!signal.isEmpty()) {
            lines.add(signal);
        }
        part.path(PORTS).forEach(p -> lines.add(p.asString("")));
        return lines;
    }

    static Set<String> withoutTank(JsonNode part) {
        Set<String> lines = of(part);
        lines.remove(Line.TANK);
        return lines;
    }

    /** Whether a part has such an end. */
    static boolean has(JsonNode part, String end) {
        return end.equals(SIGNAL)
                ? part.path("loadSense").isObject()
                : end.equals(PORTS) ? part.path(PORTS).isArray() : UnitFile.LINE_KEYS.contains(end) && part.has(end);
    }

    /** One end, from the line it is on to another. */
    static void move(ObjectNode part, String end, String from, String to) {
        switch (end) {
            case SIGNAL -> part.withObject("loadSense").put("signal", to);
            case PORTS -> ports(part, line -> line.equals(from) ? to : line);
            default -> part.put(end, to);
        }
    }

    /** Every end that is on a line to another. */
    static void moveAll(ObjectNode part, String from, String to) {
        on(part, from).forEach(end -> move(part, end, from, to));
    }

    private static void ports(ObjectNode part, UnaryOperator<String> to) {
        rename(part.path(PORTS), to);
        part.path("positions")
                .properties()
                .forEach(position -> position.getValue().forEach(pair -> rename(pair, to)));
    }

    private static void rename(JsonNode lines, UnaryOperator<String> to) {
        for (int i = 0; lines instanceof ArrayNode list && i < list.size(); i++) {
            if (list.get(i).isString()) {
                list.set(i, StringNode.valueOf(to.apply(list.get(i).asString())));
            }
        }
    }
}
