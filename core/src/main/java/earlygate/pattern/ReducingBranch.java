package earlygate.pattern;

import static earlygate.pattern.Question.ifKnown;
import static earlygate.pattern.Question.needed;

import earlygate.pattern.Question.Group;
import earlygate.quantity.Measure;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
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
                List.of(
                        needed("branch", Measure.PRESSURE, Group.SCHEMATIC, 2, 500),
                        ifKnown("branch-tolerance", Measure.PRESSURE, Group.SCHEMATIC, 0.5, 50),
                        ifKnown("branch-rating", Measure.PRESSURE, Group.SCHEMATIC, 10, 700)),
                Plates.lineAndGauge(),
                Plates.work(),
                List.of(
                        needed("branch-work-pressure", Measure.PRESSURE, Group.WORK, 1, 500),
                        needed("branch-flow", Measure.FLOW, Group.WORK, 0.1, 1000)),
                Plates.oil());
    }

    @Override
    public Answers example() {
        Map<String, Double> values =
                new HashMap<>(new CompensatedPump().example().values());
        values.putAll(Answers.values("branch 60, branch-work-pressure 48, branch-flow 8"));
        return new Answers("NEW", id(), values);
    }

    @Override
    public Sheet draw(Answers a) {
        Compensated c = Compensated.draw(a, 100);
        Draft d = c.draft;
        double branch = a.get("branch");
        double most = Plates.fits(1.5 * branch);
        d.line("R", "branch line", a.asked("branch-rating"), most, 0.8);
        d.part("RD1", "reducing-valve")
                .set("inlet", "P")
                .set("outlet", "R")
                .set("drain", "T")
                .assume("settingBar", branch)
                .assume("ratedFlowLpm", Plates.size(Math.max(20, 2 * a.get("branch-flow"))))
                .assume("ratedDropBar", 8)
                .set("relieving", true)
                .assume("rangeBar", Math.min(10, branch / 3), most)
                .assume("barPerTurn", Math.max(2, Math.round(most / 6)));
        Plates.load(d, "TV2", "R", "T", Math.max(10, 2 * a.get("branch-flow")));
        d.gauge("G2", "R", OptionalDouble.empty(), branch);
        d.target("RD1", branch, a.asked("branch-tolerance"), "");
        d.work("W2", "branch work", "R", a.get("branch-work-pressure"), a.get("branch-flow"));
        return c.workingOnTheLine(a);
    }
}
