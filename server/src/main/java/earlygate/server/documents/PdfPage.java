package earlygate.server.documents;

import com.openhtmltopdf.outputdevice.helper.BaseRendererBuilder.FontStyle;
import com.openhtmltopdf.pdfboxout.PdfRendererBuilder;
import com.openhtmltopdf.util.XRLog;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import org.springframework.web.util.HtmlUtils;

/** Pages on A4, built up as HTML and printed with the font that ships with the product. */
public final class PdfPage {
    private static final String STYLE = """
            @page { size: A4; margin: 16mm 14mm; @bottom-right { content: "page " counter(page) " of " counter(pages);
              font: 8pt Body; } }
            body { font: 9pt Body; color: #1b1f1d; } h1 { font-size: 17pt; margin: 0 0 2mm; }
            h2 { font-size: 11pt; margin: 6mm 0 1.5mm; } table { width: 100%; border-collapse: collapse; }
            tr { page-break-inside: avoid; }
            th { text-align: left; font-weight: bold; border-bottom: 1pt solid #1b1f1d; padding: 1mm 1.5mm; }
            td { border-bottom: 0.4pt solid #b9b5aa; padding: 1mm 1.5mm; vertical-align: top; }
            .outcome { border: 1.5pt solid #1b1f1d; padding: 2mm 3mm; font-size: 11pt; font-weight: bold; margin: 3mm 0; }
            .box { border: 0.8pt solid #1b1f1d; width: 26mm; height: 8mm; } .tick { border: 0.8pt solid #1b1f1d;
              width: 6mm; height: 6mm; } .small { font-size: 8pt; color: #444; }
            .sign { margin-top: 14mm; } .sign td { border: 0; border-top: 0.8pt solid #1b1f1d; width: 45%; }
            .gap { width: 10%; border: 0 !important; }
            """;

    private final StringBuilder html = new StringBuilder();

    public PdfPage(String title) {
        html.append("<html><head><style>").append(STYLE).append("</style></head><body>");
        html.append("<h1>").append(text(title)).append("</h1>");
    }

    public void line(String label, String value) {
        html.append("<div><b>")
                .append(text(label))
                .append(":</b> ")
                .append(text(value))
                .append("</div>");
    }

    public void outcome(String words) {
        html.append("<div class='outcome'>").append(text(words)).append("</div>");
    }

    public void paragraph(String words) {
        html.append("<p>").append(text(words)).append("</p>");
    }

    public void table(String title, String... columns) {
        html.append("<h2>").append(text(title)).append("</h2><table><tr>");
        for (String c : columns) {
            html.append("<th>").append(text(c)).append("</th>");
        }
        html.append("</tr>");
    }

    /** Cells of text; {@link #BOX} and {@link #TICK} are places to write in. */
    public void row(String... cells) {
        html.append("<tr>");
        for (String c : cells) {
            html.append("<td>")
                    .append(c.equals(BOX) || c.equals(TICK) ? "<div class='" + c.strip() + "'></div>" : text(c))
                    .append("</td>");
        }
        html.append("</tr>");
    }

    public static final String BOX = " box ";
    public static final String TICK = " tick ";

    public void endTable() {
        html.append("</table>");
    }

    public void signatures(String one, String other) {
        html.append("<table class='sign'><tr><td>")
                .append(text(one))
                .append("</td><td class='gap'></td><td>")
                .append(text(other))
                .append("</td></tr></table>");
    }

    public byte[] bytes() {
        try (ByteArrayOutputStream out = new ByteArrayOutputStream()) {
            XRLog.setLoggingEnabled(false);
            PdfRendererBuilder builder = new PdfRendererBuilder();
            builder.useFont(() -> font("DejaVuSans.ttf"), "Body", 400, FontStyle.NORMAL, true);
            builder.useFont(() -> font("DejaVuSans-Bold.ttf"), "Body", 700, FontStyle.NORMAL, true);
            builder.withHtmlContent(html + "</body></html>", null);
            builder.toStream(out);
            builder.run();
            return out.toByteArray();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static InputStream font(String file) {
        return PdfPage.class.getResourceAsStream("/net/sf/jasperreports/fonts/dejavu/" + file);
    }

    /** Escaped, and without the characters that XML doesn't know. */
    private static String text(String raw) {
        return HtmlUtils.htmlEscapeDecimal(raw.replaceAll("[\\p{Cntrl}&&[^\n]]", " "));
    }
}
