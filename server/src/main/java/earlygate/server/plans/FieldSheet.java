package earlygate.server.plans;

import earlygate.server.api.PlanView;
import earlygate.server.api.PlanView.ExpectView;
import earlygate.server.api.PlanView.PhaseView;
import earlygate.server.api.PlanView.StepView;
import earlygate.server.documents.PdfPage;
import earlygate.unit.PowerUnit;
import java.util.List;

/** The plan on paper: a box for every reading, a tick for every step; to be typed in later. */
final class FieldSheet {
    private FieldSheet() {}

    static byte[] of(PowerUnit unit, int revision, PlanView plan) {
        PdfPage page = new PdfPage(unit.tag() + " · " + unit.name());
        page.line(
                "Drawing",
                (unit.drawing().number() + " " + unit.drawing().revision()).strip() + ", sheet revision " + revision);
        page.line("Way", plan.school().replace('-', ' '));
        page.paragraph(plan.why());
        for (PhaseView phase : plan.phases()) {
            page.table(phase.title(), "", "Step", "Mind", "Expected", "Read");
            phase.steps().forEach(s -> step(page, s));
            page.row(
                    PdfPage.TICK, "Gate: " + String.join("; ", phase.holdPoint().conditions()), "", "", PdfPage.BOX);
            page.endTable();
        }
        page.signatures("Technician, date", "Partner");
        return page.bytes();
    }

    private static void step(PdfPage page, StepView s) {
        String action = s.id().substring(1) + ". " + s.action() + (s.tool().isEmpty() ? "" : " (" + s.tool() + ")");
        String mind = s.cautions().isEmpty() ? "" : s.cautions().get(0);
        List<ExpectView> expect = s.expect();
        if (expect.isEmpty()) {
            page.row(PdfPage.TICK, action, mind, "", "");
        }
        for (int i = 0; i < expect.size(); i++) {
            ExpectView e = expect.get(i);
            page.row(
                    i == 0 ? PdfPage.TICK : "",
                    i == 0 ? action : "",
                    i == 0 ? mind : "",
                    e.testPoint() + " " + e.low() + " to " + e.high() + " " + e.reads(),
                    PdfPage.BOX);
        }
    }
}
