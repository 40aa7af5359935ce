package earlygate.drawing;

import earlygate.drawing.DrawingEdit.Made;
import earlygate.drawing.DrawingEdit.NotDrawn;
import earlygate.explain.Reason;
import earlygate.unit.Control;
import earlygate.unit.Line;
import java.util.List;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.stream.Stream;
import tools.jackson.databind.node.ObjectNode;

/** What a pump is governed by, given and taken by pointing at the pump, and what drives it. */
final class Controls {
    /** Those that are set to a pressure; a power limiter and a stop of the flow stand in the pump's fields. */
    private static final Set<Control> BY_PRESSURE = Set.of(Control.COMPENSATOR, Control.LOAD_SENSE);

    private static final String SIGNAL = "signal";
    private static final double SMALL_LINE_L = 0.1;

    private final Canvas paper;

    Controls(Canvas paper) {
        this.paper = paper;
    }

    /** @param bar at which the pump cuts off, or the margin that it stands above its load */
    Made fit(ObjectNode pump, String key, OptionalDouble bar) {
        Control control = control(key);
        String id = pumpId(pump);
        if (!BY_PRESSURE.contains(control)) {
            throw NotDrawn.of("drawing.in-its-fields", key);
        }
        if (pump.has(key)) {
            throw new NotDrawn(Reason.of("drawing.has-control").name("id", id).said("control", called(control)));
        }
        double set = bar.orElseThrow(() -> NotDrawn.of("drawing.needs-pressure", key));
        Part drawn = paper.draft().on("components", pump);
        double rating = pump.path("ratedPressureBar")
                .asDouble(paper.rating(pump.path("outlet").asString("")));
        if (control == Control.COMPENSATOR) {
            TypicalValues.compensator(drawn, set, rating);
        } else {
            TypicalValues.loadSense(drawn, set, signal(rating));
        }
        // A half-filled file may have it without its control.
        paper.rubOutTarget(control.of(id));
        paper.draft().target(control.of(id), set, OptionalDouble.empty(), "");
        return new Made(id, Reason.of("drawing.fitted").name("id", id).said("control", called(control)));
    }

    Made unfit(ObjectNode pump, String key) {
        Control control = control(key);
        String id = pumpId(pump);
        if (!pump.has(key)) {
            throw new NotDrawn(
                    Reason.of("drawing.has-no-control").name("id", id).said("control", called(control)));
        }
        String felt = pump.path(key).path(SIGNAL).asString("");
        paper.rubOutControl(pump, control);
        bleedsNothing(felt).forEach(paper::rubOut);
        paper.rubOutLoose();
        return new Made(id, Reason.of("drawing.unfitted").name("id", id).said("control", called(control)));
    }

    Made drive(ObjectNode pump, String driver) {
        String id = pumpId(pump);
        paper.find("components", driver)
                .filter(d -> Canvas.DRIVERS.contains(Canvas.type(d)))
                .orElseThrow(() -> NotDrawn.of("drawing.no-driver", driver));
        pump.put("driver", driver);
        return new Made(id, Reason.of("drawing.driven").name("id", id).name("driver", driver));
    }

    private static Control control(String key) {
        return Stream.of(Control.values())
                .filter(c -> c.key().equals(key))
                .findFirst()
                .orElseThrow(() -> NotDrawn.of("drawing.unknown-control", key));
    }

    private static Reason called(Control control) {
        return Reason.of("drawing.control." + control.key());
    }

    private static String pumpId(ObjectNode pump) {
        if (!Canvas.type(pump).equals("pump")) {
            throw NotDrawn.of("drawing.no-pump", Canvas.id(pump));
        }
        return Canvas.id(pump);
    }

    /** Bleeds of a signal line on which nothing is felt any more. */
    private List<String> bleedsNothing(String signal) {
        List<ObjectNode> on = paper.all("components")
                .filter(c -> !Ends.on(c, signal).isEmpty())
                .toList();
        boolean only = on.stream().allMatch(c -> c.path("purpose").asString("").equals("bleed"));
        return only ? on.stream().map(Canvas::id).toList() : List.of();
    }

    /** The one by which something of this unit feels its load already; else a new one, which bleeds to tank. */
    private String signal(double rating) {
        return paper.all("components")
                .flatMap(c -> Stream.of(c.path("loadSense").path(SIGNAL), c.path(SIGNAL)))
                .map(s -> s.asString(""))
                .filter(paper::isLine)
                .filter(s -> !s.equals(Line.TANK))
                .findFirst()
                .orElseGet(() -> {
                    String line = paper.lettered("LS");
                    paper.draft().line(line, "signal line", OptionalDouble.empty(), rating, SMALL_LINE_L);
                    TypicalValues.bleed(paper.draft(), paper.numbered("OR"), line);
                    return line;
                });
    }
}
