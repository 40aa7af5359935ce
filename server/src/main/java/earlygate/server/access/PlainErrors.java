package earlygate.server.access;

import earlygate.explain.Reason;
import earlygate.quantity.PressureUnit;
import earlygate.server.words.Words;
import java.io.IOException;
import java.io.Writer;
import org.apache.catalina.connector.Request;
import org.apache.catalina.connector.Response;
import org.apache.catalina.core.StandardHost;
import org.apache.catalina.valves.ErrorReportValve;
import org.springframework.boot.tomcat.servlet.TomcatServletWebServerFactory;
import org.springframework.boot.web.server.WebServerFactoryCustomizer;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/** An address so malformed that no part of the product ever sees it gets a problem document too. */
public final class PlainErrors extends ErrorReportValve {
    private static final Words WORDS = Words.in(PressureUnit.BAR);

    @Override
    protected void report(Request request, Response response, Throwable failure) {
        if (response.getStatus() < 400 || response.getContentWritten() > 0 || !response.setErrorReported()) {
            return;
        }
        String said = WORDS.say(Reason.of("access.malformed"));
        ObjectNode problem = JsonNodeFactory.instance.objectNode();
        problem.put("title", WORDS.say(Reason.of("title.access.malformed")))
                .put("status", response.getStatus())
                .put("detail", said)
                .putArray("problems")
                .addObject()
                .put("path", "")
                .put("message", said);
        try {
            response.setContentType("application/problem+json");
            response.setCharacterEncoding("UTF-8");
            Writer out = response.getReporter();
            if (out != null) {
                out.write(problem.toString());
                response.finishResponse();
            }
        } catch (IOException gone) {
            // Who asked has hung up.
            return;
        }
    }

    @Configuration
    static class InPlaceOfThePage {
        @Bean
        WebServerFactoryCustomizer<TomcatServletWebServerFactory> plainErrors() {
            return tomcat -> tomcat.addContextCustomizers(context ->
                    ((StandardHost) context.getParent()).setErrorReportValveClass(PlainErrors.class.getName()));
        }
    }
}
