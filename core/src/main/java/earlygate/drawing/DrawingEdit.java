package earlygate.drawing;

import earlygate.explain.Reason;
import earlygate.unit.Line;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Pattern;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * Does to a unit file what a hand pointed out on its drawing. The file may be half filled; it is left as it was where the
 * change can't be drawn.
 */
public final class DrawingEdit {
    private static final Pattern NAME = Pattern.compile("[A-Za-z][A-Za-z0-9_-]{0,31}");

    /** Either the unit as drawn now, or why not. */
    public sealed interface Answer {
        /**
         * @param unit a new unit file
         * @param unconfirmed places in it that nobody has confirmed, those of before among them
         * @param made name of what was drawn or changed, to be shown
         * @param gone names of what went with it
         */
        record Drawn(ObjectNode unit, List<String> unconfirmed, String made, List<String> gone, Reason said)
                implements Answer {}

        record Refused(Reason reason) implements Answer {}
    }

    /** Thrown where a change can't be drawn; told as {@link Answer.Refused}. */
    static final class NotDrawn extends RuntimeException {
        private final transient Reason reason;

        NotDrawn(Reason reason) {
            super(reason.code(), null, false, false);
            this.reason = reason;
        }

        static NotDrawn of(String code, String id) {
            return new NotDrawn(Reason.of(code).name("id", id));
        }
    }

    /** What was drawn, and how it is told. */
    record Made(String name, Reason said) {}

    private final Canvas paper;
    private final List<String> unconfirmed;

    /** What can be put on a line by pointing, in the order in which a schematic is drawn. */
    public static List<Kind> kinds() {
        return PartInserter.kinds();
    }

    /**
     * @param set the schematic must say at what pressure
     * @param leadsOn a new line is behind it
     * @param into it can stand in a line, with some of its ends behind
     */
    public record Kind(String type, boolean set, boolean leadsOn, boolean into) {}

    private DrawingEdit(ObjectNode unit, List<String> unconfirmed) {
        paper = new Canvas(unit);
        this.unconfirmed = new ArrayList<>(unconfirmed);
    }

    /** @param unconfirmed places in the unit that nobody has confirmed */
    public static Answer of(JsonNode unit, List<String> unconfirmed, Change change) {
        if (!(unit instanceof ObjectNode before) || !isDrawable(before)) {
            return new Answer.Refused(Reason.of("drawing.no-unit"));
        }
        DrawingEdit redraw = new DrawingEdit(before.deepCopy(), unconfirmed);
        try {
            return redraw.done(redraw.draw(change));
        } catch (NotDrawn e) {
            return new Answer.Refused(e.reason);
        }
    }

    /** Half filled it may be; but a list must be a list. */
    private static boolean isDrawable(ObjectNode unit) {
        return Canvas.LISTS.stream().allMatch(l -> !unit.has(l) || unit.get(l).isArray());
    }

    private Answer done(Made made) {
        List<String> gone = paper.gone();
        List<String> left = new ArrayList<>(unconfirmed.stream()
                .filter(p -> gone.stream().noneMatch(g -> p.equals(g) || p.startsWith(g + ".")))
                .toList());
        paper.draft().assumed().stream().filter(p -> !left.contains(p)).forEach(left::add);
        List<String> names = gone.stream()
                .filter(g -> !g.startsWith("targets."))
                .map(g -> g.substring(g.indexOf('.') + 1))
                // A control of a part that stays is no part of its own.
                .filter(g -> g.indexOf('.') < 0)
                .toList();
        return new Answer.Drawn(paper.unit(), left, made.name(), names, made.said());
    }

    private Made draw(Change change) {
        PartInserter putting = new PartInserter(paper);
        if (change instanceof Change.Put put) {
            return putting.put(put.type(), line(put.line()), put.bar());
        }
        if (change instanceof Change.Replace r) {
            return putting.replace(part(r.part()), r.type(), r.bar());
        }
        if (change instanceof Change.Split s) {
            return putting.split(line(s.line()), s.type(), s.behind(), s.bar());
        }
        if (change instanceof Change.Second s) {
            return new Copying(paper).second(part(s.part()));
        }
        if (change instanceof Change.Move m) {
            return move(m);
        }
        if (change instanceof Change.Remove r) {
            return paper.rubOutGauge(r.part()) ? new Made("", removed(r.part())) : remove(part(r.part()), r.join());
        }
        if (change instanceof Change.Merge m) {
            return merge(line(m.line()), line(m.into()));
        }
        return change instanceof Change.Rename r ? rename(r) : govern(change);
    }

    private Made govern(Change change) {
        Controls controls = new Controls(paper);
        if (change instanceof Change.Fit f) {
            return controls.fit(part(f.pump()), f.control(), f.bar());
        }
        if (change instanceof Change.Unfit u) {
            return controls.unfit(part(u.pump()), u.control());
        }
        Change.Drive d = (Change.Drive) change;
        return controls.drive(part(d.pump()), d.driver());
    }

    private String line(String id) {
        if (!paper.isLine(id)) {
            throw NotDrawn.of("drawing.unknown-line", id);
        }
        return id;
    }

    private ObjectNode part(String id) {
        return paper.find("components", id).orElseThrow(() -> NotDrawn.of("drawing.unknown-part", id));
    }

