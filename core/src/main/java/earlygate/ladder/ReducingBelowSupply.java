package earlygate.ladder;

import earlygate.explain.Reason;
import earlygate.ladder.Finding.Severity;
import earlygate.ladder.Finding.Suggestion;
import earlygate.unit.ReducingValve;
import earlygate.unit.Situation;
import earlygate.unit.Target;
import earlygate.unit.UnloadingValve;
import java.util.List;
import java.util.Optional;

/** L5: a reducing valve's target below the lowest supply it will ever see: standby, cut-in, or the lowest limiter. */
final class ReducingBelowSupply implements Rule {
    @Override
    public List<Finding> check(LadderInput stage) {
        return stage.unit().all(ReducingValve.class).stream()
                .flatMap(v -> stage.unit().target(v.id()).flatMap(t -> check(stage, v, t)).stream())
                .toList();
    }

    private Optional<Finding> check(LadderInput stage, ReducingValve valve, Target target) {
        Optional<Double> supply = lowestSupply(stage, valve);
        if (supply.isEmpty() || target.pressurePa() < supply.get()) {
            return Optional.empty();
        }
        Reason message = Reason.of("ladder.L5.above-supply")
                .name("valve", valve.id())
                .name("line", valve.inlet())
                .pressure("target", target.pressurePa())
                .pressure("supply", supply.get());
        double offer = LadderInput.floorBar(supply.get() - valve.bandPa());
        return Optional.of(new Finding(
                Rung.L5,
                Severity.STOP,
                valve.id(),
                message,
                offer > 0 ? Optional.of(new Suggestion.SetTarget(valve.id(), offer)) : Optional.empty()));
    }

    /** By the model, nobody drawing: an accumulator at its cut-in, a load-sense pump at standby. */
    private Optional<Double> lowestSupply(LadderInput stage, ReducingValve valve) {
        Situation lowest = stage.atTargets();
        for (UnloadingValve u : stage.unit().all(UnloadingValve.class)) {
            if (u.differential().isPresent() && stage.unit().target(u.id()).isPresent()) {
                double cutOut = stage.unit().target(u.id()).get().pressurePa();
                lowest = lowest.withPressure(
                        u.pilot(), cutOut * (1 - u.differential().getAsDouble()));
            }
        }
        return stage.model()
                .solve(lowest)
                .filter(s -> !s.sealed().contains(valve.inlet()))
                .map(s -> s.pressure(valve.inlet()));
    }
}
