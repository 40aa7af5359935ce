package earlygate.pattern;

import static earlygate.pattern.Question.ifKnown;
import static earlygate.pattern.Question.needed;

import earlygate.drawing.Draft;
import earlygate.drawing.TypicalValues;
import earlygate.pattern.Question.Group;
import earlygate.quantity.Measure;
import java.util.List;

/** A small pump on a battery's motor that may run for seconds, a check valve that holds the load, a relief. */
final class DcPack implements Pattern {
    @Override
    public String id() {
        return "dc-pack";
    }

    @Override
    public List<Question> questions() {
        return Pattern.all(
                List.of(
                        needed("dc-voltage", Measure.VOLTAGE, Group.DRIVE, 6, 120),
                        needed("power", Measure.POWER, Group.DRIVE, 0.1, 20),
                        needed("speed", Measure.SPEED, Group.DRIVE, 500, 6000),
                        ifKnown("current", Measure.CURRENT, Group.DRIVE, 1, 2000),
                        needed("on-time", Measure.TIME, Group.DRIVE, 2, 3600),
                        needed("cycle", Measure.TIME, Group.DRIVE, 10, 36000),
                        needed("displacement", Measure.DISPLACEMENT, Group.PUMP, 0.1, 50),
                        needed("pump-rating", Measure.PRESSURE, Group.PUMP, 20, 400)),
                Plates.target("relief", 10, 400),
                Plates.lineAndGauge(),
                Plates.work(),
                Plates.oil());
    }

    @Override
    public String often() {
        return "dc-voltage 24, power 2, speed 2400, on-time 40, cycle 600, displacement 2, "
                + "pump-rating 200, relief 150, work-pressure 118, work-flow 4";
    }

    @Override
    public Sheet draw(Answers a) {
        Draft d = Plates.begin(a, 22, 15, 50, 6);
        double relief = a.get("relief");
        double rating = a.get("pump-rating");
        double flow = TypicalValues.flow(a.get("displacement"), a.get("speed"));
        double current = TypicalValues.tenths(1000 * a.get("power") / a.get("dc-voltage") / 0.75);
        double rated = a.asked("current").orElse(current);
        d.line("P", "pump line", a.asked("line-rating"), rating, 0.1);
        d.line("A", "lift line", a.asked("line-rating"), rating, 0.3);
        d.part("M1", "dc-motor")
                .set("voltageV", a.get("dc-voltage"))
                .set("ratedPowerKw", a.get("power"))
                .set("ratedSpeedRpm", a.get("speed"))
                .assume("noLoadSpeedRpm", Math.round(1.25 * a.get("speed")))
                .answered("ratedCurrentA", a.asked("current"), current)
                .assume("noLoadCurrentA", TypicalValues.tenths(0.18 * rated))
                .set("onTimeS", a.get("on-time"))
                .set("cycleS", a.get("cycle"));
        TypicalValues.pump(d, "P1", "M1", "P", a.get("displacement"), rating);
        TypicalValues.relief(d, "RV1", "P", "T", relief, flow, false).set("role", "main");
        TypicalValues.check(d, "P", "A", flow);
        d.part("C1", "cylinder")
                .set("cap", "A")
                .set("rod", "T")
                .assume("boreMm", 50)
                .assume("rodMm", 30);
        TypicalValues.load(d, "TV1", "A", "T", 2 * flow);
        d.gauge("G1", "A", a.asked("gauge"), 1.2 * relief);
        d.target("RV1", relief, a.asked("relief-tolerance"), "full-flow");
        d.work("W1", "load", "A", a.get("work-pressure"), a.get("work-flow"));
        return Plates.sheet(d);
    }
}
