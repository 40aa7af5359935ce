package earlygate.pattern;

import static earlygate.pattern.Question.needed;

import earlygate.drawing.Draft;
import earlygate.drawing.Part;
import earlygate.drawing.TypicalValues;
import earlygate.pattern.Question.Group;
import earlygate.quantity.Measure;
import java.util.List;
import java.util.OptionalDouble;

/** A compensated pump whose line feeds a branch of lower pressure through a reducing valve. */
final class ReducingBranch implements Pattern {
    @Override
    public String id() {
        return "reducing-branch";
    }

    @Override
    public List<Question> questions() {
        return Pattern.all(
                Plates.drive(),
                Plates.pump(),
                Plates.compensatorAndRelief(),
                Plates.target("branch", 2, 500),
                List.of(needed("branch-rating", Measure.PRESSURE, Group.SCHEMATIC, 10, 700)),
                Plates.lineAndGauge(),
                Plates.work(),
                List.of(
                        needed("branch-work-pressure", Measure.PRESSURE, Group.WORK, 1, 500),
                        needed("branch-flow", Measure.FLOW, Group.WORK, 0.1, 1000)),
                Plates.oil());
    }

    @Override
    public String often() {
        return CompensatedPump.OFTEN + ", branch 60, branch-rating 120, branch-work-pressure 48, branch-flow 8";
    }

    @Override
    public Sheet draw(Answers a) {
        Compensated c = Compensated.draw(a, 100);
        Draft d = c.draft;
        double branch = a.get("branch");
        d.line("R", "branch line", a.get("branch-rating"), 0.8);
        Part valve = d.part("RD1", "reducing-valve")
                .set("inlet", "P")
                .set("outlet", "R")
                .set("drain", "T")
                .assume("ratedFlowLpm", TypicalValues.size(Math.max(20, 2 * a.get("branch-flow"))))
                .assume("ratedDropBar", 8)
                .set("relieving", true);
        TypicalValues.screw(valve, branch, Math.min(10, branch / 3), TypicalValues.fits(1.5 * branch));
        TypicalValues.load(d, "TV2", "R", "T", Math.max(10, 2 * a.get("branch-flow")));
        d.gauge("G2", "R", OptionalDouble.empty(), branch);
        d.target("RD1", branch, a.asked("branch-tolerance"), "");
        d.work("W2", "branch work", "R", a.get("branch-work-pressure"), a.get("branch-flow"));
        return c.workingOnTheLine(a);
    }
}
