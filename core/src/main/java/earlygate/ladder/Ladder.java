package earlygate.ladder;

import earlygate.circuit.PowerUnit;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

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
        return check(unit, gaps, Optional.empty());
    }

    /** @param schematic the unit with the targets its drawing gives, where the sheet has moved on from them */
    public static List<Finding> check(PowerUnit unit, GapSchool gaps, Optional<PowerUnit> schematic) {
        Stage stage = new Stage(unit, gaps, schematic);
        return RULES.stream()
                .flatMap(rule -> rule.check(stage).stream())
                .sorted(Comparator.comparing(Finding::severity))
                .toList();
    }
}
