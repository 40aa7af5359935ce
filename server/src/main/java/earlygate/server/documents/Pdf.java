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
import java.io.UncheckedIOException;
import java.util.EnumSet;
import java.util.Map;
import java.util.Set;
import org.w3c.dom.Document;
import org.xml.sax.SAXException;

/**
 * Documents on A4: a template of {@code resources/documents}, filled in and printed as PDF/A-2a, to be kept for decades
 * and read aloud: tagged, with its fonts and its colours inside, drawings as vectors.
 */
public final class Pdf {
    private static final byte[] COLOURS =
            ICC_Profile.getInstance(ColorSpace.CS_sRGB).getData();

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
            font(builder, Face.BODY, "Body", 400);
            font(builder, Face.BODY_BOLD, "Body", 700);
            font(builder, Face.WIDE, "Wide", 400);
            font(builder, Face.WIDE_BOLD, "Wide", 700);
            builder.withW3cDocument(parsed(html), null);
            builder.toStream(out);
            builder.run();
            return out.toByteArray();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static Document parsed(String html) {
        try {
            // Without the characters that XML doesn't know.
            Document document = Xml.read(html.replaceAll("[\\p{Cntrl}&&[^\n]]", " "));
            Lettering.outline(document);
            return document;
        } catch (SAXException e) {
            throw new IllegalStateException("A template is no XML", e);
        }
    }

    private static void font(PdfRendererBuilder builder, Face face, String family, int weight) {
        builder.useFont(face::stream, family, weight, FontStyle.NORMAL, true, EnumSet.of(FSFontUseCase.DOCUMENT));
    }
}
