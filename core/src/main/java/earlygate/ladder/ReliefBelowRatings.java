package earlygate.ladder;

import earlygate.explain.Reason;
import earlygate.ladder.Finding.Severity;
import earlygate.ladder.Finding.Suggestion;
import earlygate.quantity.Si;
import earlygate.unit.PowerUnit;
import earlygate.unit.ReliefValve;
import earlygate.unit.Target;
import java.util.List;
import java.util.Optional;

/** L2: at the largest flow a relief can meet, its pressure must stay below the weakest part of the line. */
final class ReliefBelowRatings implements Rule {
    @Override
    public List<Finding> check(LadderInput stage) {
        return stage.reliefs().stream()
                .flatMap(r -> stage.unit().target(r.id()).flatMap(t -> check(stage, r, t)).stream())
                .toList();
    }

    private Optional<Finding> check(LadderInput stage, ReliefValve relief, Target target) {
        PowerUnit.Rating weakest = stage.unit().weakest(relief.inlet());
        double fullFlow = stage.fullFlowPressure(relief, target);
        double excess = fullFlow - weakest.pressurePa();
        if (excess <= 0) {
            return Optional.empty();
        }
        double offer = Math.floor((target.pressurePa() - excess) / Si.BAR) * Si.BAR;
        Reason message = Reason.of("ladder.L2.above-rating")
                .name("relief", relief.id())
                .name("part", weakest.part())
                .pressure("fullFlow", fullFlow)
                .pressure("rating", weakest.pressurePa())
                .flow("flow", stage.fullFlow(relief.inlet()));
        return Optional.of(new Finding(
                Rung.L2,
                Severity.STOP,
                relief.id(),
                message,
                offer > 0 ? Optional.of(new Suggestion.SetTarget(relief.id(), offer)) : Optional.empty()));
    }
}
