package earlygate.unit.file;

import static earlygate.quantity.Si.BAR;
import static earlygate.quantity.Si.KW;
import static earlygate.quantity.Si.LPM;
import static earlygate.quantity.Si.RPM;
import static earlygate.quantity.Si.ZERO_C;

import earlygate.explain.Reason;
import earlygate.unit.Component;
import earlygate.unit.Cylinder;
import earlygate.unit.Driver;
import earlygate.unit.HydraulicMotor;
import earlygate.unit.Positioned;
import earlygate.unit.PowerUnit;
import earlygate.unit.Pump;
import earlygate.unit.ReliefValve;
import earlygate.unit.Situation;
import earlygate.unit.Throttle;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * Reads and writes a {@link Situation} as the calculation API has it, in bar, rpm and C. Read as strictly as a unit file:
 * an unknown key, a value of the wrong kind or a name the unit doesn't have is a problem, wherever it stands.
 */
public final class SituationFile {
    private static final Set<String> KEYS = Set.of(
            "drivers",
            "openings",
            "positions",
            "settings",
            "vented",
            "blocked",
            "suctionShut",
            "oilC",
            "pressures",
            "gear");

    /** Objects that a change replaces whole. */
    private static final Set<String> HELD = Set.of("pressures", "gear");

    private static final Set<String> DRIVE = Set.of("running", "speedRpm");

    private final PowerUnit unit;
    private final JsonNode node;
    private final List<Problem> problems;

    private SituationFile(PowerUnit unit, JsonNode node, List<Problem> problems) {
        this.unit = unit;
        this.node = node;
        this.problems = problems;
    }

    /**
     * A change put over a situation: what it says of drivers, openings, positions and settings is added to what stood;
     * its lists and its held pressures stand in place of those before, so that an empty one shuts and lets go.
     */
    public static JsonNode changed(JsonNode before, JsonNode change) {
        if (!before.isObject() || !change.isObject()) {
            return change.isObject() ? change : before;
        }
        ObjectNode after = (ObjectNode) before.deepCopy();
        change.properties().forEach(e -> {
            JsonNode stood = after.path(e.getKey());
            boolean adds = stood.isObject() && e.getValue().isObject() && !HELD.contains(e.getKey());
            if (adds) {
                e.getValue().properties().forEach(one -> ((ObjectNode) stood).set(one.getKey(), one.getValue()));
            } else {
                after.set(e.getKey(), e.getValue());
            }
        });
        return after;
    }

    /** Problems are added to the list given; the situation is only good when none were. */
    public static Situation read(PowerUnit unit, JsonNode node, List<Problem> problems) {
        return new SituationFile(unit, node, problems).read();
    }

    private Situation read() {
        if (node.isMissingNode() || node.isNull()) {
            return Situation.AS_THE_FILE;
        }
        if (!node.isObject()) {
            problems.add(new Problem("situation", Reason.of("situation.not-object")));
            return Situation.AS_THE_FILE;
        }
        unknownKeys("situation", node, KEYS);
        GearInPlace gear = new GearInPlace(unit, node, problems);
        Map<String, Double> openings =
                numbers("openings", id -> unit.all(Throttle.class).stream().anyMatch(t -> t.id().equals(id)), 0, 1);
        Map<String, Double> settings =
                numbers("settings", id -> unit.settings().stream().anyMatch(s -> s.id().equals(id)), 0, 1000);
        Map<String, Double> pressures =
                numbers("pressures", id -> unit.lines().stream().anyMatch(l -> l.id().equals(id)), 0, 1000);
        settings.replaceAll((id, value) -> value * factor(unit, id));
        pressures.replaceAll((id, bar) -> bar * BAR);
        Set<String> actuators = ids(c -> c instanceof Cylinder || c instanceof HydraulicMotor);
        return new Situation(
                drivers(),
                openings,
                positions(),
                settings,
                names("vented", ids(c -> c instanceof ReliefValve r && r.vent())),
                node.has("blocked") ? Optional.of(names("blocked", actuators)) : Optional.empty(),
                names("suctionShut", ids(Pump.class::isInstance)),
                pressures,
                oil(),
                gear.loadValves(),
                gear.flowMeters());
    }

    private Set<String> ids(Predicate<Component> which) {
        return unit.components().stream()
                .filter(which)
                .map(Component::id)
                .collect(Collectors.toCollection(LinkedHashSet::new));
    }

    private Set<String> names(String key, Set<String> known) {
        Set<String> names = new LinkedHashSet<>();
        JsonNode list = node.path(key);
        if (node.has(key) && !list.isArray()) {
            wrongKind("situation." + key, list, "kind.names");
            return names;
        }
        for (int i = 0; i < list.size(); i++) {
            JsonNode n = list.get(i);
            String path = "situation." + key + "[" + i + "]";
            if (!n.isString()) {
                wrongKind(path, n, "kind.name");
            } else if (!known.contains(n.asString())) {
                problems.add(new Problem(path, Reason.of("situation.unknown").name("id", n.asString())));
            } else {
                names.add(n.asString());
            }
        }
        return names;
    }

