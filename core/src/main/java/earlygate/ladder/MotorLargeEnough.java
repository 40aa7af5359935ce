package earlygate.ladder;

import earlygate.circuit.Driver;
import earlygate.explain.Reason;
import earlygate.ladder.Finding.Severity;
import earlygate.ladder.Finding.Suggestion;
import earlygate.quantity.Si;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** L10: corner power at cut-off, and full flow over the relief, against the motor's rating. */
final class MotorLargeEnough implements Rule {
    @Override
    public List<Finding> check(Stage stage) {
        return stage.pairs().stream().flatMap(p -> check(stage, p).stream()).toList();
    }

    private Optional<Finding> check(Stage stage, Stage.Pair p) {
        Driver motor = stage.unit().driverOf(p.pump());
        double cutOff = p.compensatorTarget().pressurePa();
        double corner = stage.cornerLoad(p.pump(), cutOff);
        double relief = stage.fullFlowPressure(p.relief(), p.reliefTarget());
        double overRelief = stage.load(
                p.pump(), relief, relief + p.pump().compensator().orElseThrow().bandPa());
        boolean cornerTooHigh = corner > motor.serviceFactor();
        if (!cornerTooHigh && overRelief <= motor.serviceFactor()) {
            return Optional.empty();
        }
        Reason message = Reason.of(cornerTooHigh ? "ladder.L10.corner" : "ladder.L10.over-relief")
                .name("motor", motor.id())
                .name("compensator", p.pump().compensatorId())
                .name("relief", p.relief().id())
                .ratio("corner", corner)
                .ratio("overRelief", overRelief)
                .ratio("limit", motor.serviceFactor());
        return Optional.of(new Finding(
                "L10",
                cornerTooHigh ? Severity.WARN : Severity.INFO,
                p.pump().compensatorId(),
                message,
                Map.of("cornerLoad", corner, "reliefFlowLoad", overRelief, "limit", motor.serviceFactor()),
                cornerTooHigh ? Optional.of(offer(stage, p, motor)) : Optional.empty()));
    }

    /** Highest whole-bar cut-off whose corner the motor stands; load grows with it, so bisection finds it. */
    private Suggestion offer(Stage stage, Stage.Pair p, Driver motor) {
        double low = 0;
        double high = p.compensatorTarget().pressurePa();
        for (int i = 0; i < 20; i++) {
            double mid = (low + high) / 2;
            if (stage.cornerLoad(p.pump(), mid) > motor.serviceFactor()) {
                high = mid;
            } else {
                low = mid;
            }
        }
        return new Suggestion.SetTarget(p.pump().compensatorId(), Math.floor(low / Si.BAR) * Si.BAR);
    }
}
