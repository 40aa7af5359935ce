package earlygate.ladder;

import earlygate.circuit.PowerUnit;
import earlygate.solve.Network;
import java.util.Comparator;
import java.util.List;

/** All relations between the settings of a unit, checked before a spanner is touched. */
public final class Ladder {
    private static final List<Rule> RULES = List.of(
            new ReliefAboveCompensator(),
            new ReliefBelowRatings(),
            new ReliefLargeEnough(),
            new MotorLargeEnough(),
            new GaugeFits());

    private Ladder() {}

    /** What doesn't hold, the worst first; empty when every relation does. */
    public static List<Finding> check(PowerUnit unit, GapSchool gaps) {
        Stage stage = new Stage(unit, gaps, new Network(unit));
        return RULES.stream()
                .flatMap(rule -> rule.check(stage).stream())
                .sorted(Comparator.comparing(Finding::severity))
                .toList();
    }
}
