package earlygate.ladder;

import earlygate.explain.Reason;
import earlygate.ladder.Finding.Severity;
import earlygate.ladder.Finding.Suggestion;
import earlygate.unit.PowerUnit;
import earlygate.unit.ReliefValve;
import earlygate.unit.Target;
import earlygate.unit.UnloadingValve;
import earlygate.unit.Work;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** L4: an unloading valve below the relief by the gap, below what its pump stands, above what the approach needs. */
final class UnloadingInPlace implements Rule {
    @Override
    public List<Finding> check(LadderInput stage) {
        List<Finding> findings = new ArrayList<>();
        for (UnloadingValve valve : stage.unit().all(UnloadingValve.class)) {
            stage.unit().target(valve.id()).ifPresent(target -> {
                if (stage.accumulatorsOn(valve.pilot()).isEmpty()) {
                    belowRelief(stage, valve, target).ifPresent(findings::add);
                    aboveApproach(stage, valve, target).ifPresent(findings::add);
                }
                belowRating(stage, valve, target).ifPresent(findings::add);
            });
        }
        return findings;
    }

    private Optional<Finding> belowRelief(LadderInput stage, UnloadingValve valve, Target target) {
        Optional<ReliefValve> relief = stage.mainRelief(valve.pilot());
        if (relief.isEmpty()) {
            return Optional.empty();
        }
        Target reliefTarget = stage.unit().target(relief.get().id()).orElseThrow();
        double cracking = stage.cracking(relief.get());
        double needed = stage.gapAbove(target, reliefTarget);
        double gap = cracking - target.pressurePa();
        if (gap >= needed - 1) {
            return Optional.empty();
        }
        // With the large pump never gone, both flows end over the relief.
        double heat = cracking
                * stage.paths().feeding(valve.pilot()).stream()
                        .mapToDouble(stage::fullFlow)
                        .sum();
        Reason message = Reason.of("ladder.L4.near-relief")
                .name("valve", valve.id())
                .name("relief", relief.get().id())
                .pressure("gap", gap)
                .pressure("needed", needed)
                .power("heat", heat);
        return Optional.of(new Finding(
                Rung.L4,
                gap <= 0 ? Severity.STOP : Severity.WARN,
                valve.id(),
                message,
                Optional.of(new Suggestion.SetTarget(valve.id(), LadderInput.floorBar(cracking - needed)))));
    }

    /** Just before it opens, its own pump stands at its setting, plus the check's drop. */
    private Optional<Finding> belowRating(LadderInput stage, UnloadingValve valve, Target target) {
        PowerUnit.Rating weakest = stage.unit().weakest(valve.inlet());
        double highest = target.pressurePa() + valve.bandPa();
        if (highest <= weakest.pressurePa()) {
            return Optional.empty();
        }
        Reason message = Reason.of("ladder.L4.above-rating")
                .name("valve", valve.id())
                .name("part", weakest.part())
                .pressure("highest", highest)
                .pressure("rating", weakest.pressurePa());
        return Optional.of(new Finding(
                Rung.L4,
                Severity.STOP,
                valve.id(),
                message,
                Optional.of(new Suggestion.SetTarget(
                        valve.id(), LadderInput.floorBar(weakest.pressurePa() - valve.bandPa())))));
    }

    /** Work that needs more flow than is left once the large pump is gone must be over before. */
    private Optional<Finding> aboveApproach(LadderInput stage, UnloadingValve valve, Target target) {
        double left = stage.unit().pumpsInto(valve.pilot()).stream()
                .mapToDouble(stage::fullFlow)
                .sum();
        Optional<Work> early = stage.unit().work().stream()
                .filter(w -> w.line().equals(valve.pilot()) && w.flow() > left)
                .filter(w -> w.pressurePa() > target.pressurePa())
                .findFirst();
        return early.map(w -> new Finding(
                Rung.L4,
                Severity.WARN,
                valve.id(),
                Reason.of("ladder.L4.too-early")
                        .name("valve", valve.id())
                        .name("work", w.name())
                        .pressure("setting", target.pressurePa())
                        .pressure("needed", w.pressurePa())
                        .flow("flowLeft", left)
                        .flow("asked", w.flow()),
                Optional.of(
                        new Suggestion.SetTarget(valve.id(), LadderInput.ceilBar(w.pressurePa() + valve.bandPa())))));
    }
}
