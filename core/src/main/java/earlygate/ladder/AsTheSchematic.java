package earlygate.ladder;

import earlygate.explain.Reason;
import earlygate.ladder.Finding.Severity;
import earlygate.ladder.Finding.Suggestion;
import earlygate.unit.Target;
import java.util.List;
import java.util.Optional;

/** L13: lower than the schematic with a reason that is kept; higher only with a second person's release. */
final class AsTheSchematic implements Rule {
    /** Pa; less than this is rounding. */
    private static final double SAME = 1e4;

    @Override
    public List<Finding> check(LadderInput stage) {
        return stage.schematic().stream()
                .flatMap(asked -> stage.unit().target(asked.setting()).flatMap(t -> check(asked, t)).stream())
                .toList();
    }

    private static Optional<Finding> check(Target asked, Target target) {
        return Math.abs(asked.pressurePa() - target.pressurePa()) > SAME
                ? Optional.of(finding(asked, target))
                : Optional.empty();
    }

    private static Finding finding(Target asked, Target target) {
        boolean higher = target.pressurePa() > asked.pressurePa();
        return new Finding(
                Rung.L13,
                higher ? Severity.STOP : Severity.WARN,
                target.setting(),
                Reason.of(higher ? "ladder.L13.higher" : "ladder.L13.lower")
                        .name("setting", target.setting())
                        .pressure("target", target.pressurePa())
                        .pressure("schematic", asked.pressurePa()),
                Optional.of(new Suggestion.SetTarget(target.setting(), asked.pressurePa())));
    }
}
