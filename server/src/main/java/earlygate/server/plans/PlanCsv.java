package earlygate.server.plans;

import earlygate.server.api.CsvTable;
import earlygate.server.api.PlanView;
import earlygate.server.api.PlanView.ExpectView;
import earlygate.server.api.PlanView.MoveView;
import earlygate.server.api.PlanView.PhaseView;
import earlygate.server.api.PlanView.StepView;
import java.util.Arrays;
import java.util.List;
import java.util.Objects;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** A plan as a table: one row for each step and instrument. */
final class PlanCsv {
    private static final List<String> COLUMNS = List.of(
            "phase",
            "step",
            "kind",
            "setting",
            "action",
            "moves",
            "in control",
            "instrument",
            "value",
            "low",
            "high",
            "unit",
            "tool",
            "people",
            "minutes",
            "unprotected");

    private PlanCsv() {}

    static String write(PlanView plan) {
        return CsvTable.write(
                COLUMNS,
                plan.phases().stream()
                        .flatMap(phase -> phase.steps().stream()
                                .flatMap(s -> s.expect().isEmpty()
                                        ? Stream.of(row(phase, s, null))
                                        : s.expect().stream().map(e -> row(phase, s, e)))));
    }

    /** As a hand does it: {@code turn RV1 -1.25}, {@code open TV1 0.3}, {@code shift DV1 a}. */
    private static String move(MoveView m) {
        return Stream.of(m.kind(), m.id(), m.to(), m.turns())
                .filter(Objects::nonNull)
                .map(Object::toString)
                .collect(Collectors.joining(" "));
    }

    private static List<?> row(PhaseView phase, StepView s, ExpectView e) {
        return Arrays.asList(
                phase.id(),
                s.id(),
                s.kind(),
                s.setting(),
                s.action(),
                s.moves().stream().map(PlanCsv::move).collect(Collectors.joining("; ")),
                s.inControl(),
                e == null ? null : e.testPoint(),
                e == null ? null : e.value(),
                e == null ? null : e.low(),
                e == null ? null : e.high(),
                e == null ? null : e.reads(),
                s.tool(),
                s.people(),
                s.minutes(),
                s.unprotected());
    }
}
