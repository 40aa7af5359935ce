package earlygate.server.access;

import jakarta.servlet.ServletException;
import jakarta.servlet.ServletRequest;
import java.io.IOException;
import java.util.function.BooleanSupplier;
import org.apache.catalina.connector.Request;
import org.apache.catalina.connector.Response;
import org.apache.catalina.valves.ValveBase;
import org.apache.coyote.ActionCode;
import org.springframework.boot.tomcat.servlet.TomcatServletWebServerFactory;
import org.springframework.boot.web.server.WebServerFactoryCustomizer;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/**
 * Whether whoever sent a request still waits for its answer. The servlet itself never hears of a connection that was
 * closed before it writes; only the connector can look.
 */
final class Presence extends ValveBase {
    private static final String NAME = Presence.class.getName();

    private Presence() {
        super(true);
    }

    @Override
    public void invoke(Request request, Response response) throws IOException, ServletException {
        request.setAttribute(NAME, (BooleanSupplier) () -> left(request.getCoyoteRequest()));
        getNext().invoke(request, response);
    }

    /** Only between the body that was read and the answer that is not begun, and by the thread that serves it. */
    static boolean left(ServletRequest request) {
        return request.getAttribute(NAME) instanceof BooleanSupplier left && left.getAsBoolean();
    }

    /** The connector reads without waiting; at the end of a closed connection it tells of one byte that never comes. */
    private static boolean left(org.apache.coyote.Request request) {
        request.action(ActionCode.AVAILABLE, true);
        return request.getAvailable() == 1;
    }

    @Configuration
    static class InTheConnector {
        @Bean
        WebServerFactoryCustomizer<TomcatServletWebServerFactory> presence() {
            return tomcat -> tomcat.addEngineValves(new Presence());
        }
    }
}
