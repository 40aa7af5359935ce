package earlygate.server.store;

import java.io.IOException;
import java.net.InetSocketAddress;
import java.net.Socket;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Optional;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.web.server.context.WebServerInitializedEvent;
import org.springframework.context.event.ContextClosedEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;

/** Leaves word in the data folder where its server listens, so that a backup can ask it for a copy. */
@Component
class Serving {
    private static final String NAME = "early-gate.serving";

    private static final Logger LOG = LoggerFactory.getLogger(Serving.class);

    private final DataFolder data;

    Serving(DataFolder data) {
        this.data = data;
    }

    @EventListener
    void listening(WebServerInitializedEvent event) {
        try {
            Files.writeString(
                    data.folder().resolve(NAME),
                    "http://127.0.0.1:" + event.getWebServer().getPort() + "\n");
        } catch (IOException e) {
            // On a full disk the rest can still be read; only a backup would not find the way here.
            LOG.warn("{}", e.getMessage());
        }
    }

    @EventListener(ContextClosedEvent.class)
    void closed() throws IOException {
        Files.deleteIfExists(data.folder().resolve(NAME));
    }

    /** Empty where nobody listens; a server that was killed leaves a word that nobody answers to. */
    static Optional<String> address(Path folder) throws IOException {
        Path word = folder.resolve(NAME);
        if (!Files.exists(word)) {
            return Optional.empty();
        }
        String address = Files.readString(word).strip();
        try (Socket socket = new Socket()) {
            socket.connect(
                    new InetSocketAddress("127.0.0.1", Integer.parseInt(address.replaceFirst("^.*:", ""))), 2000);
            return Optional.of(address);
        } catch (IOException | NumberFormatException e) {
            return Optional.empty();
        }
    }
}
