package earlygate.server.records;

import earlygate.quantity.PressureUnit;
import earlygate.quantity.Si;
import earlygate.server.documents.PdfPage;
import earlygate.server.records.RecordView.SettingView;
import earlygate.server.records.RecordView.TestView;
import earlygate.server.runs.RunView.LogView;
import earlygate.server.words.Words;
import java.time.Instant;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.Locale;

/** The record on A4. */
final class RecordPdf {
    private static final DateTimeFormatter TIME =
            DateTimeFormatter.ofPattern("d MMM yyyy HH:mm", Locale.ENGLISH).withZone(ZoneId.systemDefault());

    private final RecordView record;
    private final PressureUnit pressure;
    private final PdfPage page;

    private RecordPdf(RecordView record, PressureUnit pressure) {
        this.record = record;
        this.pressure = pressure;
        this.page = new PdfPage(record.tag() + " · " + record.unitName());
    }

    static byte[] of(RecordView record, PressureUnit pressure) {
        return new RecordPdf(record, pressure).bytes();
    }

    private byte[] bytes() {
        page.line("Drawing", record.drawing() + ", sheet revision " + record.unitRevision());
        page.line("Technician", record.technician() + (record.practice() ? " (practice rig, not a machine)" : ""));
        page.line("Started", when(record.startedAt().toInstant()));
        page.line("Finished", record.finishedAt() == null ? "not finished" : when(record.finishedAt()));
        page.outcome(outcome());
        settings();
        tests();
        deviations();
        taken();
        log();
        page.signatures("Technician", "Supervisor");
        return page.bytes();
    }

    private String outcome() {
        return switch (record.outcome()) {
            case "passed" -> "Passed: every setting within its tolerance after locking";
            case "passed-with-deviations" -> "Finished with deviations, listed below";
            default -> "Unfinished: not a certificate";
        };
    }

    private void settings() {
        page.table("Settings", "Setting", "As found", "As left", "Target", "Verdict", "Instrument", "Oil", "Read");
        for (SettingView s : record.settings()) {
            page.row(
                    Words.settingName(s.setting()),
                    show(s.asFoundBar()) + " " + s.asFoundFrom(),
                    s.asLeftBar() == null ? "-" : show(s.asLeftBar()) + cracks(s),
                    show(s.targetBar()) + " ± " + show(s.toleranceBar()) + " " + s.defined(),
                    s.verdict() == null ? "-" : s.verdict().replace('-', ' '),
                    s.instrument(),
                    s.oilC() == null ? "-" : s.oilC() + " °C",
                    s.at() == null ? "-" : when(s.at()));
        }
        page.endTable();
    }

    private String cracks(SettingView s) {
        String found = s.crackFoundBar() == null ? "" : ", crack found " + show(s.crackFoundBar());
        return found + (s.crackTappedBar() == null ? "" : ", marked by hand " + show(s.crackTappedBar()));
    }

    private void tests() {
        page.table("Readings and tests", "Phase", "Step", "Instrument", "Read", "Expected", "Verdict");
        for (TestView t : record.tests()) {
            page.row(
                    t.phase(),
                    t.action(),
                    t.instrument(),
                    t.value() + " " + t.unit(),
                    t.low() + " to " + t.high() + " " + t.unit(),
                    t.verdict().replace('-', ' '));
        }
        page.endTable();
    }

    private void deviations() {
        page.table("Deviations and reasons", "Step", "Reason", "Given", "");
        record.deviations().forEach(d -> page.row(d.action(), d.reason(), when(d.at()), d.standing()));
        page.endTable();
        if (record.deviations().isEmpty()) {
            page.paragraph("None.");
        }
    }

    private void taken() {
        page.table("Every reading taken", "No.", "Time", "Step", "Instrument", "Read", "How", "");
        record.taken()
                .forEach(t -> page.row(
                        Long.toString(t.seq()),
                        when(t.at()),
                        t.step(),
                        t.instrument(),
                        t.value() + " " + t.unit(),
                        t.source(),
                        t.standing()));
        page.endTable();
        if (!record.notes().isEmpty()) {
            page.table("Written down", "Step", "What", "Text");
            record.notes().forEach(n -> page.row(n.step(), n.label(), n.text()));
            page.endTable();
        }
    }

    private void log() {
        page.table("Log", "No.", "Time", "By", "Step", "What");
        for (LogView l : record.log()) {
            page.row(Long.toString(l.seq()), when(l.at()), l.by(), l.step(), l.text());
        }
        page.endTable();
    }

    private String show(double bar) {
        return pressure.show(bar * Si.BAR);
    }

    private static String when(Instant at) {
        return TIME.format(at);
    }
}
