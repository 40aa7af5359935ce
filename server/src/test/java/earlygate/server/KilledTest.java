package earlygate.server;

import static org.assertj.core.api.Assertions.assertThat;

import earlygate.fixture.Effort;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * The server is killed at random instants while four people write: readings of a typed run, revisions of a sheet,
 * instruments, turns at a practice machine. Whatever was answered is there after the next start, what was not answered
 * is there at most once when it is sent again under its key, no list hides a row and every index fits its table.
 *
 * <p>{@code -Dkills=300} for a longer run.
 */
class KilledTest {
    private static final int KILLS = Effort.of("kills", 2, 60);
    /** All four together have been answered so often at most when the server is killed. */
    private static final int MOST_ANSWERS = 60;

    private static final ObjectNode UNIT = Server.unit();

    @TempDir
    static Path data;

    /** What one of them sends, and what was answered: by key, what was sent. */
    private static final class Client {
        private final Map<String, ObjectNode> answered = new ConcurrentHashMap<>();
        private final List<String> open = new CopyOnWriteArrayList<>();
        private final Map<String, ObjectNode> sent = new ConcurrentHashMap<>();
    }

    private final HttpClient http = HttpClient.newHttpClient();
    private final Random random = new Random(11);
    private final Client readings = new Client();
    private final Client sheets = new Client();
    private final Client instruments = new Client();
    private final Client turns = new Client();
    private String base;
    private long typed;
    private long practice;
    private int number;
    private volatile CountDownLatch answers;

    @Test
    void nothingAnsweredIsLostAndNothingIsThereTwice() throws Exception {
        ServerProcess server = ServerProcess.start(data, "--early-gate.demo=../demo", "--early-gate.rig.speed=1");
        base = server.ready();
        for (int kill = 0; kill < KILLS; kill++) {
            if (kill % 5 == 0) {
                newRuns();
            }
            writeUntilKilled(server);
            server = ServerProcess.start(data);
            base = server.ready();
            assertThat(server.said()).contains("Rows and indexes fit: ").doesNotContain("Data: ");
            sendAgain();
            compare();
        }
        server.stop();
        Process check = new ProcessBuilder(ServerProcess.command("data-check", data.toString()))
                .redirectErrorStream(true)
                .start();
        assertThat(new String(check.getInputStream().readAllBytes())).endsWith("whole\n");
        assertThat(sheets.answered.size() + instruments.answered.size()).isGreaterThan(KILLS);
    }

    /** Now and then, so that the logs that are compared stay short. */
    private void newRuns() throws Exception {
        typed = start(false);
        practice = start(true);
        readings.answered.clear();
        turns.answered.clear();
    }

    private long start(boolean rig) throws Exception {
        ObjectNode body =
                Server.object().put("tag", "LG-07").put("technician", "Killed").put("practice", rig);
        return Server.JSON
                .readTree(send("POST", "/api/runs", body, null).body())
                .get("id")
                .asLong();
    }

    private void writeUntilKilled(ServerProcess server) throws InterruptedException {
        List<Thread> writing = new ArrayList<>();
        writing.add(writer(readings, this::reading));
        writing.add(writer(sheets, this::sheet));
        writing.add(writer(instruments, this::instrument));
        writing.add(writer(turns, this::turn));
        answers = new CountDownLatch(1 + random.nextInt(MOST_ANSWERS));
        writing.forEach(Thread::start);
        // Whatever they are in the middle of by then.
        assertThat(answers.await(1, TimeUnit.MINUTES)).as("they are answered").isTrue();
        server.kill();
        for (Thread t : writing) {
            t.join();
        }
    }

    private interface Sending {
        HttpResponse<String> send(String key, ObjectNode what) throws Exception;
    }

    private Thread writer(Client client, Sending sending) {
        return new Thread(() -> {
            while (true) {
                String key = "k" + number();
                ObjectNode what = Server.object().put("number", number());
                client.sent.put(key, what);
                try {
                    HttpResponse<String> answer = sending.send(key, what);
                    assertThat(answer.statusCode()).as(answer.body()).isLessThan(300);
                    client.answered.put(key, what);
                    answers.countDown();
                } catch (Exception killed) {
                    client.open.add(key);
                    return;
                }
            }
        });
    }

    private synchronized int number() {
        return ++number;
    }

