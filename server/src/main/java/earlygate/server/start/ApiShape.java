package earlygate.server.start;

import io.swagger.v3.oas.models.media.Schema;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.springdoc.core.customizers.OpenApiCustomizer;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** Says in the API's contract which parts of an answer are always there; a record's class file doesn't. */
@Configuration
class ApiShape {
    private static final Set<String> MAY_BE_NULL = Set.of(
            "ComparisonView.refused",
            "CrackView.foundBar",
            "CrackView.tappedBar",
            "FindingView.suggestion",
            "Crack.fallBar",
            "Crack.standsBar",
            "Crack.lowBar",
            "Crack.highBar",
            "CrackView.standsBar",
            "CrackView.standsLowBar",
            "CrackView.standsHighBar",
            "HolderView.setting",
            "LiveView.crack",
            "RunView.holder",
            "SettingView.errorBar",
            "SettingView.why",
            "SettingView.standsBar",
            "SettingView.standsLowBar",
            "SettingView.standsHighBar",
            "ScrewStanding.slack",
            "FindingView.acceptedAs",
            "Gauge.takeBar",
            "GoalView.minus",
            "MoveView.to",
            "MoveView.turns",
            "Instrument.calibrationDue",
            "LiveView.closed",
            "LiveView.crackBar",
            "LiveView.ready",
            "OilView.at",
            "OilView.c",
            "PhaseProgress.openedAt",
            "PhaseProgress.openedBy",
            "RecordView.finishedAt",
            "RunSummary.outcome",
            "RunView.advice",
            "RunView.crack",
            "RunView.deviation",
            "RunView.step",
            "RunView.waitingAt",
            "RunView.paused",
            "RunView.wayBack",
            "ScrewView.turnsIn",
            "SettingView.asLeftBar",
            "SettingView.at",
            "SettingView.crackFoundBar",
            "SettingView.crackTappedBar",
            "SettingView.deviation",
            "SettingView.oilC",
            "SettingView.verdict",
            "StepView.demand",
            "StepView.goal",
            "StepView.goalBar",
            "StepView.inControl",
            "StepView.setting",
            "StepView.unprotected",
            "StepView.way",
            "SuggestionView.key",
            "SuggestionView.part",
            "SuggestionView.pressureBar",
            "SuggestionView.setting",
            "SuggestionView.value",
            "OilSampleView.cleanliness",
            "OilSampleView.classesAbove",
            "OilSampleView.waterPpm",
            "OilSampleView.viscosity40",
            "OilSampleView.acid",
            "UpkeepOilView.target",
            "StepView.test",
            "CurveView.signal",
            "CurveView.next",
            "CurveView.fit",
            "CurveView.verdict",
            "TakenPoint.signalBar",
            "TakenPoint.leftOut",
            "FittedValue.expected",
            "FittedPoint.signalBar",
            "FittedPoint.efficiency",
            "AttachedView.step",
            "TestedView.verdict",
            "TestView.deviation",
            "UnitSummary.commissioned",
            "UnitSummary.nextCheck");

    @Bean
    OpenApiCustomizer required() {
        return api -> {
            api.setServers(null);
            Map<String, Schema> schemas = api.getComponents().getSchemas();
            schemas.forEach((name, schema) -> {
                if (name.endsWith("Request") || name.equals("RigAction") || schema.getProperties() == null) {
                    return;
                }
                List<String> always = new ArrayList<>();
                for (Object property : schema.getProperties().keySet()) {
                    if (!MAY_BE_NULL.contains(name + "." + property)) {
                        always.add((String) property);
                    }
                }
                schema.setRequired(always);
            });
        };
    }
}
