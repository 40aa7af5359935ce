package earlygate.ladder;

import earlygate.explain.Reason;
import earlygate.ladder.Finding.Severity;
import earlygate.unit.ReliefValve;
import earlygate.unit.Target;
import java.util.List;
import java.util.Optional;

/** L12: a direct-acting relief whose override at pump flow is so large that set by its crack or at flow are two things. */
final class CrackAndFlowApart implements Rule {
    private static final double APART = 0.10;

    @Override
    public List<Finding> check(LadderInput stage) {
        return stage.reliefs().stream()
                .filter(r -> r.acting() == ReliefValve.Acting.DIRECT)
                .flatMap(r -> stage.unit().target(r.id()).flatMap(t -> check(stage, r, t)).stream())
                .toList();
    }

    private static Optional<Finding> check(LadderInput stage, ReliefValve relief, Target target) {
        double flow = stage.fullFlow(relief.inlet());
        double cracking = stage.cracking(relief, target);
        double override = relief.fullFlowPressure(0, flow);
        if (override <= APART * cracking) {
            return Optional.empty();
        }
        return Optional.of(new Finding(
                Rung.L12,
                Severity.WARN,
                relief.id(),
                Reason.of("ladder.L12.apart")
                        .name("relief", relief.id())
                        .pressure("cracking", cracking)
                        .pressure("fullFlow", cracking + override)
                        .pressure("override", override)
                        .flow("flow", flow)
                        .ratio("share", override / cracking),
                Optional.empty()));
    }
}
