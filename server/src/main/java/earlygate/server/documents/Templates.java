package earlygate.server.documents;

import java.util.Locale;
import java.util.Map;
import java.util.Set;
import org.thymeleaf.TemplateEngine;
import org.thymeleaf.context.Context;
import org.thymeleaf.templatemode.TemplateMode;
import org.thymeleaf.templateresolver.ClassLoaderTemplateResolver;

/** The templates of {@code resources/documents}, filled in. */
final class Templates {
    private static final TemplateEngine ENGINE = engine();

    private Templates() {}

    private static TemplateEngine engine() {
        ClassLoaderTemplateResolver resolver = new ClassLoaderTemplateResolver(Templates.class.getClassLoader());
        resolver.setPrefix("documents/");
        resolver.setSuffix(".html");
        resolver.setTemplateMode(TemplateMode.XML);
        resolver.setCharacterEncoding("UTF-8");
        TemplateEngine engine = new TemplateEngine();
        engine.setTemplateResolver(resolver);
        return engine;
    }

    /** @param fragments of the template, by name; none for all of it */
    static String fill(String template, Set<String> fragments, Map<String, Object> model) {
        return ENGINE.process(template, fragments, new Context(Locale.ENGLISH, model));
    }
}
