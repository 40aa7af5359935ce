package earlygate.unit.file;

import earlygate.explain.Reason;
import earlygate.unit.Component;
import earlygate.unit.Gear;
import earlygate.unit.Line;
import earlygate.unit.PowerUnit;
import earlygate.unit.Situation;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import tools.jackson.databind.JsonNode;

/** Reads which test gear a situation has fitted, and where. */
final class GearInPlace {
    private static final String KEY = "gear";
    private static final Set<String> FITTED = Set.of("a", "b", "opening", "component");

    private final PowerUnit unit;
    private final JsonNode node;
    private final List<Problem> problems;

    GearInPlace(PowerUnit unit, JsonNode node, List<Problem> problems) {
        this.unit = unit;
        this.node = node;
        this.problems = problems;
    }

    private Set<Map.Entry<String, JsonNode>> entries() {
        JsonNode gear = node.path(KEY);
        if (node.has(KEY) && !gear.isObject()) {
            SituationFile.wrongKind(problems, "situation." + KEY, gear, "kind.gear");
            return Set.of();
        }
        return gear.properties();
    }

    Map<String, Situation.Between> loadValves() {
        Map<String, Situation.Between> fitted = new LinkedHashMap<>();
        entries().forEach(e -> {
            String path = "situation." + KEY + "." + e.getKey();
            JsonNode n = e.getValue();
            Optional<Gear> gear = unit.testGear().stream()
                    .filter(g -> g.id().equals(e.getKey()))
                    .findFirst();
            if (gear.isEmpty()) {
                problems.add(new Problem(path, Reason.of("situation.unknown").name("id", e.getKey())));
            } else if (!n.isObject()) {
                SituationFile.wrongKind(problems, path, n, "kind.gear");
            } else {
                SituationFile.unknownKeys(problems, path, n, FITTED);
                if (gear.get() instanceof Gear.LoadValve) {
                    fitted.put(
                            e.getKey(),
                            new Situation.Between(
                                    line(path + ".a", n.path("a").asString("")),
                                    line(path + ".b", n.path("b").asString(Line.TANK)),
                                    n.has("opening")
                                            ? SituationFile.within(problems, path + ".opening", n.path("opening"), 0, 1)
                                            : 0));
                }
            }
        });
        return fitted;
    }

    Map<String, String> flowMeters() {
        Map<String, String> fitted = new LinkedHashMap<>();
        Set<String> inSeries =
                unit.components().stream().map(Component::id).collect(Collectors.toCollection(LinkedHashSet::new));
        unit.testGear().forEach(g -> inSeries.add(g.id()));
        for (Gear g : unit.testGear()) {
            JsonNode n = node.path(KEY).path(g.id());
            if (g instanceof Gear.FlowMeter && n.isObject()) {
                String component = n.path("component").asString("");
                if (!inSeries.contains(component)) {
                    problems.add(new Problem(
                            "situation." + KEY + "." + g.id() + ".component",
                            Reason.of("situation.unknown").name("id", component)));
                }
                fitted.put(g.id(), component);
            }
        }
        return fitted;
    }

    private String line(String path, String id) {
        if (!id.equals(Line.TANK) && unit.lines().stream().noneMatch(l -> l.id().equals(id))) {
            problems.add(new Problem(path, Reason.of("situation.unknown").name("id", id)));
            return Line.TANK;
        }
        return id;
    }
}
