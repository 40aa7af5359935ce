package earlygate.server.start;

import java.lang.management.ManagementFactory;
import java.util.Locale;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.boot.context.event.ApplicationStartedEvent;
import org.springframework.boot.web.server.context.WebServerInitializedEvent;
import org.springframework.context.event.ContextRefreshedEvent;
import org.springframework.context.event.EventListener;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;

/** With --verbose: how far the start has come, in seconds since the process began. */
@Component
class Stages {
    private final boolean verbose;

    Stages(@Value("${early-gate.verbose}") boolean verbose) {
        this.verbose = verbose;
        say("data looked over, parts being made");
    }

    @EventListener
    void listening(WebServerInitializedEvent event) {
        say("port open");
    }

    @EventListener(ContextRefreshedEvent.class)
    void refreshed() {
        say("parts made");
    }

    @EventListener(ApplicationStartedEvent.class)
    void started() {
        say("started; demo data, if any, come next");
    }

    @EventListener(ApplicationReadyEvent.class)
    @Order(Ordered.HIGHEST_PRECEDENCE)
    void ready() {
        say("ready");
    }

    void say(String stage) {
        if (verbose) {
            long began = ManagementFactory.getRuntimeMXBean().getStartTime();
            System.out.printf(Locale.ROOT, "%5.1f s  %s%n", (System.currentTimeMillis() - began) / 1000.0, stage);
        }
    }
}
