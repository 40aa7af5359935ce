package earlygate.server.upkeep;

import static earlygate.quantity.Si.ZERO_C;

import earlygate.quantity.Keyed;
import earlygate.upkeep.Cleanliness;
import earlygate.upkeep.Entry;
import earlygate.upkeep.Entry.Counter;
import earlygate.upkeep.Entry.Done;
import earlygate.upkeep.Entry.Indicator;
import earlygate.upkeep.Entry.Sample;
import earlygate.upkeep.Entry.Schedule;
import earlygate.upkeep.School;
import earlygate.upkeep.Task;
import java.util.EnumMap;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/** An entry's body as it is stored: hours, mm2/s, C, ppm, mg KOH/g. */
public final class UpkeepText {
    private static final double MM2_S = 1e-6;

    private UpkeepText() {}

    static String write(Entry.Body body) {
        ObjectNode node = JsonNodeFactory.instance.objectNode();
        if (body instanceof Counter c) {
            node.put("kind", "counter").put("hours", c.hours());
        } else if (body instanceof Done d) {
            node.put("kind", "done").put("task", d.task().key());
            d.note().ifPresent(n -> node.put("note", n));
        } else if (body instanceof Sample s) {
            node.put("kind", "sample");
            s.cleanliness().ifPresent(c -> node.put("cleanliness", c.code()));
            s.waterPpm().ifPresent(w -> node.put("waterPpm", w));
            s.viscosity40().ifPresent(v -> node.put("viscosity40", v / MM2_S));
            s.acid().ifPresent(a -> node.put("acid", a));
        } else if (body instanceof Indicator i) {
            node.put("kind", "indicator").put("filter", i.filter());
            node.put("state", i.state().key()).put("oilC", i.oil() - ZERO_C);
        } else if (body instanceof Schedule s) {
            node.put("kind", "schedule").put("school", s.school().key());
            ObjectNode days = node.putObject("days");
            s.days().forEach((task, n) -> days.put(task.key(), n));
            ObjectNode hours = node.putObject("everyHours");
            s.hours().forEach((task, n) -> hours.put(task.key(), n));
        }
        return node.toString();
    }

    /** Of one that was checked before it was stored. */
    static Entry.Body read(JsonNode node) {
        return switch (node.path("kind").asString()) {
            case "counter" -> new Counter(node.path("hours").asDouble());
            case "done" -> new Done(task(node.path("task").asString()), text(node, "note"));
            case "sample" ->
                new Sample(
                        Cleanliness.parse(node.path("cleanliness").asString("")),
                        number(node, "waterPpm", 1),
                        number(node, "viscosity40", MM2_S),
                        number(node, "acid", 1));
            case "indicator" ->
                new Indicator(
                        node.path("filter").asString(),
                        Keyed.of(Entry.State.class, node.path("state").asString()),
                        node.path("oilC").asDouble() + ZERO_C);
            case "schedule" ->
                new Schedule(
                        Keyed.of(School.class, node.path("school").asString()),
                        intervals(node.path("days")),
                        intervals(node.path("everyHours")));
            default ->
                throw new IllegalArgumentException(
                        "Unknown entry " + node.path("kind").asString());
        };
    }

    static Task task(String key) {
        return Keyed.of(Task.class, key);
    }

    private static Map<Task, Integer> intervals(JsonNode node) {
        Map<Task, Integer> intervals = new EnumMap<>(Task.class);
        node.properties()
                .forEach(e -> intervals.put(task(e.getKey()), e.getValue().asInt()));
        return intervals;
    }

    private static OptionalDouble number(JsonNode node, String key, double scale) {
        return node.path(key).isNumber()
                ? OptionalDouble.of(node.path(key).asDouble() * scale)
                : OptionalDouble.empty();
    }

    private static Optional<String> text(JsonNode node, String key) {
        return Optional.of(node.path(key).asString("")).map(String::strip).filter(t -> !t.isEmpty());
    }
}
