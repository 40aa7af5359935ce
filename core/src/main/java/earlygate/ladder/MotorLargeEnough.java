package earlygate.ladder;

import earlygate.curve.Bisection;
import earlygate.explain.Reason;
import earlygate.ladder.Finding.Severity;
import earlygate.ladder.Finding.Suggestion;
import earlygate.unit.Driver;
import earlygate.unit.Target;
import earlygate.unit.UnloadingValve;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.DoubleFunction;
import java.util.stream.Stream;

/** L10: corner power at cut-off, full flow over the relief, and the transfer of high-low pumps, against the motor. */
final class MotorLargeEnough implements Rule {
    @Override
    public List<Finding> check(LadderInput stage) {
        return Stream.concat(
                        stage.pairs().stream().flatMap(p -> check(stage, p).stream()),
                        stage.unit().all(UnloadingValve.class).stream().flatMap(v -> transfer(stage, v).stream()))
                .toList();
    }

    /** A plain unloading valve has no snap: just before its pump is gone both flows stand at its setting. */
    private Optional<Finding> transfer(LadderInput stage, UnloadingValve valve) {
        Optional<Target> target = stage.unit().target(valve.id());
        if (target.isEmpty() || valve.differential().isPresent()) {
            return Optional.empty();
        }
        double setting = target.get().pressurePa();
        return stage.unit().pumpsInto(valve.inlet()).stream()
                .map(stage.unit()::driverOf)
                .distinct()
                .flatMap(motor -> transfer(stage, valve, motor, setting).stream())
                .findFirst();
    }

    private static Optional<Finding> transfer(LadderInput stage, UnloadingValve valve, Driver motor, double setting) {
        OptionalDouble peak = transferLoad(stage, valve, motor, setting);
        if (peak.isEmpty()) {
            return Optional.of(unknown(motor, valve.id(), setting));
        }
        if (peak.getAsDouble() <= motor.serviceFactor()) {
            return Optional.empty();
        }
        Reason message = Reason.of("ladder.L10.transfer")
                .name("motor", motor.id())
                .name("valve", valve.id())
                .pressure("setting", setting)
                .ratio("transferLoad", peak.getAsDouble())
                .ratio("limit", motor.serviceFactor());
        return Optional.of(new Finding(
                Rung.L10,
                Severity.WARN,
                valve.id(),
                message,
                offer(valve.id(), setting, motor, s -> transferLoad(stage, valve, motor, s))));
    }

    private static OptionalDouble transferLoad(
            LadderInput stage, UnloadingValve valve, Driver motor, double settingPa) {
        return stage.loadOf(
                motor, stage.atTargets().withSetting(valve.id(), settingPa).withPressure(valve.pilot(), settingPa));
    }

    private static Optional<Finding> check(LadderInput stage, LadderInput.Pair p) {
        Driver motor = stage.unit().driverOf(p.pump());
        String compensator = p.pump().compensatorId();
        double cutOff = p.compensatorTarget().pressurePa();
        double relief = stage.fullFlowPressure(p.relief(), p.reliefTarget());
        OptionalDouble corner = stage.cornerLoad(p.pump(), cutOff);
        OptionalDouble overRelief = stage.load(
                p.pump(), relief, relief + p.pump().compensator().orElseThrow().bandPa());
        if (corner.isEmpty() || overRelief.isEmpty()) {
            return Optional.of(unknown(motor, compensator, corner.isEmpty() ? cutOff : relief));
        }
        boolean cornerTooHigh = corner.getAsDouble() > motor.serviceFactor();
        if (!cornerTooHigh && overRelief.getAsDouble() <= motor.serviceFactor()) {
            return Optional.empty();
        }
        Reason message = Reason.of(cornerTooHigh ? "ladder.L10.corner" : "ladder.L10.over-relief")
                .name("motor", motor.id())
                .name("compensator", compensator)
                .name("relief", p.relief().id())
                .ratio("cornerLoad", corner.getAsDouble())
                .ratio("reliefFlowLoad", overRelief.getAsDouble())
                .ratio("limit", motor.serviceFactor());
        return Optional.of(new Finding(
                Rung.L10,
                cornerTooHigh ? Severity.WARN : Severity.INFO,
                compensator,
                message,
                cornerTooHigh
                        ? offer(compensator, cutOff, motor, s -> stage.cornerLoad(p.pump(), s))
                        : Optional.empty()));
    }

    private static Finding unknown(Driver motor, String setting, double linePa) {
        Reason message = Reason.of("ladder.L10.unknown")
                .name("motor", motor.id())
                .name("setting", setting)
                .pressure("line", linePa);
        return new Finding(Rung.L10, Severity.WARN, setting, message, Optional.empty());
    }

    /** Highest whole-bar setting that the motor stands; load grows with it, so bisection finds it, or the model fails. */
    private static Optional<Suggestion> offer(
            String setting, double from, Driver motor, DoubleFunction<OptionalDouble> load) {
        return Bisection.zero(
                        0,
                        from,
                        20,
                        at -> load.apply(at).stream()
                                .map(l -> l - motor.serviceFactor())
                                .findFirst())
                .map(limit -> new Suggestion.SetTarget(setting, LadderInput.floorBar(limit.below())));
    }
}
