package earlygate.ladder;

import earlygate.explain.Reason;
import earlygate.ladder.Finding.Severity;
import earlygate.ladder.Finding.Suggestion;
import earlygate.quantity.Si;
import earlygate.solve.SteadyState;
import earlygate.unit.Situation;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** L1: a relief that cracks below compensator plus gap leaks at working pressure: heat, hunting, motor load. */
final class ReliefAboveCompensator implements Rule {
    @Override
    public List<Finding> check(Stage stage) {
        return stage.pairs().stream().flatMap(p -> check(stage, p).stream()).toList();
    }

    private Optional<Finding> check(Stage stage, Stage.Pair p) {
        double compensator = p.compensatorTarget().pressurePa();
        double cracking = stage.cracking(p.relief(), p.reliefTarget());
        double gap = cracking - compensator;
        double needed = stage.gaps().gap(stage.unit(), p.relief().inlet(), p.compensatorTarget(), p.reliefTarget());
        if (gap >= needed - 1) {
            return Optional.empty();
        }
        // What it costs at the unlucky ends of both tolerances, with the load shut.
        Situation worst = stage.atTargets()
                .withSetting(p.relief().id(), cracking - p.reliefTarget().tolerancePa())
                .withSetting(
                        p.pump().compensatorId(),
                        compensator + p.compensatorTarget().tolerancePa());
        Optional<SteadyState> state = stage.solve(worst);
        double heat = state.map(s -> s.valve(p.relief().id()).heat()).orElse(0.0);
        double load = state.map(s -> s.driver(p.pump().driver()).load()).orElse(0.0);
        double offer = Math.ceil((compensator + needed + p.reliefTarget().pressurePa() - cracking) / Si.BAR) * Si.BAR;
        Reason message = Reason.of(gap <= 0 ? "ladder.L1.below" : "ladder.L1.short")
                .name("relief", p.relief().id())
                .name("compensator", p.pump().compensatorId())
                .pressure("gap", Math.abs(gap))
                .pressure("needed", needed)
                .power("heat", heat)
                .ratio("load", load);
        return Optional.of(new Finding(
                "L1",
                gap <= 0 ? Severity.STOP : Severity.WARN,
                p.relief().id(),
                message,
                Map.of(
                        "gapBar",
                        Stage.bar(gap),
                        "neededBar",
                        Stage.bar(needed),
                        "heatKw",
                        heat / Si.KW,
                        "motorLoad",
                        load),
                Optional.of(new Suggestion.SetTarget(p.relief().id(), offer))));
    }
}
