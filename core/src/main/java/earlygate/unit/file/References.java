package earlygate.unit.file;

import earlygate.explain.Reason;
import earlygate.unit.Control;
import earlygate.unit.Line;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Stream;
import tools.jackson.databind.JsonNode;

/** What a schema can't say of a unit file: names that must exist, exist once, and numbers that must be in order. */
final class References {
    private final JsonNode unit;
    private final List<Problem> problems = new ArrayList<>();
    private final Set<String> lines = new TreeSet<>();
    private final Map<String, JsonNode> components = new LinkedHashMap<>();
    private final Set<String> settings = new TreeSet<>();

    private References(JsonNode unit) {
        this.unit = unit;
    }

    static List<Problem> check(JsonNode unit) {
        References check = new References(unit);
        check.names();
        check.components();
        check.outside();
        return check.problems;
    }

    private void names() {
        Set<String> seen = new HashSet<>();
        each("lines", (path, line) -> {
            unique(seen, path, line);
            if (line.path("id").asString("").equals(Line.TANK)) {
                add(path + ".id", Reason.of("file.tank-is-given"));
            }
            lines.add(line.path("id").asString(""));
        });
        lines.add(Line.TANK);
        each("components", (path, c) -> {
            unique(seen, path, c);
            String id = c.path("id").asString("");
            components.put(id, c);
            if (ComponentKind.of(c).set()) {
                settings.add(id);
            }
            Stream.of(Control.values())
                    .filter(control -> c.has(control.key()))
                    .forEach(control -> settings.add(control.of(id)));
        });
        each("testPoints", (path, t) -> unique(seen, path, t));
        each("testGear", (path, t) -> unique(seen, path, t));
    }

    private void components() {
        each("components", (path, c) -> {
            for (String key : UnitFile.LINE_KEYS) {
                line(path, c, key);
            }
            same(path, c, "inlet", "outlet");
            same(path, c, "a", "b");
            screw(path, c);
            for (Control control : Control.values()) {
                screw(path + "." + control.key(), c.path(control.key()));
            }
            line(path + ".loadSense", c.path("loadSense"), "signal");
            same(path, c, "cap", "rod");
            below(path, c, "rodMm", "boreMm");
            below(path, c, "crackingBar", "ratedDropBar");
            positions(path, c);
            below(path, c, "minStroke", "maxStroke");
            below(path, c, "ratedSpeedRpm", "syncSpeedRpm");
            below(path, c, "noLoadCurrentA", "ratedCurrentA");
            if (c.path("type").asString("").equals("pump") && c.has("driver")) {
                driver(path, c.path("driver").asString(""));
            }
        });
    }

    /** A directional valve's ports and pairs are lines, its start is one of its positions. */
    private void positions(String path, JsonNode c) {
        if (!c.path("type").asString("").equals("directional-valve")) {
            return;
        }
        Set<String> ports = new TreeSet<>();
        int i = 0;
        for (JsonNode port : c.path("ports")) {
            if (!lines.contains(port.asString(""))) {
                add(path + ".ports[" + i + "]", unknown("file.unknown-line", port.asString(""), lines));
            }
            ports.add(port.asString(""));
            i++;
        }
        JsonNode positions = c.path("positions");
        if (positions.isObject() && !positions.has(c.path("start").asString(""))) {
            Set<String> known = new TreeSet<>(positions.propertyNames());
            add(
                    path + ".start",
                    unknown("file.unknown-position", c.path("start").asString(""), known));
        }
        positions
                .properties()
                .forEach(e -> e.getValue()
                        .forEach(pair -> pair.forEach(end -> {
                            if (!ports.contains(end.asString(""))) {
                                add(
                                        path + ".positions." + e.getKey(),
                                        unknown("file.unknown-port", end.asString(""), ports));
                            }
                        })));
    }