    private Made move(Change.Move m) {
        String to = line(m.line());
        ObjectNode gauge = paper.find("testPoints", m.part()).orElse(null);
        if (gauge != null && gauge.has("line") && m.end().equals("line")) {
            if (to.equals(Line.TANK)) {
                throw NotDrawn.of("drawing.gauge-on-tank", m.part());
            }
            gauge.put("line", to);
        } else {
            ObjectNode part = part(m.part());
            String from = Ends.of(part).stream()
                    .filter(l -> Ends.on(part, l).contains(m.end()))
                    .findFirst()
                    .orElse("");
            if (from.isEmpty() && !Ends.has(part, m.end())) {
                throw new NotDrawn(Reason.of("drawing.no-end")
                        .name("id", m.part())
                        .name("end", m.end())
                        .name("ends", String.join(", ", ends(part))));
            }
            Ends.move(part, m.end(), from, to);
            apart(part, to);
        }
        paper.rubOutLoose();
        return new Made(
                m.part(), Reason.of("drawing.moved").name("id", m.part()).name("line", to));
    }

    private static List<String> ends(ObjectNode part) {
        return Ends.of(part).stream().flatMap(l -> Ends.on(part, l).stream()).toList();
    }

    /** Both ends on one line are no part. */
    private static void apart(ObjectNode part, String line) {
        if (isShort(part)) {
            throw new NotDrawn(
                    Reason.of("drawing.both-ends").name("id", Canvas.id(part)).name("line", line));
        }
    }

    private static boolean isShort(ObjectNode part) {
        return same(part, "inlet", "outlet") || same(part, "a", "b") || same(part, "cap", "rod");
    }

    private static boolean same(ObjectNode part, String one, String other) {
        return part.has(one) && part.path(one).equals(part.path(other));
    }

    private Made remove(ObjectNode part, boolean join) {
        String id = Canvas.id(part);
        String before = part.path("inlet").asString(part.path("a").asString(""));
        String behind = part.path("outlet").asString(part.path("b").asString(""));
        boolean between =
                !before.isEmpty() && !behind.isEmpty() && !before.equals(Line.TANK) && !behind.equals(Line.TANK);
        if (join && !between) {
            throw NotDrawn.of("drawing.not-between", id);
        }
        paper.rubOut(id);
        if (join) {
            merge(behind, before);
        } else {
            paper.rubOutLoose();
        }
        return new Made(join ? before : "", removed(id));
    }

    private static Reason removed(String id) {
        return Reason.of("drawing.removed").name("id", id);
    }

    /** What stood between the two stands on neither then, and goes. */
    private Made merge(String line, String into) {
        if (line.equals(into) || line.equals(Line.TANK) || into.equals(Line.TANK)) {
            throw NotDrawn.of("drawing.not-two-lines", line);
        }
        ObjectNode one = drawn(line);
        ObjectNode other = drawn(into);
        paper.join(line, into);
        paper.all("components")
                .filter(DrawingEdit::isShort)
                .map(Canvas::id)
                .toList()
                .forEach(paper::rubOut);
        if (one.path("ratingBar").isNumber() && other.path("ratingBar").isNumber()) {
            weaker(one, other);
        }
        paper.rubOutLine(line);
        return new Made(into, Reason.of("drawing.merged").name("id", line).name("line", into));
    }

    /** A half-filled file may name a line that is not drawn. */
    private ObjectNode drawn(String line) {
        return paper.find("lines", line).orElseThrow(() -> NotDrawn.of("drawing.unknown-line", line));
    }

    /** A line is as weak as its weakest piece, and holds what both held. */
    private static void weaker(ObjectNode one, ObjectNode other) {
        if (one.get("ratingBar").doubleValue() < other.get("ratingBar").doubleValue()) {
            other.set("ratingBar", one.get("ratingBar"));
        }
        double litres = TypicalValues.tenths(
                one.path("volumeL").asDouble(1) + other.path("volumeL").asDouble(1));
        other.put("volumeL", litres);
    }

    private Made rename(Change.Rename r) {
        if (!NAME.matcher(r.to()).matches()) {
            throw NotDrawn.of("drawing.bad-name", r.to());
        }
        if (!paper.isFree(r.to())) {
            throw NotDrawn.of("drawing.name-taken", r.to());
        }
        String list = List.of("lines", "components", "testPoints", "work").stream()
                .filter(l -> paper.find(l, r.id()).isPresent())
                .findFirst()
                .orElseThrow(() -> NotDrawn.of("drawing.unknown-part", r.id()));
        paper.find(list, r.id()).orElseThrow().put("id", r.to());
        unconfirmed.replaceAll(p -> renamed(p, list + "." + r.id(), list + "." + r.to()));
        if (list.equals("lines")) {
            paper.join(r.id(), r.to());
        } else if (list.equals("components")) {
            follow(r);
        }
        return new Made(r.to(), Reason.of("drawing.renamed").name("id", r.id()).name("to", r.to()));
    }

    private static String renamed(String path, String from, String to) {
        return path.equals(from) || path.startsWith(from + ".") ? to + path.substring(from.length()) : path;
    }

    /** Who names a part that has another name now. */
    private void follow(Change.Rename r) {
        paper.all("components")
                .filter(c -> c.path("driver").asString("").equals(r.id()))
                .forEach(c -> c.put("driver", r.to()));
        for (String key : List.of("component", "driver")) {
            paper.all("testPoints")
                    .filter(t -> t.path(key).asString("").equals(r.id()))
                    .forEach(t -> t.put(key, r.to()));
        }
        paper.all("targets").forEach(t -> {
            String setting = t.path("setting").asString("");
            if (Canvas.isOf(r.id(), setting)) {
                String now = r.to() + setting.substring(r.id().length());
                t.put("setting", now);
                unconfirmed.replaceAll(p -> renamed(p, "targets." + setting, "targets." + now));
            }
        });
    }
}
