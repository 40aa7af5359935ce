package earlygate.server.plans;

import earlygate.server.api.PlanView;
import earlygate.server.api.PlanView.ExpectView;
import earlygate.server.api.PlanView.MoveView;
import earlygate.server.api.PlanView.PhaseView;
import earlygate.server.api.PlanView.StepView;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.List;
import java.util.Objects;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;

/** A plan as a table: one row for each step and instrument. */
final class PlanCsv {
    private static final String[] COLUMNS = {
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
        "unprotected"
    };

    private PlanCsv() {}

    static String write(PlanView plan) {
        StringBuilder out = new StringBuilder();
        CSVFormat format = CSVFormat.DEFAULT
                .builder()
                .setHeader(COLUMNS)
                .setRecordSeparator("\r\n")
                .get();
        try (CSVPrinter printer = format.print(out)) {
            for (PhaseView phase : plan.phases()) {
                for (StepView s : phase.steps()) {
                    List<ExpectView> expect = s.expect();
                    if (expect.isEmpty()) {
                        print(printer, phase, s, null);
                    }
                    for (ExpectView e : expect) {
                        print(printer, phase, s, e);
                    }
                }
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return out.toString();
    }

    /** As a hand does it: {@code turn RV1 -1.25}, {@code open TV1 0.3}, {@code shift DV1 a}. */
    private static String move(MoveView m) {
        return Stream.of(m.kind(), m.id(), m.to(), m.turns())
                .filter(Objects::nonNull)
                .map(Object::toString)
                .collect(Collectors.joining(" "));
    }

    private static void print(CSVPrinter printer, PhaseView phase, StepView s, ExpectView e) throws IOException {
        printer.printRecord(
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