    private void outside() {
        JsonNode band = unit.path("fluid").path("bandC");
        if (band.size() == 2 && band.path(0).asDouble(0) >= band.path(1).asDouble(0)) {
            add("fluid.bandC", Reason.of("file.range-order").name("value", band.toString()));
        }
        each("testPoints", (path, t) -> {
            line(path, t, "line");
            if (t.has("component")
                    && !components.containsKey(t.path("component").asString(""))) {
                add(
                        path + ".component",
                        unknown("file.unknown-component", t.path("component").asString(""), components.keySet()));
            }
            if (t.has("driver")) {
                driver(path, t.path("driver").asString(""));
            }
        });
        each("work", (path, w) -> line(path, w, "line"));
        Set<String> targeted = new HashSet<>();
        each("targets", (path, t) -> {
            String id = t.path("setting").asString("");
            if (!settings.contains(id)) {
                add(path + ".setting", unknown("file.unknown-setting", id, settings));
            } else if (!targeted.add(id)) {
                add(path + ".setting", Reason.of("file.twice").name("id", id));
            }
            targetKind(path, t, id);
        });
    }

    /** A flow is asked in L/min, a power limit in kW, everything else in bar. */
    private void targetKind(String path, JsonNode t, String setting) {
        Optional<Control> control = Control.in(setting).map(Control.Place::control);
        boolean flow = control.filter(Control.MAX_FLOW::equals).isPresent()
                || components.containsKey(setting)
                        && Fields.text(components.get(setting), "type").equals("flow-control");
        boolean power = control.filter(Control.POWER_LIMITER::equals).isPresent();
        String fits = flow ? "flowLpm" : power ? "limitKw" : "pressureBar";
        if (settings.contains(setting) && !t.has(fits)) {
            add(path, Reason.of("file.target-kind").name("setting", setting).name("key", fits));
        }
    }

    private void driver(String path, String id) {
        JsonNode named = components.get(id);
        if (named == null || !ComponentKind.of(named).drives()) {
            Set<String> drivers = new TreeSet<>();
            components.forEach((key, c) -> {
                if (ComponentKind.of(c).drives()) {
                    drivers.add(key);
                }
            });
            add(path + ".driver", unknown("file.unknown-driver", id, drivers));
        }
    }

    private void line(String path, JsonNode node, String key) {
        if (node.path(key).isString() && !lines.contains(node.path(key).asString())) {
            add(path + "." + key, unknown("file.unknown-line", node.path(key).asString(), lines));
        }
    }

    private void same(String path, JsonNode node, String one, String other) {
        if (node.has(one) && node.path(one).equals(node.path(other))) {
            add(
                    path + "." + other,
                    Reason.of("file.same-line").name("id", node.path(one).asString("")));
        }
    }

    private void screw(String path, JsonNode node) {
        JsonNode range = node.path("rangeBar");
        if (range.isArray()
                && range.size() == 2
                && range.path(0).asDouble(0) >= range.path(1).asDouble(0)) {
            add(path + ".rangeBar", Reason.of("file.range-order").name("value", range.toString()));
        }
    }

    private void below(String path, JsonNode node, String low, String high) {
        JsonNode a = node.path(low);
        JsonNode b = node.path(high);
        if (a.isNumber() && b.isNumber() && a.doubleValue() >= b.doubleValue()) {
            add(
                    path + "." + low,
                    Reason.of("file.not-below")
                            .name("value", a.asString())
                            .name("key", high)
                            .name("limit", b.asString()));
        }
    }

    private void unique(Set<String> seen, String path, JsonNode node) {
        String id = node.path("id").asString("");
        if (!id.isEmpty() && !seen.add(id)) {
            add(path + ".id", Reason.of("file.twice").name("id", id));
        }
    }

    private static Reason unknown(String code, String id, Set<String> known) {
        Reason unknown = Reason.of(code).name("id", id);
        return known.isEmpty()
                ? unknown.said("known", Reason.of("part.none"))
                : unknown.name("known", String.join(", ", known));
    }

    private void add(String path, Reason reason) {
        problems.add(new Problem(path, reason));
    }

    private void each(String key, Visit visit) {
        int i = 0;
        for (JsonNode node : unit.path(key)) {
            visit.at(key + "[" + i++ + "]", node);
        }
    }

    private interface Visit {
        void at(String path, JsonNode node);
    }
}
