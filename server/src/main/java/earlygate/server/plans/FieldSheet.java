package earlygate.server.plans;

import earlygate.explain.Reason;
import earlygate.server.api.PlanView;
import earlygate.server.api.PlanView.ExpectView;
import earlygate.server.api.PlanView.PhaseView;
import earlygate.server.api.PlanView.StepView;
import earlygate.server.documents.Pdf;
import earlygate.server.documents.Row;
import earlygate.server.words.Words;
import earlygate.unit.PowerUnit;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;

/**
 * The plan on paper: a box for every reading, a tick for every step; to be typed in later. Its text is in
 * {@code documents/field-sheet.html}.
 */
final class FieldSheet {
    private FieldSheet() {}

    static byte[] of(PowerUnit unit, int revision, PlanView plan, Words words) {
        return Pdf.of(
                "field-sheet",
                Row.of("tag", unit.tag())
                        .and("unitName", unit.name())
                        .and(
                                "drawing",
                                (unit.drawing().number() + " " + unit.drawing().revision()).strip())
                        .and("unitRevision", revision)
                        .and("school", words.say(Reason.of("school." + plan.school())))
                        .and("why", plan.why())
                        .and("audit", plan.audit().said())
                        .and("order", plan.order())
                        .and("tools", String.join("; ", plan.bring().tools()))
                        .and("gauges", String.join("; ", plan.bring().gauges()))
                        .and("gear", String.join("; ", plan.bring().gear()))
                        .and("people", plan.bring().people())
                        .and("minutes", Math.round(plan.bring().minutes()))
                        .and(
                                "phases",
                                plan.phases().stream().map(FieldSheet::phase).toList())
                        .map());
    }

    private static Map<String, Object> phase(PhaseView phase) {
        return Row.of("title", phase.title())
                .and("gate", String.join("; ", phase.holdPoint().conditions()))
                .and(
                        "rows",
                        phase.steps().stream().flatMap(s -> rows(s).stream()).toList())
                .map();
    }

    /** One for each reading, one for a step without. */
    private static List<Map<String, Object>> rows(StepView s) {
        List<Map<String, Object>> rows = new ArrayList<>();
        for (ExpectView e : s.expect()) {
            rows.add(row(s, rows.isEmpty())
                    .and("reads", true)
                    .and("testPoint", e.testPoint())
                    .and("low", e.low())
                    .and("high", e.high())
                    .and("unit", e.reads())
                    .and("asFound", "as-found".equals(s.demand()))
                    .map());
        }
        return rows.isEmpty() ? List.of(row(s, true).map()) : rows;
    }

    private static Row row(StepView s, boolean first) {
        return Row.of("first", first)
                .and("number", s.id().substring(1))
                .and("action", s.action())
                .and("tool", s.tool())
                .and("mind", s.cautions().isEmpty() ? "" : s.cautions().get(0));
    }
}
