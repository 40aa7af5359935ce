package earlygate.ladder;

import earlygate.explain.Reason;
import earlygate.ladder.Finding.Severity;
import earlygate.ladder.Finding.Suggestion;
import earlygate.quantity.Si;
import earlygate.unit.HydraulicMotor;
import earlygate.unit.ReliefValve;
import earlygate.unit.Target;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;

/** L6: a cross-port relief 14 to 28 bar above driving pressure, and below the main relief that must reach it. */
final class CrossPortInPlace implements Rule {
    private static final double LEAST = 14 * Si.BAR;
    private static final double MOST = 28 * Si.BAR;

    @Override
    public List<Finding> check(LadderInput stage) {
        List<Finding> findings = new ArrayList<>();
        for (ReliefValve valve : stage.reliefs()) {
            if (valve.role() == ReliefValve.Role.CROSS_PORT) {
                stage.unit().target(valve.id()).ifPresent(t -> {
                    besideDriving(stage, valve, t).ifPresent(findings::add);
                    belowMain(stage, valve).ifPresent(findings::add);
                });
            }
        }
        return findings;
    }

    private Optional<Finding> besideDriving(LadderInput stage, ReliefValve valve, Target target) {
        OptionalDouble driving = driving(stage, valve.inlet());
        if (driving.isEmpty()) {
            return Optional.empty();
        }
        double above = stage.cracking(valve, target) - driving.getAsDouble();
        if (above >= LEAST - 1 && above <= MOST + 1) {
            return Optional.empty();
        }
        boolean low = above < LEAST;
        Reason message = Reason.of(low ? "ladder.L6.too-near" : "ladder.L6.too-far")
                .name("valve", valve.id())
                .pressure("above", above)
                .pressure("driving", driving.getAsDouble())
                .pressure("least", LEAST)
                .pressure("most", MOST);
        double shift = (low ? LEAST : MOST) - above;
        double offer = low
                ? LadderInput.ceilBar(target.pressurePa() + shift)
                : LadderInput.floorBar(target.pressurePa() + shift);
        return Optional.of(new Finding(
                Rung.L6, Severity.WARN, valve.id(), message, Optional.of(new Suggestion.SetTarget(valve.id(), offer))));
    }

    /** What the sheet says of work on this line, else what the motor's torque asks. */
    private static OptionalDouble driving(LadderInput stage, String line) {
        OptionalDouble work = stage.need(line);
        return work.isPresent()
                ? work
                : stage.unit().all(HydraulicMotor.class).stream()
                        .filter(m -> m.torque() > 0 && (m.a().equals(line) || m.b().equals(line)))
                        .mapToDouble(m -> 2 * Math.PI * m.torque() / (m.displacement() * m.efficiency()))
                        .max();
    }

    private Optional<Finding> belowMain(LadderInput stage, ReliefValve valve) {
        double cracking = stage.cracking(valve);
        return stage.mainRelief(valve.inlet())
                .filter(main -> cracking >= stage.cracking(main))
                .map(main -> new Finding(
                        Rung.L6,
                        Severity.STOP,
                        valve.id(),
                        Reason.of("ladder.L6.above-main")
                                .name("valve", valve.id())
                                .name("main", main.id())
                                .pressure("cracking", cracking)
                                .pressure("mainCracking", stage.cracking(main)),
                        Optional.of(new Suggestion.SetTarget(
                                main.id(),
                                LadderInput.ceilBar(
                                        cracking + stage.gapAbove(target(stage, valve), target(stage, main)))))));
    }

    private static Target target(LadderInput stage, ReliefValve valve) {
        return stage.unit().target(valve.id()).orElseThrow();
    }
}
