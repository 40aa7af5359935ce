package earlygate.server;

import earlygate.server.rig.RigHost;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.time.Clock;
import java.time.Duration;
import java.time.LocalDate;
import java.time.LocalTime;
import java.util.HexFormat;
import java.util.List;
import java.util.UUID;
import java.util.stream.Stream;
import org.springframework.boot.builder.SpringApplicationBuilder;
import org.springframework.context.ConfigurableApplicationContext;
import org.springframework.context.support.GenericApplicationContext;
import org.springframework.util.FileSystemUtils;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/** The real server on real data, and a plain client to it. The time of its practice machines is held. */
public final class Server implements AutoCloseable {
    public static final JsonMapper JSON = new JsonMapper();

    /** As of this morning at ten: no test meets midnight. */
    static final Clock CLOCK =
            Clock.offset(Clock.systemDefaultZone(), Duration.between(LocalTime.now(), LocalTime.of(10, 0)));

    static final LocalDate TODAY = LocalDate.now(CLOCK);

    private static final HttpClient HTTP = HttpClient.newHttpClient();

    /** The one that all tests of this JVM share, where a folder of their own isn't what they try. */
    private static final class Shared {
        private static final Server SERVER = thrownAway();
    }

    private final ConfigurableApplicationContext context;
    private final Path data;
    private final String base;
    /** Behind every path of a run: the units that its reader has chosen. */
    private final String chosen;

    public Server(Path data) {
        this(data, 0);
    }

    /** On this port; 0 for any that is free. */
    public Server(Path data, int port) {
        this(data, port, new String[0]);
    }

    /** @param more settings, as the launcher gives them */
    Server(Path data, int port, String... more) {
        this.data = data;
        chosen = "";
        context = new SpringApplicationBuilder(EarlyGate.class)
                .initializers(c -> ((GenericApplicationContext) c)
                        .registerBean("testClock", Clock.class, () -> CLOCK, bean -> bean.setPrimary(true)))
                .run(Stream.concat(
                                Stream.of(
                                        "--server.port=" + port,
                                        "--early-gate.data=" + data,
                                        "--early-gate.demo=../demo",
                                        "--early-gate.rig.speed=0"),
                                Stream.of(more))
                        .toArray(String[]::new));
        base = "http://127.0.0.1:" + context.getEnvironment().getProperty("local.server.port");
    }

    private Server(Server of, String pressure) {
        context = of.context;
        data = of.data;
        base = of.base;
        chosen = "?pressure=" + pressure;
    }

    static Server shared() {
        return Shared.SERVER;
    }

