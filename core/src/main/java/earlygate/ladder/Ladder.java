package earlygate.ladder;

import earlygate.target.GapSchool;
import earlygate.unit.PowerUnit;
import earlygate.unit.Target;
import java.util.Comparator;
import java.util.List;

/** All relations between the settings of a unit, checked before a spanner is touched. */
public final class Ladder {
    private static final List<Rule> RULES = List.of(
            new ReliefAboveCompensator(),
            new ReliefBelowRatings(),
            new ReliefLargeEnough(),
            new UnloadingInPlace(),
            new ReducingBelowSupply(),
            new CrossPortInPlace(),
            new SectionWithinReach(),
            new LoadSenseInPlace(),
            new AccumulatorInPlace(),
            new MotorLargeEnough(),
            new GaugeFits(),
            new CrackAndFlowApart(),
            new AsTheSchematic());

    private Ladder() {}

    /** What doesn't hold, the worst first; empty when every relation does. */
    public static List<Finding> check(PowerUnit unit, GapSchool gaps) {
        return check(unit, gaps, List.of());
    }

    /** @param schematic the targets that the drawing gives, where the sheet may have moved on from them */
    public static List<Finding> check(PowerUnit unit, GapSchool gaps, List<Target> schematic) {
        LadderInput stage = new LadderInput(unit, gaps, schematic);
        return RULES.stream()
                .flatMap(rule -> rule.check(stage).stream())
                .sorted(Comparator.comparing(Finding::severity))
                .toList();
    }
}
