package earlygate.server.records;

import com.openhtmltopdf.outputdevice.helper.BaseRendererBuilder.FontStyle;
import com.openhtmltopdf.pdfboxout.PdfRendererBuilder;
import com.openhtmltopdf.util.XRLog;
import earlygate.quantity.PressureUnit;
import earlygate.quantity.Si;
import earlygate.server.records.RecordView.SettingView;
import earlygate.server.records.RecordView.TestView;
import earlygate.server.runs.RunView.LogView;
import earlygate.server.words.Words;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.time.Instant;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.Locale;
import org.springframework.web.util.HtmlUtils;

/** The record on A4, from HTML. */
final class RecordPdf {
    private static final DateTimeFormatter TIME =
            DateTimeFormatter.ofPattern("d MMM yyyy HH:mm", Locale.ENGLISH).withZone(ZoneId.systemDefault());
    private static final String STYLE = """
            @page { size: A4; margin: 16mm 14mm; @bottom-right { content: "page " counter(page) " of " counter(pages);
              font: 8pt Body; } }
            body { font: 9pt Body; color: #1b1f1d; } h1 { font-size: 17pt; margin: 0 0 2mm; }
            h2 { font-size: 11pt; margin: 6mm 0 1.5mm; } table { width: 100%; border-collapse: collapse; }
            th { text-align: left; font-weight: bold; border-bottom: 1pt solid #1b1f1d; padding: 1mm 1.5mm; }
            td { border-bottom: 0.4pt solid #b9b5aa; padding: 1mm 1.5mm; vertical-align: top; }
            .n { text-align: right; white-space: nowrap; } .outcome { border: 1.5pt solid #1b1f1d; padding: 2mm 3mm;
              font-size: 11pt; font-weight: bold; margin: 3mm 0; } .sign { margin-top: 14mm; }
            .sign td { border: 0; border-top: 0.8pt solid #1b1f1d; width: 45%; } .gap { width: 10%; border: 0 !important; }
            """;

    private final RecordView record;
    private final PressureUnit pressure;
    private final StringBuilder html = new StringBuilder();

    private RecordPdf(RecordView record, PressureUnit pressure) {
        this.record = record;
        this.pressure = pressure;
    }

    static byte[] of(RecordView record, PressureUnit pressure) {
        String page = new RecordPdf(record, pressure).page();
        try (ByteArrayOutputStream out = new ByteArrayOutputStream()) {
            XRLog.setLoggingEnabled(false);
            PdfRendererBuilder builder = new PdfRendererBuilder();
            builder.useFont(() -> font("DejaVuSans.ttf"), "Body", 400, FontStyle.NORMAL, true);
            builder.useFont(() -> font("DejaVuSans-Bold.ttf"), "Body", 700, FontStyle.NORMAL, true);
            builder.withHtmlContent(page, null);
            builder.toStream(out);
            builder.run();
            return out.toByteArray();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static InputStream font(String file) {
        return RecordPdf.class.getResourceAsStream("/net/sf/jasperreports/fonts/dejavu/" + file);
    }

    private String page() {
        html.append("<html><head><style>").append(STYLE).append("</style></head><body>");
        html.append("<h1>")
                .append(text(record.tag() + " · " + record.unitName()))
                .append("</h1>");
        line("Drawing", record.drawing() + ", sheet revision " + record.unitRevision());
        line("Technician", record.technician() + (record.practice() ? " (practice rig, not a machine)" : ""));
        line("Started", when(record.startedAt().toInstant()));
        line("Finished", record.finishedAt() == null ? "not finished" : when(record.finishedAt()));
        html.append("<div class='outcome'>").append(text(outcome())).append("</div>");
        settings();
        tests();
        deviations();
        log();
        html.append("<table class='sign'><tr><td>Technician</td><td class='gap'></td><td>Supervisor</td></tr></table>");
        return html.append("</body></html>").toString();
    }

    private String outcome() {
        return switch (record.outcome()) {
            case "passed" -> "Passed: every setting within its tolerance after locking";
            case "passed-with-deviations" -> "Finished with deviations, listed below";
            default -> "Unfinished: not a certificate";
        };
    }

    private void settings() {
        head("Settings", "Setting", "As found", "As left", "Target", "Verdict", "Instrument", "Oil", "Read");
        for (SettingView s : record.settings()) {
            row(
                    Words.settingName(s.setting()),
                    show(s.asFoundBar()) + " " + s.asFoundFrom(),
                    s.asLeftBar() == null ? "-" : show(s.asLeftBar()),
                    show(s.targetBar()) + " ± " + show(s.toleranceBar()) + " " + s.defined(),
                    s.verdict() == null ? "-" : s.verdict().replace('-', ' '),
                    s.instrument(),
                    s.oilC() == null ? "-" : s.oilC() + " °C",
                    s.at() == null ? "-" : when(s.at()));
        }
        html.append("</table>");
    }

    private void tests() {
        head("Readings and tests", "Phase", "Step", "Instrument", "Read", "Expected", "Verdict");
        for (TestView t : record.tests()) {
            row(
                    t.phase(),
                    t.action(),
                    t.instrument(),
                    t.value() + " " + t.unit(),
                    t.low() + " to " + t.high() + " " + t.unit(),
                    t.verdict().replace('-', ' '));
        }
        html.append("</table>");
    }

    private void deviations() {
        head("Deviations and reasons", "Step", "Reason");
        record.tests().stream()
                .filter(t -> t.deviation() != null)
                .forEach(t -> row(t.action() + " (" + t.instrument() + ")", t.deviation()));
        html.append("</table>");
        if (record.tests().stream().allMatch(t -> t.deviation() == null)) {
            html.append("<p>None.</p>");
        }
    }

    private void log() {
        head("Log", "No.", "Time", "By", "Step", "What");
        for (LogView l : record.log()) {
            row(Long.toString(l.seq()), when(l.at()), l.by(), l.step(), l.text());
        }
        html.append("</table>");
    }

    private void line(String label, String value) {
        html.append("<div><b>")
                .append(label)
                .append(":</b> ")
                .append(text(value))
                .append("</div>");
    }

    private void head(String title, String... columns) {
        html.append("<h2>").append(title).append("</h2><table><tr>");
        for (String c : columns) {
            html.append("<th>").append(c).append("</th>");
        }
        html.append("</tr>");
    }

    private void row(String... cells) {
        html.append("<tr>");
        for (String c : cells) {
            html.append("<td>").append(text(c)).append("</td>");
        }
        html.append("</tr>");
    }

    private String show(double bar) {
        return pressure.show(bar * Si.BAR);
    }

    private static String when(Instant at) {
        return TIME.format(at);
    }

    /** Escaped, and without the characters that XML doesn't know. */
    private static String text(String raw) {
        return HtmlUtils.htmlEscapeDecimal(raw.replaceAll("[\\p{Cntrl}&&[^\n]]", " "));
    }
}
