package earlygate.server.start;

import earlygate.server.documents.Pdf;
import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.util.Map;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.SpringApplication;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.boot.web.server.context.WebServerInitializedEvent;
import org.springframework.context.ConfigurableApplicationContext;
import org.springframework.context.event.EventListener;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;

/**
 * What takes time once is done before somebody waits for it: fonts and classes of the PDF in the background after the
 * start. And, asked to train, each part is used once and the server stops: the classes it loaded are kept beside the
 * build, so that later starts find them ready.
 */
@Component
class Warm {
    private static final Logger LOG = LoggerFactory.getLogger(Warm.class);

    private final boolean training;
    private final ConfigurableApplicationContext context;
    private int port;

    Warm(@Value("${early-gate.training}") boolean training, ConfigurableApplicationContext context) {
        this.training = training;
        this.context = context;
    }

    @EventListener
    void listening(WebServerInitializedEvent event) {
        port = event.getWebServer().getPort();
    }

    @EventListener(ApplicationReadyEvent.class)
    @Order(Ordered.LOWEST_PRECEDENCE)
    void ready() {
        Thread later = new Thread(training ? this::train : Warm::documents, "warm");
        later.setDaemon(!training);
        later.setPriority(Thread.MIN_PRIORITY);
        later.start();
    }

    private static void documents() {
        try {
            Pdf.of("record", Map.of());
        } catch (RuntimeException e) {
            LOG.warn("The first document could not be made: {}", e.getMessage());
        }
    }

    private void train() {
        int code = 0;
        Calls http = new Calls(port);
        try {
            http.get("/");
            http.get("/api/units");
            http.get("/api/units/LG-07/plan.json");
            http.post("/api/runs", "{\"tag\":\"LG-07\",\"technician\":\"Training\",\"practice\":true}");
            http.get("/api/runs/1");
            http.get("/api/runs/1/record");
            http.get("/api/runs/1/record.pdf");
        } catch (IOException | InterruptedException e) {
            LOG.error("Training failed", e);
            code = 1;
        }
        int end = code;
        System.exit(SpringApplication.exit(context, () -> end));
    }

    private record Calls(HttpClient client, int port) {
        private Calls(int port) {
            this(HttpClient.newHttpClient(), port);
        }

        private void get(String path) throws IOException, InterruptedException {
            send(HttpRequest.newBuilder(uri(path)).build());
        }

        private void post(String path, String body) throws IOException, InterruptedException {
            send(HttpRequest.newBuilder(uri(path))
                    .header("Content-Type", "application/json")
                    .POST(HttpRequest.BodyPublishers.ofString(body))
                    .build());
        }

        private URI uri(String path) {
            return URI.create("http://127.0.0.1:" + port + path);
        }

        private void send(HttpRequest request) throws IOException, InterruptedException {
            int status =
                    client.send(request, HttpResponse.BodyHandlers.discarding()).statusCode();
            if (status >= 400) {
                throw new IOException(request.uri() + " answered " + status);
            }
        }
    }
}
