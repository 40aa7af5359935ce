package earlygate.pattern;

import static earlygate.pattern.Question.needed;

import earlygate.drawing.Draft;
import earlygate.drawing.Part;
import earlygate.drawing.TypicalValues;
import earlygate.pattern.Question.Group;
import earlygate.quantity.Measure;
import java.util.List;
import java.util.OptionalDouble;
import tools.jackson.databind.node.ObjectNode;

/** A compensated pump that drives a motor both ways, with a relief from each side of it to the other. */
final class SlewingMotor implements Pattern {
    @Override
    public String id() {
        return "cross-port-motor";
    }

    @Override
    public List<Question> questions() {
        return Pattern.all(
                Plates.drive(),
                Plates.pump(),
                Plates.compensatorAndRelief(),
                Plates.target("cross-port", 10, 500),
                List.of(
                        needed("motor-line-rating", Measure.PRESSURE, Group.SCHEMATIC, 10, 700),
                        needed("motor-displacement", Measure.DISPLACEMENT, Group.SCHEMATIC, 1, 10000)),
                Plates.lineAndGauge(),
                Plates.work(),
                Plates.oil());
    }

    @Override
    public String often() {
        return CompensatedPump.OFTEN + ", compensator 135, relief 152, cross-port 106, motor-line-rating 210, "
                + "motor-displacement 400, work-pressure 88";
    }

    @Override
    public Sheet draw(Answers a) {
        Compensated c = Compensated.draw(a, 160);
        Draft d = c.draft;
        double cross = a.get("cross-port");
        double rating = a.get("motor-line-rating");
        d.line("A", "motor line A", rating, 0.8);
        d.line("B", "motor line B", rating, 0.8);
        valve(d, c.flow);
        crossPort(d, a, "RV2", "A", "B", c.flow);
        crossPort(d, a, "RV3", "B", "A", c.flow);
        double torque = Math.floor(a.get("work-pressure") * a.get("motor-displacement") / (20 * Math.PI) * 0.9);
        d.part("H1", "hydraulic-motor")
                .set("a", "A")
                .set("b", "B")
                .set("displacementCm3", a.get("motor-displacement"))
                .assume("torqueNm", torque)
                .assume("efficiency", 0.9);
        TypicalValues.load(d, "TV1", "P", "T", c.flow);
        d.gauge("G1", "P", a.asked("gauge"), a.get("relief"));
        d.gauge("GA", "A", OptionalDouble.empty(), cross);
        d.gauge("GB", "B", OptionalDouble.empty(), cross);
        d.work("W1", "one way", "A", a.get("work-pressure"), a.get("work-flow"));
        d.work("W2", "other way", "B", a.get("work-pressure"), a.get("work-flow"));
        return Plates.sheet(d);
    }

    private static void valve(Draft d, double flow) {
        Part valve = d.part("DV1", "directional-valve");
        valve.list("ports").add("P").add("A").add("B").add("T");
        ObjectNode positions = valve.node().putObject("positions");
        positions.putArray("centre");
        var one = positions.putArray("one way");
        one.addArray().add("P").add("A");
        one.addArray().add("B").add("T");
        var other = positions.putArray("other way");
        other.addArray().add("P").add("B");
        other.addArray().add("A").add("T");
        valve.set("start", "centre")
                .assume("ratedFlowLpm", TypicalValues.size(1.4 * flow))
                .assume("ratedDropBar", 5);
    }

    private static void crossPort(Draft d, Answers a, String id, String from, String to, double flow) {
        double bar = a.get("cross-port");
        TypicalValues.relief(d, id, from, to, bar, flow, false).set("role", "cross-port");
        d.target(id, bar, a.asked("cross-port-tolerance"), "cracking");
    }
}
