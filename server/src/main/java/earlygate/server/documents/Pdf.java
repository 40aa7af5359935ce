package earlygate.server.documents;

import com.openhtmltopdf.outputdevice.helper.BaseRendererBuilder.FSFontUseCase;
import com.openhtmltopdf.outputdevice.helper.BaseRendererBuilder.FontStyle;
import com.openhtmltopdf.pdfboxout.PdfRendererBuilder;
import com.openhtmltopdf.pdfboxout.PdfRendererBuilder.PdfAConformance;
import com.openhtmltopdf.svgsupport.BatikSVGDrawer;
import com.openhtmltopdf.util.XRLog;
import java.awt.color.ColorSpace;
import java.awt.color.ICC_Profile;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.EnumSet;
import java.util.Map;
import java.util.Set;

/**
 * Documents on A4: a template of {@code resources/documents}, filled in and printed as PDF/A-2a, to be kept for decades
 * and read aloud: tagged, with its fonts and its colours inside, drawings as vectors.
 */
public final class Pdf {
    private static final byte[] COLOURS =
            ICC_Profile.getInstance(ColorSpace.CS_sRGB).getData();

    private static final EnumSet<FSFontUseCase> EVERYWHERE = EnumSet.of(FSFontUseCase.DOCUMENT, FSFontUseCase.SVG);

    private Pdf() {}

    /** @param model what the template names; text may hold anything */
    public static byte[] of(String template, Map<String, Object> model) {
        String html = Templates.fill(template, Set.of(), model);
        try (ByteArrayOutputStream out = new ByteArrayOutputStream()) {
            XRLog.setLoggingEnabled(false);
            PdfRendererBuilder builder = new PdfRendererBuilder();
            builder.useSVGDrawer(new BatikSVGDrawer());
            builder.usePdfAConformance(PdfAConformance.PDFA_2_A);
            builder.usePdfUaAccessibility(true);
            builder.useColorProfile(COLOURS);
            // The product's own type; what it lacks, such as other scripts, comes from the second.
            font(builder, "/fonts/AtkinsonHyperlegibleNext-Regular.ttf", "Body", 400);
            font(builder, "/fonts/AtkinsonHyperlegibleNext-Bold.ttf", "Body", 700);
            font(builder, "/net/sf/jasperreports/fonts/dejavu/DejaVuSans.ttf", "Wide", 400);
            font(builder, "/net/sf/jasperreports/fonts/dejavu/DejaVuSans-Bold.ttf", "Wide", 700);
            // Without the characters that XML doesn't know.
            builder.withHtmlContent(html.replaceAll("[\\p{Cntrl}&&[^\n]]", " "), null);
            builder.toStream(out);
            builder.run();
            return out.toByteArray();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static void font(PdfRendererBuilder builder, String file, String family, int weight) {
        builder.useFont(() -> stream(file), family, weight, FontStyle.NORMAL, true, EVERYWHERE);
    }

    private static InputStream stream(String file) {
        return Pdf.class.getResourceAsStream(file);
    }
}