    /** Serves until this JVM ends; its data go with it. */
    static Server thrownAway() {
        try {
            Path data = Files.createTempDirectory("early-gate");
            Server server = new Server(data);
            Runtime.getRuntime().addShutdownHook(new Thread(() -> {
                server.close();
                FileSystemUtils.deleteRecursively(data.toFile());
            }));
            return server;
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** Where its data lie. */
    Path data() {
        return data;
    }

    /**
     * Lets this much of a practice machine's time pass, and waits until what stopped by itself is in the log.
     *
     * @return the machine's own clock then, s
     */
    public double machine(long run, double seconds) {
        return context.getBean(RigHost.class).run(run, seconds);
    }

    /** The same server, to a reader who has chosen another unit of pressure. */
    Server in(String pressure) {
        return new Server(this, pressure);
    }

    public record Answer(int status, String contentType, byte[] bytes) {
        String text() {
            return new String(bytes, java.nio.charset.StandardCharsets.UTF_8);
        }

        JsonNode json() {
            return JSON.readTree(bytes);
        }

        /** First problem's message. */
        String problem() {
            return json().path("problems").path(0).path("message").asString();
        }
    }

    Answer get(String path) {
        return send("GET", path, HttpRequest.BodyPublishers.noBody());
    }

    public Answer post(String path, Object body) {
        return send("POST", path, HttpRequest.BodyPublishers.ofString(text(body)));
    }

    public Answer ask(String method, String path) {
        return send(method, path, HttpRequest.BodyPublishers.noBody());
    }

    Answer ask(String method, String path, String body, String... headers) {
        return send(method, path, HttpRequest.BodyPublishers.ofString(body), headers);
    }

    public Answer put(String path, Object body) {
        return send("PUT", path, HttpRequest.BodyPublishers.ofString(text(body)));
    }

    /** With a name of the sender's own, under which it is done once however often it is sent. */
    Answer postOnce(String path, Object body, String key) {
        return send("POST", path, HttpRequest.BodyPublishers.ofString(text(body)), "Idempotency-Key", key);
    }

    /** Bytes as they are. */
    Answer send(String path, byte[] file, String key) {
        return send(
                "POST",
                path,
                HttpRequest.BodyPublishers.ofByteArray(file),
                "Content-Type",
                "application/octet-stream",
                "Idempotency-Key",
                key);
    }

    public String base() {
        return base;
    }

    private static String text(Object body) {
        return body instanceof String s ? s : body.toString();
    }

    private Answer send(String method, String path, HttpRequest.BodyPublisher body, String... headers) {
        HttpRequest.Builder builder = HttpRequest.newBuilder(URI.create(base + path))
                .setHeader("Content-Type", "application/json")
                .method(method, body);
        for (int i = 0; i < headers.length; i += 2) {
            builder.setHeader(headers[i], headers[i + 1]);
        }
        HttpRequest request = builder.build();
        try {
            HttpResponse<byte[]> r = HTTP.send(request, HttpResponse.BodyHandlers.ofByteArray());
            return new Answer(
                    r.statusCode(), r.headers().firstValue("content-type").orElse(""), r.body());
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        } catch (InterruptedException e) {
            throw new IllegalStateException(e);
        }
    }

    public static ObjectNode unit() {
        try {
            return (ObjectNode) JSON.readTree(Files.readString(Path.of("../demo/units/LG-07.json")));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** SHA-256 of a text in UTF-8, in hex. */
    static String sha256(String text) {
        try {
            return HexFormat.of()
                    .formatHex(MessageDigest.getInstance("SHA-256").digest(text.getBytes(StandardCharsets.UTF_8)));
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException(e);
        }
    }

    public static ObjectNode object() {
        return JSON.createObjectNode();
    }

    /** A run of LG-07 that must start; answers its number. */
    long startRun(boolean practice) {
        return startRun("LG-07", practice);
    }

    long startRun(String tag, boolean practice) {
        Answer started = post(
                "/api/runs",
                object().put("tag", tag).put("technician", "A. Tester").put("practice", practice));
        if (started.status() != 201) {
            throw new AssertionError(started.text());
        }
        return started.json().get("id").asLong();
    }

    /** Sends an event with a key of its own; {@code more} holds the fields beside kind and step. */
    Answer event(long run, String kind, ObjectNode more) {
        return post(
                "/api/runs/" + run + "/events" + chosen,
                more.put("kind", kind).put("key", UUID.randomUUID().toString()));
    }

    JsonNode run(long id) {
        return get("/api/runs/" + id + chosen).json();
    }

    /** The id of the step at hand. */
    String step(long run) {
        return run(run).at("/step/id").asString();
    }

    /** Confirms steps and opens gates until this step, or one whose action begins so, is at hand. */
    void walkTo(long run, String step) {
        for (int i = 0; i < 60; i++) {
            JsonNode view = run(run);
            if (!view.path("waitingAt").isNull()) {
                event(
                        run,
                        "hold-opened",
                        object().put("phase", view.at("/waitingAt/phase").asString()));
                continue;
            }
            String at = view.at("/step/id").asString();
            if (at.equals(step) || view.at("/step/action").asString().startsWith(step)) {
                return;
            }
            double turns = view.at("/advice/turns").asDouble(0);
            if (List.of("to-the-end", "count-turns")
                    .contains(view.at("/step/way").asString(""))) {
                event(
                        run,
                        "turned",
                        object().put("step", at)
                                .put("setting", view.at("/step/setting").asString())
                                .put("turns", turns));
            }
            for (JsonNode e : view.at("/step/expect")) {
                event(
                        run,
                        "reading",
                        object().put("step", at)
                                .put("instrument", e.get("testPoint").asString())
                                .put("text", e.get("value").asString()));
            }
            event(run, "step-done", object().put("step", at));
        }
        throw new AssertionError("Never came to " + step);
    }

    @Override
    public void close() {
        context.close();
    }
}
