package earlygate.server;

import earlygate.server.records.ProveCommand;
import earlygate.server.store.DataCommands;
import java.time.Clock;
import java.util.List;
import java.util.Optional;
import org.springframework.boot.SpringApplication;
import org.springframework.boot.autoconfigure.SpringBootApplication;
import org.springframework.context.annotation.Bean;
import org.springframework.scheduling.annotation.EnableScheduling;

/** The server: REST, live streams and storage around the core. */
@SpringBootApplication
@EnableScheduling
public class EarlyGate {
    static {
        System.setProperty("org.jooq.no-logo", "true");
        System.setProperty("org.jooq.no-tips", "true");
    }

    @Bean
    Clock clock() {
        return Clock.systemDefaultZone();
    }

    public static void main(String[] args) {
        Optional<Integer> done = DataCommands.run(List.of(args)).or(() -> ProveCommand.run(List.of(args)));
        if (done.isPresent()) {
            System.exit(done.get());
        }
        try {
            SpringApplication.run(EarlyGate.class, args);
        } catch (RuntimeException e) {
            // Why was said in one line already.
            System.exit(1);
        }
    }
}
