package earlygate.ladder;

import earlygate.explain.Reason;
import earlygate.ladder.Finding.Severity;
import earlygate.ladder.Finding.Suggestion;
import earlygate.unit.Pump;
import earlygate.unit.Section;
import earlygate.unit.Target;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** L7: a section relief above cut-off less margin can be neither set nor proved on the machine. */
final class SectionWithinReach implements Rule {
    @Override
    public List<Finding> check(LadderInput stage) {
        List<Finding> findings = new ArrayList<>();
        for (Section section : stage.unit().all(Section.class)) {
            for (Pump pump : stage.paths().feeding(section.supply())) {
                for (String relief : List.of(section.reliefAId(), section.reliefBId())) {
                    stage.unit().target(relief).ifPresent(t -> check(stage, pump, t, findings));
                }
            }
        }
        return findings;
    }

    private static void check(LadderInput stage, Pump pump, Target target, List<Finding> findings) {
        stage.unit().target(pump.compensatorId()).ifPresent(cutOff -> {
            double margin = stage.unit()
                    .target(pump.loadSenseId())
                    .map(Target::pressurePa)
                    .orElse(pump.loadSense().map(Pump.LoadSense::marginPa).orElse(0.0));
            double reach = cutOff.pressurePa() - margin;
            if (target.pressurePa() > reach) {
                findings.add(new Finding(
                        Rung.L7,
                        Severity.STOP,
                        target.setting(),
                        Reason.of("ladder.L7.out-of-reach")
                                .name("relief", target.setting())
                                .name("compensator", cutOff.setting())
                                .pressure("target", target.pressurePa())
                                .pressure("reach", reach)
                                .pressure("margin", margin),
                        Optional.of(new Suggestion.SetTarget(target.setting(), LadderInput.floorBar(reach)))));
            }
        });
    }
}
