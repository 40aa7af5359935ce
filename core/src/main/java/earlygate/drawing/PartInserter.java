package earlygate.drawing;

import earlygate.drawing.DrawingEdit.Kind;
import earlygate.drawing.DrawingEdit.Made;
import earlygate.drawing.DrawingEdit.NotDrawn;
import earlygate.explain.Reason;
import earlygate.unit.Line;
import java.util.List;
import java.util.OptionalDouble;
import java.util.stream.Stream;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** New parts on a drawing: on a line, into a line, in another one's place. */
final class PartInserter {
    /** Bar over a directional valve at its rated flow. */
    private static final double VALVE_DROP = 8;

    private static final Kind GAUGE = new Kind("gauge", false, false, false);

    private static final List<Kind> AROUND = List.of(
            new Kind("work", true, false, false),
            new Kind("pump", false, false, false),
            new Kind("directional-valve", false, true, false),
            new Kind("section", false, true, false));

    private final Canvas paper;

    PartInserter(Canvas paper) {
        this.paper = paper;
    }

    Made put(String type, String line, OptionalDouble bar) {
        if (line.equals(Line.TANK)) {
            throw NotDrawn.of("drawing.on-tank", type);
        }
        if (NewPart.of(type).flatMap(NewPart::behind).isPresent()) {
            return leadingOn(type, line, bar);
        }
        String made = switch (type) {
            case "gauge" -> gauge(line);
            case "work" -> work(line, needed(type, bar));
            case "pump" -> pump(line);
            case "directional-valve" -> directional(line);
            case "section" -> section(line);
            default -> part(type, line, Line.TANK, bar);
        };
        Reason said = Reason.of(type.equals("work") ? "drawing.work" : "drawing.put")
                .name("id", made)
                .name("line", line);
        return new Made(made, said);
    }

    static List<Kind> kinds() {
        Stream<Kind> parts = NewPart.types().map(type -> {
            NewPart part = kind(type);
            boolean on = part.behind().isPresent();
            return new Kind(type, part.set(), on, on);
        });
        return Stream.of(Stream.of(GAUGE), parts, AROUND.stream())
                .flatMap(k -> k)
                .toList();
    }

    private static double needed(String type, OptionalDouble bar) {
        return bar.orElseThrow(() -> NotDrawn.of("drawing.needs-pressure", type));
    }

    private static NewPart kind(String type) {
        return NewPart.of(type).orElseThrow(() -> NotDrawn.of("drawing.unknown-kind", type));
    }

    private Made leadingOn(String type, String line, OptionalDouble bar) {
        NewPart kind = kind(type);
        if (kind.set()) {
            needed(type, bar);
        }
        String to = paper.lineBehind(kind.behind().orElseThrow(), line, paper.numbered(kind.prefix()));
        String made = part(type, line, to, bar);
        return new Made(
                made,
                Reason.of("drawing.put-behind")
                        .name("id", made)
                        .name("line", line)
                        .name("to", to));
    }

    private String part(String type, String line, String to, OptionalDouble bar) {
        NewPart kind = kind(type);
        String id = paper.numbered(kind.prefix());
        draw(kind, type, id, line, to, kind.set() ? needed(type, bar) : 0);
        return id;
    }

    private void draw(NewPart kind, String type, String id, String from, String to, double bar) {
        kind.drawn().in(new NewPart.Place(paper, id, from, to, bar));
        if (kind.set() && !type.equals("accumulator")) {
            paper.draft().target(id, bar, OptionalDouble.empty(), NewPart.defined(type));
        }
    }

    private String gauge(String line) {
        String id = paper.isFree("G" + line) && paper.all("testPoints").count() > 0 ? "G" + line : paper.numbered("G");
        // A line is rarely worked above seven tenths of what it stands.
        paper.draft().gauge(id, line, OptionalDouble.empty(), 0.7 * paper.rating(line));
        return id;
    }

    private String work(String line, double bar) {
        String id = Stream.iterate(1, n -> n + 1)
                .map(n -> "W" + n)
                .filter(n -> paper.find("work", n).isEmpty())
                .findFirst()
                .orElseThrow();
        paper.draft().work(id, "work on " + line, line, bar, TypicalValues.tenths(0.8 * paper.flow()));
        return id;
    }

    private String pump(String line) {
        String driver = paper.all("components")
                .filter(c -> Canvas.DRIVERS.contains(Canvas.type(c)))
                .map(Canvas::id)
                .findFirst()
                .orElseGet(this::motor);
        String id = paper.numbered("P");
        paper.draft()
                .part(id, "pump")
                .set("driver", driver)
                .set("inlet", Line.TANK)
                .set("outlet", line)
                .assume("displacementCm3", 40)
                .assume("ratedPressureBar", paper.rating(line))
                .assume("volumetricEfficiency", 0.93);
        return id;
    }

    private String motor() {
        String id = paper.numbered("M");
        paper.draft()
                .part(id, "electric-motor")
                .assume("ratedPowerKw", 15)
                .assume("syncSpeedRpm", 1500)
                .assume("ratedSpeedRpm", 1460)
                .assume("ratedCurrentA", 28.5);
        return id;
    }

    /** A and B, or else A1 and B1, A2 and B2, ... with a cylinder between. */
    private String[] service(String line, String part) {
        String n = Stream.iterate(0, k -> k + 1)
                .map(k -> k == 0 ? "" : "" + k)
                .filter(k -> paper.isFree("A" + k) && paper.isFree("B" + k))
                .findFirst()
                .orElseThrow();
        String[] ports = {paper.lineBehind("A" + n, line, part), paper.lineBehind("B" + n, line, part)};
        paper.draft()
                .part(paper.numbered("C"), "cylinder")
                .set("cap", ports[0])
                .set("rod", ports[1])
                .assume("boreMm", 80)
                .assume("rodMm", 45);
        return ports;
    }

