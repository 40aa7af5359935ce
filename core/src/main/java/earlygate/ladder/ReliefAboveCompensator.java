package earlygate.ladder;

import earlygate.explain.Reason;
import earlygate.ladder.Finding.Severity;
import earlygate.ladder.Finding.Suggestion;
import earlygate.quantity.Si;
import earlygate.solve.SteadyState;
import earlygate.unit.Situation;
import java.util.List;
import java.util.Optional;

/** L1: a relief that cracks below compensator plus gap leaks at working pressure: heat, hunting, motor load. */
final class ReliefAboveCompensator implements Rule {
    @Override
    public List<Finding> check(LadderInput stage) {
        return stage.pairs().stream().flatMap(p -> check(stage, p).stream()).toList();
    }

    private Optional<Finding> check(LadderInput stage, LadderInput.Pair p) {
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
        Optional<SteadyState> state = stage.model().solve(worst);
        Reason cost = state.map(s -> Reason.of("part.ladder-cost")
                        .power("heat", s.valve(p.relief().id()).heat())
                        .ratio("motorLoad", s.driver(p.pump().driver()).load()))
                .orElse(Reason.of("part.ladder-cost-unknown"));
        double offer = Math.ceil((compensator + needed + p.reliefTarget().pressurePa() - cracking) / Si.BAR) * Si.BAR;
        Reason message = Reason.of(gap <= 0 ? "ladder.L1.below" : "ladder.L1.short")
                .name("relief", p.relief().id())
                .name("compensator", p.pump().compensatorId())
                .pressure("gap", gap)
                .pressure("below", Math.abs(gap))
                .pressure("needed", needed)
                .said("cost", cost);
        return Optional.of(new Finding(
                Rung.L1,
                gap <= 0 ? Severity.STOP : Severity.WARN,
                p.relief().id(),
                message,
                Optional.of(new Suggestion.SetTarget(p.relief().id(), offer))));
    }
}
