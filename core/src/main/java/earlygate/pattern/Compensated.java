package earlygate.pattern;

import earlygate.drawing.Draft;
import earlygate.drawing.Part;
import earlygate.drawing.TypicalValues;

/** The part that many circuits share: a motor, a compensated pump on a line, a relief above it. */
final class Compensated {
    final Draft draft;
    final double rating;
    final double flow;
    final Part pump;

    private Compensated(Draft draft, double rating, double flow, Part pump) {
        this.draft = draft;
        this.rating = rating;
        this.flow = flow;
        this.pump = pump;
    }

    static Compensated draw(Answers a, double tankL) {
        Draft d = Plates.begin(a, 46, 40, 60, tankL);
        double rating = a.get("pump-rating");
        d.line("P", "pump line", a.asked("line-rating"), rating, 1);
        String drive = Plates.drive(d, a);
        Part pump = TypicalValues.pump(d, "P1", drive, "P", a.get("displacement"), rating);
        TypicalValues.compensator(pump, a.get("compensator"), rating);
        double flow = TypicalValues.flow(a.get("displacement"), a.get("speed"));
        TypicalValues.relief(d, "RV1", "P", "T", a.get("relief"), flow, true).set("role", "main");
        d.target("P1.compensator", a.get("compensator"), a.asked("compensator-tolerance"), "");
        d.target("RV1", a.get("relief"), a.asked("relief-tolerance"), "cracking");
        return new Compensated(d, rating, flow, pump);
    }

    Pattern.Sheet workingOnTheLine(Answers a) {
        draft.gauge("G1", "P", a.asked("gauge"), a.get("relief"));
        TypicalValues.load(draft, "TV1", "P", "T", flow);
        draft.work("W1", "work", "P", a.get("work-pressure"), a.get("work-flow"));
        return Plates.sheet(draft);
    }
}
