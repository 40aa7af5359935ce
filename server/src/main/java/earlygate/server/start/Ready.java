package earlygate.server.start;

import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.boot.web.server.context.WebServerInitializedEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;

/** Says where it serves, once it does. */
@Component
class Ready {
    private int port;

    @EventListener
    void listening(WebServerInitializedEvent event) {
        port = event.getWebServer().getPort();
    }

    @EventListener(ApplicationReadyEvent.class)
    void ready() {
        System.out.println("ready http://127.0.0.1:" + port);
    }
}
