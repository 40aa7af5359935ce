package earlygate.pattern;

import earlygate.drawing.Draft;
import earlygate.drawing.TypicalValues;
import java.util.List;

/** A pump that always gives its whole flow, and the relief that takes what the work doesn't. */
final class FixedPump implements Pattern {
    @Override
    public String id() {
        return "fixed-pump";
    }

    @Override
    public List<Question> questions() {
        return Pattern.all(
                Plates.drive(),
                Plates.pump(),
                Plates.target("relief", 10, 700),
                Plates.lineAndGauge(),
                Plates.work(),
                Plates.oil());
    }

    @Override
    public String often() {
        return "power 11, speed 1460, displacement 22, pump-rating 210, relief 150, work-pressure 120, "
                + "work-flow 28";
    }

    @Override
    public Sheet draw(Answers a) {
        Draft d = Plates.begin(a, 46, 40, 60, 80);
        double relief = a.get("relief");
        double flow = TypicalValues.flow(a.get("displacement"), a.get("speed"));
        d.line("P", "pump line", a.asked("line-rating"), a.get("pump-rating"), 1);
        String drive = Plates.drive(d, a);
        TypicalValues.pump(d, "P1", drive, "P", a.get("displacement"), a.get("pump-rating"));
        TypicalValues.relief(d, "RV1", "P", "T", relief, flow, true).set("role", "main");
        TypicalValues.load(d, "TV1", "P", "T", flow);
        d.gauge("G1", "P", a.asked("gauge"), relief);
        d.target("RV1", relief, a.asked("relief-tolerance"), "full-flow");
        d.work("W1", "work", "P", a.get("work-pressure"), a.get("work-flow"));
        return Plates.sheet(d);
    }
}
