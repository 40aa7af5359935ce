package earlygate.ladder;

import earlygate.explain.Reason;
import earlygate.ladder.Finding.Severity;
import earlygate.ladder.Finding.Suggestion;
import earlygate.unit.Driver;
import earlygate.unit.Pump;
import earlygate.unit.Target;
import earlygate.unit.UnloadingValve;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.DoublePredicate;
import java.util.stream.Stream;

/** L10: corner power at cut-off, full flow over the relief, and the transfer of high-low pumps, against the motor. */
final class MotorLargeEnough implements Rule {
    @Override
    public List<Finding> check(Stage stage) {
        return Stream.concat(
                        stage.pairs().stream().flatMap(p -> check(stage, p).stream()),
                        stage.unit().all(UnloadingValve.class).stream().flatMap(v -> transfer(stage, v).stream()))
                .toList();
    }

    /** A plain unloading valve has no snap: just before its pump is gone both flows stand at its setting. */
    private Optional<Finding> transfer(Stage stage, UnloadingValve valve) {
        Optional<Target> target = stage.unit().target(valve.id());
        List<Pump> pumps = stage.unit().pumpsInto(valve.inlet());
        if (target.isEmpty() || pumps.isEmpty() || valve.differential().isPresent()) {
            return Optional.empty();
        }
        Driver motor = stage.unit().driverOf(pumps.get(0));
        double peak = transferLoad(stage, valve, motor, target.get().pressurePa());
        if (peak <= motor.serviceFactor()) {
            return Optional.empty();
        }
        Reason message = Reason.of("ladder.L10.transfer")
                .name("motor", motor.id())
                .name("valve", valve.id())
                .pressure("setting", target.get().pressurePa())
                .ratio("peak", peak)
                .ratio("limit", motor.serviceFactor());
        return Optional.of(new Finding(
                "L10",
                Severity.WARN,
                valve.id(),
                message,
                Map.of("transferLoad", peak, "limit", motor.serviceFactor()),
                Optional.of(new Suggestion.SetTarget(
                        valve.id(),
                        highest(
                                target.get().pressurePa(),
                                s -> transferLoad(stage, valve, motor, s) <= motor.serviceFactor())))));
    }

    private static double transferLoad(Stage stage, UnloadingValve valve, Driver motor, double settingPa) {
        return stage.solve(stage.atTargets().withSetting(valve.id(), settingPa).withPressure(valve.pilot(), settingPa))
                .map(s -> s.driver(motor.id()).load())
                .orElse(0.0);
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

    private Suggestion offer(Stage stage, Stage.Pair p, Driver motor) {
        return new Suggestion.SetTarget(
                p.pump().compensatorId(),
                highest(
                        p.compensatorTarget().pressurePa(),
                        cutOff -> stage.cornerLoad(p.pump(), cutOff) <= motor.serviceFactor()));
    }

    /** Highest whole-bar pressure that the motor stands; load grows with it, so bisection finds it. */
    private static double highest(double from, DoublePredicate stands) {
        double low = 0;
        double high = from;
        for (int i = 0; i < 20; i++) {
            double mid = (low + high) / 2;
            if (stands.test(mid)) {
                low = mid;
            } else {
                high = mid;
            }
        }
        return Stage.floorBar(low);
    }
}