    /** What stands under a key as an object; nothing where it is left out or of the wrong kind. */
    private Set<Map.Entry<String, JsonNode>> entries(String key, String of) {
        JsonNode object = node.path(key);
        if (node.has(key) && !object.isObject()) {
            wrongKind("situation." + key, object, of);
            return Set.of();
        }
        return object.properties();
    }

    /** @param fits code of the phrase for what would fit */
    private void wrongKind(String path, JsonNode value, String fits) {
        wrongKind(problems, path, value, fits);
    }

    static void wrongKind(List<Problem> problems, String path, JsonNode value, String fits) {
        String text = value.toString();
        problems.add(new Problem(
                path,
                Reason.of("file.wrong-type")
                        .name("value", text.length() > 60 ? text.substring(0, 60) + "..." : text)
                        .said("fits", Reason.of(fits))));
    }

    private Map<String, String> positions() {
        Map<String, String> chosen = new LinkedHashMap<>();
        entries("positions", "kind.positions").forEach(e -> {
            Collection<String> known = positionsOf(e.getKey());
            String position = e.getValue().asString("");
            if (!e.getValue().isString()) {
                wrongKind("situation.positions." + e.getKey(), e.getValue(), "kind.position");
                return;
            }
            if (!known.contains(position)) {
                Reason unknown = Reason.of(known.isEmpty() ? "situation.no-positions" : "situation.position")
                        .name("id", e.getKey())
                        .name("value", position)
                        .name("fits", String.join(", ", known));
                problems.add(new Problem("situation.positions." + e.getKey(), unknown));
            }
            chosen.put(e.getKey(), position);
        });
        return chosen;
    }

    private List<String> positionsOf(String id) {
        return unit.all(Positioned.class).stream()
                .filter(v -> v.id().equals(id))
                .flatMap(v -> v.positionNames().stream())
                .toList();
    }

    /** SI per unit of the file for a setting: bar, kW for a power limiter, L/min for a flow. */
    public static double factor(PowerUnit unit, String setting) {
        return switch (unit.setting(setting).kind()) {
            case POWER_LIMITER -> KW;
            case FLOW -> LPM;
            default -> BAR;
        };
    }

    private Map<String, Situation.Drive> drivers() {
        Map<String, Situation.Drive> drivers = new LinkedHashMap<>();
        entries("drivers", "kind.drivers").forEach(e -> {
            String path = "situation.drivers." + e.getKey();
            if (unit.all(Driver.class).stream().noneMatch(m -> m.id().equals(e.getKey()))) {
                problems.add(new Problem(path, Reason.of("situation.unknown").name("id", e.getKey())));
            } else if (!e.getValue().isObject()) {
                wrongKind(path, e.getValue(), "kind.driver");
            } else {
                drivers.put(e.getKey(), drive(path, e.getValue()));
            }
        });
        return drivers;
    }

    private Situation.Drive drive(String path, JsonNode drive) {
        unknownKeys(path, drive, DRIVE);
        JsonNode running = drive.path("running");
        if (drive.has("running") && !running.isBoolean()) {
            wrongKind(path + ".running", running, "kind.flag");
        }
        JsonNode speed = drive.path("speedRpm");
        return new Situation.Drive(
                running.asBoolean(true),
                speed.isMissingNode()
                        ? OptionalDouble.empty()
                        : OptionalDouble.of(within(path + ".speedRpm", speed, 0, 10000) * RPM));
    }

    private void unknownKeys(String path, JsonNode object, Set<String> known) {
        unknownKeys(problems, path, object, known);
    }

    static void unknownKeys(List<Problem> problems, String path, JsonNode object, Set<String> known) {
        for (String key : object.propertyNames()) {
            if (!known.contains(key)) {
                problems.add(new Problem(
                        path + "." + key, Reason.of("file.unknown-key").name("key", key)));
            }
        }
    }

    private OptionalDouble oil() {
        JsonNode oil = node.path("oilC");
        return oil.isMissingNode()
                ? OptionalDouble.empty()
                : OptionalDouble.of(within("situation.oilC", oil, -40, 120) + ZERO_C);
    }

    private Map<String, Double> numbers(String key, Predicate<String> known, double min, double max) {
        Map<String, Double> values = new LinkedHashMap<>();
        entries(key, "kind.numbers").forEach(e -> {
            String path = "situation." + key + "." + e.getKey();
            if (known.test(e.getKey())) {
                values.put(e.getKey(), within(path, e.getValue(), min, max));
            } else {
                problems.add(new Problem(path, Reason.of("situation.unknown").name("id", e.getKey())));
            }
        });
        return values;
    }

    private double within(String path, JsonNode value, double min, double max) {
        return within(problems, path, value, min, max);
    }

    static double within(List<Problem> problems, String path, JsonNode value, double min, double max) {
        double number = value.asDouble(Double.NaN);
        if (!value.isNumber() || !(number >= min && number <= max)) {
            problems.add(new Problem(
                    path,
                    Reason.of("situation.out-of-range")
                            .name("value", value.toString())
                            .number("min", min)
                            .number("max", max)));
            return min;
        }
        return number;
    }
}
