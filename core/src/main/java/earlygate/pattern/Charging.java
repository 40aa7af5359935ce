package earlygate.pattern;

import static earlygate.pattern.Question.ifKnown;
import static earlygate.pattern.Question.needed;

import earlygate.drawing.Draft;
import earlygate.drawing.Part;
import earlygate.drawing.TypicalValues;
import earlygate.pattern.Question.Group;
import earlygate.quantity.Keyed;
import earlygate.quantity.Measure;
import java.util.List;
import java.util.OptionalDouble;
import tools.jackson.databind.node.ObjectNode;

/** A pump that charges an accumulator behind a check valve, and what lets it rest once that is full. */
final class Charging implements Pattern {
    /** What lets the pump rest. */
    enum By implements Keyed {
        DIFFERENTIAL_VALVE,
        DUMP_VALVE,
        VENTED_RELIEF
    }

    private final By by;

    Charging(By by) {
        this.by = by;
    }

    @Override
    public String id() {
        return "charging-" + by.key();
    }

    @Override
    public List<Question> questions() {
        List<Question> differential = by != By.DIFFERENTIAL_VALVE
                ? List.of()
                : Pattern.all(
                        Plates.target("cut-out", 10, 700),
                        List.of(ifKnown("differential", Measure.PERCENT, Group.SCHEMATIC, 5, 40)));
        return Pattern.all(
                Plates.drive(),
                Plates.pump(),
                Plates.target("relief", 10, 700),
                differential,
                List.of(
                        needed("accumulator", Measure.VOLUME, Group.SCHEMATIC, 0.1, 500),
                        needed("precharge", Measure.PRESSURE, Group.SCHEMATIC, 1, 400)),
                Plates.lineAndGauge(),
                Plates.work(),
                Plates.oil());
    }

    @Override
    public String often() {
        return "power 7.5, speed 1455, displacement 14, pump-rating 250, relief 160, accumulator 10, "
                + "precharge 95, work-pressure 100, work-flow 15"
                + (by == By.DIFFERENTIAL_VALVE ? ", cut-out 138" : "");
    }

    @Override
    public Sheet draw(Answers a) {
        Draft d = Plates.begin(a, 46, 40, 60, 80);
        double relief = a.get("relief");
        double flow = TypicalValues.flow(a.get("displacement"), a.get("speed"));
        double rating = a.get("pump-rating");
        d.line("P", "pump line", a.asked("line-rating"), rating, 0.5);
        d.line("A", "accumulator line", a.asked("line-rating"), rating, 1);
        String drive = Plates.drive(d, a);
        TypicalValues.pump(d, "P1", drive, "P", a.get("displacement"), rating);
        Part main = TypicalValues.relief(d, "RV1", "P", "T", relief, flow, true).set("role", "main");
        letsItRest(d, a, main, flow);
        TypicalValues.check(d, "P", "A", flow);
        d.part("AC1", "accumulator")
                .set("line", "A")
                .set("volumeL", a.get("accumulator"))
                .set("prechargeBar", a.get("precharge"))
                .assume("polytropic", 1.2);
        TypicalValues.restriction(d, "BV1", "throttle", "A", "T", 20, 100).set("purpose", "bleed");
        TypicalValues.load(d, "TV1", "A", "T", flow);
        d.gauge("G1", "P", OptionalDouble.empty(), relief);
        d.gauge("G2", "A", a.asked("gauge"), relief);
        d.target("RV1", relief, a.asked("relief-tolerance"), "full-flow");
        d.work("W1", "work", "A", a.get("work-pressure"), a.get("work-flow"));
        return Plates.sheet(d);
    }

    private void letsItRest(Draft d, Answers a, Part main, double flow) {
        switch (by) {
            case DIFFERENTIAL_VALVE -> differentialValve(d, a, flow);
            case DUMP_VALVE -> {
                Part dump = d.part("DV1", "directional-valve");
                dump.list("ports").add("P").add("T");
                ObjectNode positions = dump.node().putObject("positions");
                positions.putArray("charge");
                positions.putArray("rest").addArray().add("P").add("T");
                dump.set("start", "charge")
                        .assume("ratedFlowLpm", TypicalValues.size(1.3 * flow))
                        .assume("ratedDropBar", 4);
            }
            case VENTED_RELIEF -> main.set("vent", true);
        }
    }

    private static void differentialValve(Draft d, Answers a, double flow) {
        double cutOut = a.get("cut-out");
        Part valve = TypicalValues.unloading(
                d, "P", "A", cutOut, flow, Math.min(40, cutOut / 3), TypicalValues.fits(1.3 * cutOut));
        if (a.has("differential")) {
            valve.set("differential", a.get("differential") / 100);
        } else {
            valve.assume("differential", 0.15);
        }
        d.target("UV1", cutOut, a.asked("cut-out-tolerance"), "");
    }
}
