package earlygate.circuit;

import static earlygate.quantity.Si.BAR;
import static earlygate.quantity.Si.KW;
import static earlygate.quantity.Si.RPM;
import static earlygate.quantity.Si.ZERO_C;

import earlygate.explain.Reason;
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
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/** Reads and writes a {@link Situation} as the calculation API has it, in bar, rpm and C. */
public final class SituationFile {
    private static final Set<String> KEYS = Set.of(
            "drivers", "openings", "positions", "settings", "vented", "blocked", "suctionShut", "oilC", "pressures");

    private final PowerUnit unit;
    private final JsonNode node;
    private final List<Problem> problems;

    private SituationFile(PowerUnit unit, JsonNode node, List<Problem> problems) {
        this.unit = unit;
        this.node = node;
        this.problems = problems;
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
        for (String key : node.propertyNames()) {
            if (!KEYS.contains(key)) {
                problems.add(new Problem(
                        "situation." + key, Reason.of("file.unknown-key").name("key", key)));
            }
        }
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
                oil());
    }

    private Set<String> ids(Predicate<Component> which) {
        return unit.components().stream().filter(which).map(Component::id).collect(Collectors.toSet());
    }

    private Set<String> names(String key, Set<String> known) {
        Set<String> names = new LinkedHashSet<>();
        for (JsonNode n : node.path(key)) {
            if (!known.contains(n.asString(""))) {
                problems.add(new Problem(
                        "situation." + key, Reason.of("situation.unknown").name("id", n.asString(""))));
            }
            names.add(n.asString(""));
        }
        return names;
    }

    private Map<String, String> positions() {
        Map<String, String> chosen = new LinkedHashMap<>();
        node.path("positions").properties().forEach(e -> {
            Collection<String> known = positionsOf(e.getKey());
            String position = e.getValue().asString("");
            if (!known.contains(position)) {
                problems.add(new Problem(
                        "situation.positions." + e.getKey(),
                        Reason.of("situation.position")
                                .name("value", position)
                                .name("fits", known.isEmpty() ? "-" : String.join(", ", known))));
            }
            chosen.put(e.getKey(), position);
        });
        return chosen;
    }

    private Collection<String> positionsOf(String id) {
        for (Component c : unit.components()) {
            if (c.id().equals(id) && c instanceof DirectionalValve d) {
                return d.positions().keySet();
            }
            if (c.id().equals(id) && c instanceof Section) {
                return Section.POSITIONS;
            }
        }
        return List.of();
    }

    /** SI per unit of the file for a setting: bar, or kW for a power limiter. */
    private static double factor(PowerUnit unit, String setting) {
        return unit.setting(setting).kind() == Setting.Kind.POWER_LIMITER ? KW : BAR;
    }

    private Map<String, Situation.Drive> drivers() {
        Map<String, Situation.Drive> drivers = new LinkedHashMap<>();
        node.path("drivers").properties().forEach(e -> {
            String path = "situation.drivers." + e.getKey();
            if (unit.all(Driver.class).stream().noneMatch(m -> m.id().equals(e.getKey()))) {
                problems.add(new Problem(path, Reason.of("situation.unknown").name("id", e.getKey())));
                return;
            }
            JsonNode speed = e.getValue().path("speedRpm");
            OptionalDouble rpm = speed.isMissingNode()
                    ? OptionalDouble.empty()
                    : OptionalDouble.of(within(path + ".speedRpm", speed, 0, 10000) * RPM);
            drivers.put(
                    e.getKey(), new Situation.Drive(e.getValue().path("running").asBoolean(true), rpm));
        });
        return drivers;
    }

    private OptionalDouble oil() {
        JsonNode oil = node.path("oilC");
        return oil.isMissingNode() || oil.isNull()
                ? OptionalDouble.empty()
                : OptionalDouble.of(within("situation.oilC", oil, -40, 120) + ZERO_C);
    }

    private Map<String, Double> numbers(String key, Predicate<String> known, double min, double max) {
        Map<String, Double> values = new LinkedHashMap<>();
        node.path(key).properties().forEach(e -> {
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

    public static ObjectNode write(PowerUnit unit, Situation s) {
        ObjectNode out = JsonNodeFactory.instance.objectNode();
        if (!s.drivers().isEmpty()) {
            ObjectNode drivers = out.putObject("drivers");
            s.drivers().forEach((id, d) -> {
                ObjectNode drive = drivers.putObject(id).put("running", d.running());
                d.speed().ifPresent(n -> drive.put("speedRpm", n / RPM));
            });
        }
        writeNumbers(out, "openings", s.openings(), 1);
        if (!s.settings().isEmpty()) {
            ObjectNode settings = out.putObject("settings");
            s.settings().forEach((id, v) -> settings.put(id, round(v / factor(unit, id))));
        }
        if (!s.positions().isEmpty()) {
            ObjectNode positions = out.putObject("positions");
            s.positions().forEach(positions::put);
        }
        writeNames(out, "vented", s.vented());
        s.blocked().ifPresent(b -> writeNames(out, "blocked", b));
        writeNames(out, "suctionShut", s.suctionShut());
        writeNumbers(out, "pressures", s.pressures(), BAR);
        s.oil().ifPresent(t -> out.put("oilC", round(t - ZERO_C)));
        return out;
    }

    private static void writeNames(ObjectNode out, String key, Set<String> names) {
        if (!names.isEmpty()) {
            names.forEach(out.withArray("/" + key)::add);
        }
    }

    private static void writeNumbers(ObjectNode out, String key, Map<String, Double> values, double factor) {
        if (!values.isEmpty()) {
            ObjectNode node = out.putObject(key);
            values.forEach((id, v) -> node.put(id, round(v / factor)));
        }
    }

    private static double round(double value) {
        return Math.round(value * 1e4) / 1e4;
    }
}
