package earlygate.drawing;

import earlygate.unit.Control;
import earlygate.unit.Line;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.Iterator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.function.Predicate;
import java.util.stream.Stream;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** A copy of a unit file that is drawn on: what is on it, names that are free, and what goes when something is rubbed out. */
final class Canvas {
    /** L/min where no pump says how much flows. */
    private static final double SOME_FLOW = 40;

    private static final double SOME_SPEED = 1450;
    private static final double SOME_RATING = 250;
    static final Set<String> DRIVERS = Set.of("electric-motor", "engine", "dc-motor");
    private static final List<String> NAMED = List.of("lines", "components", "testPoints", "testGear");
    static final List<String> LISTS = List.of("lines", "components", "testPoints", "targets", "work", "testGear");

    private final ObjectNode unit;
    private final Draft draft;
    private final List<String> gone = new ArrayList<>();

    Canvas(ObjectNode unit) {
        this.unit = unit;
        draft = new Draft(unit);
    }

    Draft draft() {
        return draft;
    }

    ObjectNode unit() {
        return unit;
    }

    /** Names of what was rubbed out. */
    List<String> gone() {
        return gone;
    }

    Stream<ObjectNode> all(String list) {
        return unit.path(list).valueStream().filter(JsonNode::isObject).map(ObjectNode.class::cast);
    }

    Optional<ObjectNode> find(String list, String id) {
        return all(list).filter(n -> id(n).equals(id)).findFirst();
    }

    boolean isLine(String id) {
        return id.equals(Line.TANK) || find("lines", id).isPresent();
    }

    static String id(JsonNode entry) {
        return entry.path("id").asString("");
    }

    static String type(JsonNode part) {
        return part.path("type").asString("");
    }

    private Set<String> names() {
        Set<String> names = new HashSet<>(Set.of(Line.TANK));
        NAMED.forEach(list -> all(list).forEach(n -> names.add(id(n))));
        return names;
    }

    boolean isFree(String name) {
        return !names().contains(name);
    }

    /** The first of P1, P2, ... */
    String numbered(String prefix) {
        for (int n = 1; ; n++) {
            if (isFree(prefix + n)) {
                return prefix + n;
            }
        }
    }

    /** R, or else R2, R3, ... */
    String lettered(String letter) {
        return isFree(letter) ? letter : afterFirst(letter);
    }

    /** A name of the same kind: R2 after R, A3 after A1 where there is an A2. */
    String like(String name) {
        String stem = name.replaceAll("\\d+$", "");
        return stem.equals(name) ? afterFirst(stem) : numbered(stem);
    }

    private String afterFirst(String letter) {
        for (int n = 2; ; n++) {
            if (isFree(letter + n)) {
                return letter + n;
            }
        }
    }

    /** A line behind a part, as strong as the one before it until somebody says otherwise. */
    String lineBehind(String letter, String before, String part) {
        String name = letter.isEmpty() ? afterFirst(before.replaceAll("\\d+$", "")) : lettered(letter);
        draft.line(name, "behind " + part, OptionalDouble.empty(), rating(before), 0.8);
        return name;
    }

    /** Bar; what a line usually stands where nobody has said it yet. */
    double rating(String line) {
        return find("lines", line)
                .map(l -> l.path("ratingBar").asDouble(SOME_RATING))
                .orElse(SOME_RATING);
    }

    /** L/min of all pumps at the speed of their drives. */
    double flow() {
        double flow = all("components")
                .filter(c -> type(c).equals("pump"))
                .mapToDouble(p -> TypicalValues.flow(p.path("displacementCm3").asDouble(0), speed(p)))
                .sum();
        return flow > 0 ? flow : SOME_FLOW;
    }

    private double speed(ObjectNode pump) {
        return find("components", pump.path("driver").asString(""))
                .map(d -> d.path("ratedSpeedRpm")
                        .asDouble(d.path("speedsRpm").path("mid").asDouble(SOME_SPEED)))
                .orElse(SOME_SPEED);
    }

    boolean isPumpLine(String line) {
        return all("components")
                .anyMatch(c ->
                        type(c).equals("pump") && c.path("outlet").asString("").equals(line));
    }

    boolean hasRelief(String line) {
        return all("components")
                .anyMatch(c -> type(c).equals("relief-valve")
                        && c.path("inlet").asString("").equals(line));
    }

    /** Whatever it pointed out goes with it: its targets, meters on it. */
    void rubOut(String part) {
        drop("components", c -> id(c).equals(part));
        drop("targets", t -> isOf(part, t.path("setting").asString("")));
        drop(
                "testPoints",
                t -> t.path("component").asString("").equals(part)
                        || t.path("driver").asString("").equals(part));
    }

    /** A control goes with its target; the pump stays. */
    void rubOutControl(ObjectNode pump, Control control) {
        pump.remove(control.key());
        gone.add("components." + id(pump) + "." + control.key());
        rubOutTarget(control.of(id(pump)));
    }

    void rubOutTarget(String setting) {
        drop("targets", t -> t.path("setting").asString("").equals(setting));
    }

    /** @return whether there was one of this name */
    boolean rubOutGauge(String id) {
        boolean there = find("testPoints", id).isPresent();
        drop("testPoints", t -> id(t).equals(id));
        return there;
    }

    static boolean isOf(String part, String setting) {
        return setting.equals(part)
                || Control.in(setting).filter(c -> c.part().equals(part)).isPresent();
    }

    /** A line that joins nothing is none; its gauges and its work go with it. */
    void rubOutLoose() {
        Set<String> joined = new HashSet<>();
        all("components").forEach(c -> joined.addAll(Ends.of(c)));
        List<String> loose =
                all("lines").map(Canvas::id).filter(l -> !joined.contains(l)).toList();
        loose.forEach(this::rubOutLine);
    }

    void rubOutLine(String line) {
        drop("lines", l -> id(l).equals(line));
        drop("testPoints", t -> t.path("line").asString("").equals(line));
        drop("work", w -> w.path("line").asString("").equals(line));
    }

    private void drop(String list, Predicate<ObjectNode> which) {
        for (Iterator<JsonNode> i = unit.path(list).iterator(); i.hasNext(); ) {
            JsonNode n = i.next();
            if (n instanceof ObjectNode o && which.test(o)) {
                gone.add(list.equals("targets") ? "targets." + n.path("setting").asString("") : list + "." + id(n));
                i.remove();
            }
        }
    }

    /** All ends on a line to another; gauges and work come along. */
    void join(String line, String into) {
        all("components").forEach(c -> Ends.moveAll(c, line, into));
        for (String list : List.of("testPoints", "work")) {
            all(list).filter(n -> n.path("line").asString("").equals(line)).forEach(n -> n.put("line", into));
        }
    }
}
