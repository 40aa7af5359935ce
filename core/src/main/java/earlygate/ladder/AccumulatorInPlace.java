package earlygate.ladder;

import earlygate.explain.Reason;
import earlygate.ladder.Finding.Severity;
import earlygate.ladder.Finding.Suggestion;
import earlygate.quantity.Si;
import earlygate.unit.Accumulator;
import earlygate.unit.ReliefValve;
import earlygate.unit.Target;
import earlygate.unit.UnloadingValve;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** L9: precharge, cut-out and cut-in of an accumulator; and no plain unloading valve on one. */
final class AccumulatorInPlace implements Rule {
    private static final double LEAST_PRECHARGE = 0.85;
    private static final double MOST_PRECHARGE = 0.95;
    private static final double PRECHARGE = 0.9;
    private static final double COMMON_DIFFERENTIAL = 0.15;

    @Override
    public List<Finding> check(LadderInput stage) {
        List<Finding> findings = new ArrayList<>();
        for (UnloadingValve valve : stage.unit().all(UnloadingValve.class)) {
            List<Accumulator> fed = stage.accumulatorsOn(valve.pilot());
            Optional<Target> target = stage.unit().target(valve.id());
            if (fed.isEmpty()) {
                continue;
            }
            if (valve.differential().isEmpty()) {
                findings.add(chatters(valve, fed.get(0)));
            } else if (target.isPresent()) {
                double cutOut = target.get().pressurePa();
                double cutIn = cutOut * (1 - valve.differential().getAsDouble());
                fed.forEach(a -> precharge(a, cutIn).ifPresent(findings::add));
                belowRelief(stage, valve, target.get()).ifPresent(findings::add);
                aboveNeed(stage, valve, cutIn).ifPresent(findings::add);
            }
        }
        return findings;
    }

    private static Finding chatters(UnloadingValve valve, Accumulator accumulator) {
        return new Finding(
                Rung.L9,
                Severity.STOP,
                valve.id(),
                Reason.of("ladder.L9.chatters").name("valve", valve.id()).name("accumulator", accumulator.id()),
                Optional.of(new Suggestion.Differential(valve.id(), COMMON_DIFFERENTIAL)));
    }

    private static Optional<Finding> precharge(Accumulator a, double cutIn) {
        double share = a.prechargePa() / cutIn;
        if (share >= LEAST_PRECHARGE && share <= MOST_PRECHARGE) {
            return Optional.empty();
        }
        return Optional.of(new Finding(
                Rung.L9,
                Severity.WARN,
                a.id(),
                Reason.of(share < LEAST_PRECHARGE ? "ladder.L9.precharge-low" : "ladder.L9.precharge-high")
                        .name("accumulator", a.id())
                        .pressure("precharge", a.prechargePa())
                        .pressure("cutIn", cutIn)
                        .ratio("share", share)
                        .number("low", 100 * LEAST_PRECHARGE)
                        .number("high", 100 * MOST_PRECHARGE),
                Optional.of(new Suggestion.Precharge(a.id(), Math.rint(PRECHARGE * cutIn / Si.BAR) * Si.BAR))));
    }

    private static Optional<Finding> belowRelief(LadderInput stage, UnloadingValve valve, Target cutOut) {
        Optional<ReliefValve> relief = stage.mainRelief(valve.pilot());
        if (relief.isEmpty()) {
            return Optional.empty();
        }
        double gap = stage.cracking(relief.get()) - cutOut.pressurePa();
        double needed =
                stage.gapAbove(cutOut, stage.unit().target(relief.get().id()).orElseThrow());
        if (gap >= needed - 1) {
            return Optional.empty();
        }
        return Optional.of(new Finding(
                Rung.L9,
                gap <= 0 ? Severity.STOP : Severity.WARN,
                valve.id(),
                Reason.of("ladder.L9.near-relief")
                        .name("valve", valve.id())
                        .name("relief", relief.get().id())
                        .pressure("gap", gap)
                        .pressure("needed", needed),
                Optional.of(new Suggestion.SetTarget(
                        valve.id(), LadderInput.floorBar(stage.cracking(relief.get()) - needed)))));
    }

    private static Optional<Finding> aboveNeed(LadderInput stage, UnloadingValve valve, double cutIn) {
        return stage.need(valve.pilot()).stream()
                .filter(need -> cutIn < need)
                .mapToObj(need -> new Finding(
                        Rung.L9,
                        Severity.WARN,
                        valve.id(),
                        Reason.of("ladder.L9.cut-in-low")
                                .name("valve", valve.id())
                                .pressure("cutIn", cutIn)
                                .pressure("needed", need),
                        Optional.<Suggestion>of(new Suggestion.SetTarget(
                                valve.id(),
                                LadderInput.ceilBar(
                                        need / (1 - valve.differential().getAsDouble()))))))
                .findFirst();
    }
}
