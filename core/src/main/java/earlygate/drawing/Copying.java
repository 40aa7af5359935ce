package earlygate.drawing;

import earlygate.drawing.DrawingEdit.Made;
import earlygate.explain.Reason;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.Set;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * One more of a part, with a line of its own for every line that only it and what hangs on it join: a second section
 * comes with its cylinder, a second branch with all that is on it. Every figure is as the first one's until confirmed.
 */
final class Copying {
    private final Canvas paper;
    private final Map<String, String> lines = new LinkedHashMap<>();

    Copying(Canvas paper) {
        this.paper = paper;
    }

    Made second(ObjectNode part) {
        String id = Canvas.id(part);
        Set<String> own = own(part);
        List<ObjectNode> hanging = paper.all("components")
                .filter(c -> !Canvas.id(c).equals(id))
                .filter(c -> !Ends.withoutTank(c).isEmpty() && own.containsAll(Ends.withoutTank(c)))
                .toList();
        own.forEach(this::line);
        String made = copy(part);
        hanging.forEach(this::copy);
        return new Made(made, Reason.of("drawing.second").name("id", made).name("like", id));
    }

    /** Lines that nothing feeds or joins but this part and what stands on them alone. */
    private Set<String> own(ObjectNode part) {
        Set<String> own = new LinkedHashSet<>(Ends.withoutTank(part));
        own.removeIf(l -> !paper.isLine(l)
                || paper.isPumpLine(l)
                || Ends.on(part, l).stream().anyMatch(Copying::isFed));
        boolean shrunk = true;
        while (shrunk) {
            shrunk = own.removeIf(l -> paper.all("components")
                    .filter(c -> c != part && !Ends.on(c, l).isEmpty())
                    .anyMatch(c -> !own.containsAll(Ends.withoutTank(c))));
        }
        return own;
    }

    /** Ends through which a part is fed or told: those stay where they are. */
    private static boolean isFed(String end) {
        return Set.of("inlet", "a", "supply", "return", "signal", "pilot", "drain", "line", "cap")
                .contains(end);
    }

    private void line(String id) {
        String name = paper.like(id);
        ObjectNode old = paper.find("lines", id).orElseThrow();
        lines.put(id, name);
        paper.draft()
                .line(
                        name,
                        "like " + id,
                        OptionalDouble.empty(),
                        paper.rating(id),
                        old.path("volumeL").asDouble(1));
        List<ObjectNode> gauges = paper.all("testPoints")
                .filter(t -> t.path("line").asString("").equals(id))
                .toList();
        for (ObjectNode g : gauges) {
            ObjectNode copy = g.deepCopy();
            copy.put("id", paper.isFree("G" + name) ? "G" + name : paper.numbered("G"));
            copy.put("line", name);
            paper.unit().withArray("testPoints").add(copy);
        }
    }

    private String copy(ObjectNode part) {
        String old = Canvas.id(part);
        String id = paper.like(old);
        ObjectNode copy = part.deepCopy();
        copy.put("id", id);
        lines.forEach((from, to) -> Ends.moveAll(copy, from, to));
        paper.unit().withArray("components").add(copy);
        figures("components." + id, copy);
        List<ObjectNode> targets = paper.all("targets")
                .filter(t -> Canvas.isOf(old, t.path("setting").asString("")))
                .toList();
        for (ObjectNode t : targets) {
            ObjectNode target = t.deepCopy();
            String setting = id + t.path("setting").asString("").substring(old.length());
            target.put("setting", setting);
            paper.unit().withArray("targets").add(target);
            figures("targets." + setting, target);
        }
        return id;
    }

    private void figures(String path, JsonNode node) {
        node.properties().forEach(e -> {
            String at = path + "." + e.getKey();
            if (e.getValue().isNumber()
                    || e.getValue().isArray() && e.getValue().path(0).isNumber()) {
                paper.draft().assumed(at);
            } else if (e.getValue().isObject() && !e.getKey().equals("positions")) {
                figures(at, e.getValue());
            }
        });
    }
}