    private String directional(String line) {
        String id = paper.numbered("DV");
        String[] ports = service(line, id);
        Part valve = paper.draft().part(id, "directional-valve");
        valve.list("ports").add(line).add(ports[0]).add(ports[1]).add(Line.TANK);
        ObjectNode positions = valve.node().putObject("positions");
        positions.putArray("centre");
        way(positions.putArray("a"), line, ports[0], ports[1]);
        way(positions.putArray("b"), line, ports[1], ports[0]);
        valve.set("start", "centre")
                .assume("ratedFlowLpm", TypicalValues.size(1.4 * paper.flow()))
                .assume("ratedDropBar", VALVE_DROP);
        return id;
    }

    private static void way(ArrayNode position, String from, String to, String back) {
        position.addArray().add(from).add(to);
        position.addArray().add(back).add(Line.TANK);
    }

    private String section(String line) {
        String signal = paper.all("components")
                .map(c -> c.path("loadSense").path("signal").asString(""))
                .filter(s -> !s.isEmpty())
                .findFirst()
                .orElseThrow(() -> NotDrawn.of("drawing.no-signal", line));
        String id = paper.numbered("S");
        String[] ports = service(line, id);
        paper.draft()
                .part(id, "section")
                .set("supply", line)
                .set("return", Line.TANK)
                .set("signal", signal)
                .set("portA", ports[0])
                .set("portB", ports[1])
                .assume("ratedFlowLpm", TypicalValues.size(paper.flow()))
                .assume("ratedDropBar", 14);
        return id;
    }

    /** Where it stood, with its target where both have one. */
    Made replace(ObjectNode old, String type, OptionalDouble bar) {
        NewPart kind = kind(type);
        String was = Canvas.id(old);
        List<String> ends = Stream.of("inlet", "outlet", "a", "b", "cap", "rod", "line")
                .map(key -> old.path(key).asString(""))
                .filter(l -> !l.isEmpty())
                .toList();
        if (ends.isEmpty() || ends.size() > 2 || NewPart.of(Canvas.type(old)).isEmpty()) {
            throw new NotDrawn(
                    Reason.of("drawing.not-in-its-place").name("id", was).name("kind", type));
        }
        String from = ends.get(0);
        String to = ends.size() == 2 ? ends.get(1) : Line.TANK;
        if (type.equals("accumulator") && !to.equals(Line.TANK)) {
            throw new NotDrawn(
                    Reason.of("drawing.not-in-its-place").name("id", was).name("kind", type));
        }
        OptionalDouble set = bar.isPresent() ? bar : asked(old);
        String id = paper.numbered(kind.prefix());
        double pressure = kind.set() ? needed(type, set) : 0;
        paper.rubOut(was);
        draw(kind, type, id, from, to, pressure);
        return new Made(id, Reason.of("drawing.replaced").name("id", was).name("by", id));
    }

    private OptionalDouble asked(ObjectNode part) {
        OptionalDouble target = paper.all("targets")
                .filter(t -> t.path("setting").asString("").equals(Canvas.id(part)))
                .filter(t -> t.path("pressureBar").isNumber())
                .mapToDouble(t -> t.get("pressureBar").doubleValue())
                .findFirst();
        return target.isPresent() || !part.path("settingBar").isNumber()
                ? target
                : OptionalDouble.of(part.get("settingBar").doubleValue());
    }

    /** What stands behind it is joined to the line behind it from then on. */
    Made split(String line, String type, List<String> behind, OptionalDouble bar) {
        if (line.equals(Line.TANK)) {
            throw NotDrawn.of("drawing.on-tank", type);
        }
        NewPart kind = kind(type);
        if (kind.behind().isEmpty()) {
            throw NotDrawn.of("drawing.not-between", type);
        }
        if (behind.isEmpty()) {
            throw NotDrawn.of("drawing.nothing-behind", line);
        }
        String id = paper.numbered(kind.prefix());
        double pressure = kind.set() ? needed(type, bar) : 0;
        String to = paper.lineBehind(kind.behind().orElseThrow(), line, id);
        for (String end : behind) {
            String owner = end.contains(".") ? end.substring(0, end.indexOf('.')) : end;
            String key = end.substring(Math.min(end.length(), owner.length() + 1));
            moved(owner, key, line, to);
        }
        draw(kind, type, id, line, to, pressure);
        return new Made(
                id, Reason.of("drawing.split").name("id", id).name("line", line).name("to", to));
    }

    private void moved(String owner, String key, String line, String to) {
        for (String list : List.of("testPoints", "work")) {
            ObjectNode on = paper.find(list, owner)
                    .filter(n -> n.path("line").asString("").equals(line))
                    .orElse(null);
            if (on != null) {
                on.put("line", to);
                return;
            }
        }
        ObjectNode part = paper.find("components", owner).orElseThrow(() -> NotDrawn.of("drawing.unknown-part", owner));
        if (!Ends.on(part, line).contains(key)) {
            throw new NotDrawn(Reason.of("drawing.no-end")
                    .name("id", owner)
                    .name("end", key)
                    .name("ends", String.join(", ", Ends.on(part, line))));
        }
        Ends.move(part, key, line, to);
    }
}
