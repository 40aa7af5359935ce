package earlygate.server.access;

import java.io.IOException;
import java.time.Duration;
import org.apache.coyote.Adapter;
import org.apache.coyote.Processor;
import org.apache.coyote.http11.AbstractHttp11Protocol;
import org.apache.coyote.http11.Http11NioProtocol;
import org.apache.coyote.http11.Http11Processor;
import org.apache.tomcat.util.net.AbstractEndpoint.Handler.SocketState;
import org.apache.tomcat.util.net.SocketWrapperBase;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.tomcat.servlet.TomcatServletWebServerFactory;
import org.springframework.boot.web.server.WebServerFactoryCustomizer;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/**
 * Closes a connection whose request line and header take too long to come. The connector itself bounds only the time
 * between two pieces of it, so one byte now and then would keep a connection for hours.
 */
public final class HeaderLimit extends Http11NioProtocol {
    private Duration patience = Duration.ZERO;

    @Override
    protected Processor createProcessor() {
        return new Timed(this, getAdapter());
    }

    /** Is called with each piece that comes. */
    private final class Timed extends Http11Processor {
        private static final long NOT_BEGUN = 0;

        private long begun = NOT_BEGUN;

        private Timed(AbstractHttp11Protocol<?> protocol, Adapter adapter) {
            super(protocol, adapter);
        }

        @Override
        public SocketState service(SocketWrapperBase<?> socket) throws IOException {
            SocketState state = super.service(socket);
            boolean comes = state == SocketState.LONG && !isAsync();
            if (!comes) {
                begun = NOT_BEGUN;
            } else if (begun == NOT_BEGUN) {
                begun = System.nanoTime();
            } else if (System.nanoTime() - begun > patience.toNanos()) {
                begun = NOT_BEGUN;
                return SocketState.CLOSED;
            }
            return state;
        }
    }

    @Configuration
    static class InTheConnector {
        @Bean
        WebServerFactoryCustomizer<TomcatServletWebServerFactory> headerLimit(
                @Value("${early-gate.header.patience}") long seconds) {
            return tomcat -> {
                tomcat.setProtocol(HeaderLimit.class.getName());
                tomcat.addConnectorCustomizers(
                        c -> ((HeaderLimit) c.getProtocolHandler()).patience = Duration.ofSeconds(seconds));
            };
        }
    }
}
