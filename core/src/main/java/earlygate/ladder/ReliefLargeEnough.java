package earlygate.ladder;

import earlygate.explain.Reason;
import earlygate.ladder.Finding.Severity;
import earlygate.ladder.Finding.Suggestion;
import earlygate.quantity.Si;
import earlygate.unit.ReliefValve;
import java.util.List;
import java.util.Optional;

/** L3: a relief must be able to pass everything its pumps deliver. */
final class ReliefLargeEnough implements Rule {
    @Override
    public List<Finding> check(LadderInput stage) {
        return stage.reliefs().stream()
                .filter(r -> r.ratedFlow() < stage.fullFlow(r.inlet()))
                .map(r -> finding(stage, r))
                .toList();
    }

    private Finding finding(LadderInput stage, ReliefValve relief) {
        double flow = stage.fullFlow(relief.inlet());
        double size = Math.ceil(flow / Si.LPM / 10) * 10 * Si.LPM;
        Reason message = Reason.of("ladder.L3.too-small")
                .name("relief", relief.id())
                .flow("ratedFlow", relief.ratedFlow())
                .flow("pumpFlow", flow);
        return new Finding(
                Rung.L3, Severity.STOP, relief.id(), message, Optional.of(new Suggestion.RatedFlow(relief.id(), size)));
    }
}
