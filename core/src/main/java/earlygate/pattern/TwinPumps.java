package earlygate.pattern;

import earlygate.drawing.Draft;
import earlygate.drawing.Part;
import earlygate.drawing.TypicalValues;
import java.util.List;

/** Two like pumps on one drive, each compensated, on a line of its own with a relief of its own. */
final class TwinPumps implements Pattern {
    @Override
    public String id() {
        return "twin-pumps";
    }

    @Override
    public List<Question> questions() {
        return new CompensatedPump().questions();
    }

    @Override
    public String often() {
        return CompensatedPump.OFTEN + ", power 37, speed 1475";
    }

    @Override
    public Sheet draw(Answers a) {
        Draft d = Plates.begin(a, 46, 40, 60, 200);
        double relief = a.get("relief");
        double flow = TypicalValues.flow(a.get("displacement"), a.get("speed"));
        String drive = Plates.drive(d, a);
        for (int i = 1; i <= 2; i++) {
            String line = i == 1 ? "PL" : "PR";
            String side = i == 1 ? "left" : "right";
            double rating = a.get("pump-rating");
            d.line(line, side + " pump line", a.asked("line-rating"), rating, 1.5);
            Part pump = TypicalValues.pump(d, "P" + i, drive, line, a.get("displacement"), rating);
            TypicalValues.compensator(pump, a.get("compensator"), rating);
            TypicalValues.relief(d, "RV" + i, line, "T", relief, flow, true).set("role", "main");
            TypicalValues.load(d, "TV" + i, line, "T", flow);
            d.gauge("G" + i, line, a.asked("gauge"), relief);
            d.target("P" + i + ".compensator", a.get("compensator"), a.asked("compensator-tolerance"), "");
            d.target("RV" + i, relief, a.asked("relief-tolerance"), "cracking");
            d.work("W" + i, side + " work", line, a.get("work-pressure"), a.get("work-flow"));
        }
        return Plates.sheet(d);
    }
}