    private HttpResponse<String> reading(String key, ObjectNode what) throws Exception {
        ObjectNode body = Server.object()
                .put("key", key)
                .put("kind", "reading")
                .put("step", "s1")
                .put("instrument", "OIL")
                .put("text", Integer.toString(20 + what.get("number").asInt() % 40));
        return send("POST", "/api/runs/" + typed + "/events", body, null);
    }

    private HttpResponse<String> sheet(String key, ObjectNode what) throws Exception {
        ObjectNode unit = UNIT.deepCopy();
        unit.put("tag", "KILL-1").put("name", "Revision " + what.get("number").asInt());
        int newest = send("GET", "/api/units/KILL-1", null, null).statusCode() == 404 ? 0 : newest();
        ObjectNode body =
                Server.object().put("base", newest).put("by", "Killed").set("document", unit);
        return send("POST", "/api/units/KILL-1/revisions", body, key);
    }

    private int newest() throws Exception {
        return Server.JSON
                .readTree(send("GET", "/api/units/KILL-1", null, null).body())
                .get("revision")
                .asInt();
    }

    private HttpResponse<String> instrument(String key, ObjectNode what) throws Exception {
        ObjectNode body = Server.object()
                .put("name", "Gauge " + what.get("number").asInt())
                .put("kind", "gauge")
                .put("unit", "bar")
                .put("range", 250)
                .put("accuracyClass", 1)
                .put("resolution", 1);
        return send("POST", "/api/instruments", body, key);
    }

    private HttpResponse<String> turn(String key, ObjectNode what) throws Exception {
        ObjectNode nut =
                Server.object().put("action", "nut").put("target", "RV1").put("value", 0);
        send("POST", "/api/runs/" + practice + "/rig", nut, null);
        ObjectNode body = Server.object()
                .put("action", "turn")
                .put("target", "RV1")
                .put("value", number() % 2 == 0 ? 0.0625 : -0.0625)
                .put("key", key);
        return send("POST", "/api/runs/" + practice + "/rig", body, null);
    }

    /** Everything that nobody answered, once more under its key. */
    private void sendAgain() throws Exception {
        again(readings, this::reading);
        again(sheets, this::sheet);
        again(instruments, this::instrument);
        again(turns, this::turn);
    }

    private static void again(Client client, Sending sending) throws Exception {
        for (String key : client.open) {
            ObjectNode what = client.sent.get(key);
            HttpResponse<String> answer = sending.send(key, what);
            assertThat(answer.statusCode()).as(key + ": " + answer.body()).isLessThan(300);
            client.answered.put(key, what);
        }
        client.open.clear();
    }

    private void compare() throws Exception {
        assertThat(logged(typed, "Read OIL")).isEqualTo(readings.answered.size());
        assertThat(logged(practice, "Turned RV1")).isEqualTo(turns.answered.size());
        JsonNode revisions = json("/api/units/KILL-1/revisions");
        assertThat(revisions).hasSize(sheets.answered.size());
        List<String> names = json("/api/instruments").findValuesAsString("name");
        assertThat(names)
                .doesNotHaveDuplicates()
                .containsAll(instruments.answered.values().stream()
                        .map(w -> "Gauge " + w.get("number").asInt())
                        .toList());
        assertThat(names.stream().filter(n -> n.matches("Gauge \\d+"))).hasSize(instruments.answered.size());
    }

    private long logged(long run, String begins) throws Exception {
        return json("/api/runs/" + run + "/record")
                .get("log")
                .valueStream()
                .filter(e -> e.get("text").asString().startsWith(begins))
                .count();
    }

    private JsonNode json(String path) throws Exception {
        HttpResponse<String> answer = send("GET", path, null, null);
        assertThat(answer.statusCode()).as(answer.body()).isEqualTo(200);
        return Server.JSON.readTree(answer.body());
    }

    private HttpResponse<String> send(String method, String path, ObjectNode body, String key) throws Exception {
        HttpRequest.Builder request = HttpRequest.newBuilder(URI.create(base + path))
                .timeout(Duration.ofSeconds(30))
                .header("Content-Type", "application/json")
                .method(
                        method,
                        body == null
                                ? HttpRequest.BodyPublishers.noBody()
                                : HttpRequest.BodyPublishers.ofString(body.toString()));
        if (key != null) {
            request.header("Idempotency-Key", key);
        }
        return http.send(request.build(), HttpResponse.BodyHandlers.ofString());
    }
}
