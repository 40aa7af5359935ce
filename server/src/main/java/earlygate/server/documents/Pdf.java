package earlygate.server.documents;

import com.openhtmltopdf.outputdevice.helper.BaseRendererBuilder.FontStyle;
import com.openhtmltopdf.pdfboxout.PdfRendererBuilder;
import com.openhtmltopdf.util.XRLog;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.Locale;
import java.util.Map;
import org.thymeleaf.TemplateEngine;
import org.thymeleaf.context.Context;
import org.thymeleaf.templatemode.TemplateMode;
import org.thymeleaf.templateresolver.ClassLoaderTemplateResolver;

/** Documents on A4: a template of {@code resources/documents}, filled in and printed with the font that ships. */
public final class Pdf {
    private static final TemplateEngine TEMPLATES = templates();

    private Pdf() {}

    private static TemplateEngine templates() {
        ClassLoaderTemplateResolver resolver = new ClassLoaderTemplateResolver(Pdf.class.getClassLoader());
        resolver.setPrefix("documents/");
        resolver.setSuffix(".html");
        resolver.setTemplateMode(TemplateMode.XML);
        resolver.setCharacterEncoding("UTF-8");
        TemplateEngine engine = new TemplateEngine();
        engine.setTemplateResolver(resolver);
        return engine;
    }

    /** @param model what the template names; text may hold anything */
    public static byte[] of(String template, Map<String, Object> model) {
        String html = TEMPLATES.process(template, new Context(Locale.ENGLISH, model));
        try (ByteArrayOutputStream out = new ByteArrayOutputStream()) {
            XRLog.setLoggingEnabled(false);
            PdfRendererBuilder builder = new PdfRendererBuilder();
            builder.useFont(() -> font("DejaVuSans.ttf"), "Body", 400, FontStyle.NORMAL, true);
            builder.useFont(() -> font("DejaVuSans-Bold.ttf"), "Body", 700, FontStyle.NORMAL, true);
            // Without the characters that XML doesn't know.
            builder.withHtmlContent(html.replaceAll("[\\p{Cntrl}&&[^\n]]", " "), null);
            builder.toStream(out);
            builder.run();
            return out.toByteArray();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static InputStream font(String file) {
        return Pdf.class.getResourceAsStream("/net/sf/jasperreports/fonts/dejavu/" + file);
    }
}
