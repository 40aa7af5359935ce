package earlygate.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.net.Socket;
import java.net.URI;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Predicate;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** What takes longer to work out than anybody waits ends: by itself, and when whoever asked has left. */
class WorkLimitTest {
    private static final int LARGEST = 194;
    private static final int MOST_LOOKS = 600;

    @TempDir
    Path data;

    /** A legal sheet: relief valves side by side, as many as the schema lets in. */
    private static ObjectNode large() {
        ObjectNode unit = Server.unit();
        ArrayNode parts = (ArrayNode) unit.get("components");
        JsonNode relief = parts.valueStream()
                .filter(p -> p.get("id").asString().equals("RV1"))
                .findFirst()
                .orElseThrow();
        for (int i = 1; parts.size() < LARGEST; i++) {
            parts.add(((ObjectNode) relief.deepCopy()).put("id", "RX" + i));
        }
        return unit.put("tag", "LARGE-1");
    }

    @Test
    void aUnitTooLargeIsRefusedWithWhatToLeaveOut() {
        try (Server server = new Server(data, 0, "--early-gate.work.most=0.5")) {
            ObjectNode unit = large();
            Server.Answer refused =
                    server.post("/api/calc/plan", Server.object().set("unit", unit));
            assertThat(refused.status()).isEqualTo(422);
            assertThat(refused.problem())
                    .contains("LARGE-1 has 194 parts")
                    .contains("longer than 0.5 s")
                    .contains("190 parts stand beside another of their kind", "RX1, RX2");
            assertThat(server.post("/api/units", unit).status()).isEqualTo(201);
            for (String plan : List.of("plan.json", "plan.csv", "field-sheet.pdf", "pl%61n.json", "plan.json;a=1")) {
                assertThat(server.get("/api/units/LARGE-1/" + plan).status())
                        .as(plan)
                        .isEqualTo(422);
            }
            // The list of all units goes on without it, and says so.
            JsonNode listed = server.get("/api/units").json();
            assertThat(listed).hasSize(9);
            assertThat(listed.findValuesAsString("tag")).contains("LARGE-1", "LG-07");
            assertThat(server.get("/api/units/LG-07/plan.json").status()).isEqualTo(200);
        }
    }

    @Test
    void whoLeavesLeavesNoWorkBehindAndTheOthersWaitInTurn() throws Exception {
        try (Server server = new Server(data, 0, "--early-gate.work.most=600")) {
            int cores = queue(server).get("atOnce").asInt();
            List<Socket> asking = new ArrayList<>();
            for (int i = 0; i < cores + 2; i++) {
                asking.add(ask(server));
            }
            waitFor(
                    server,
                    q -> q.get("working").asInt() == cores && q.get("waiting").asInt() == 2);
            assertThat(server.get("/api/units").status()).isEqualTo(200);
            for (Socket s : asking) {
                s.close();
            }
            waitFor(
                    server,
                    q -> q.get("working").asInt() == 0 && q.get("waiting").asInt() == 0);
        }
    }

    private static Socket ask(Server server) throws IOException {
        URI at = URI.create(server.base());
        Socket socket = new Socket(at.getHost(), at.getPort());
        byte[] body = Server.object().set("unit", large()).toString().getBytes(StandardCharsets.UTF_8);
        String head = "POST /api/calc/plan HTTP/1.1\r\nHost: localhost\r\nContent-Type: application/json\r\n"
                + "Content-Length: " + body.length + "\r\n\r\n";
        socket.getOutputStream().write(head.getBytes(StandardCharsets.US_ASCII));
        socket.getOutputStream().write(body);
        socket.getOutputStream().flush();
        return socket;
    }

    private static JsonNode queue(Server server) {
        return server.get("/api/work").json();
    }

    private static void waitFor(Server server, Predicate<JsonNode> there) throws InterruptedException {
        JsonNode now = queue(server);
        for (int i = 0; i < MOST_LOOKS && !there.test(now); i++) {
            Thread.sleep(50);
            now = queue(server);
        }
        assertThat(there.test(now)).as(now.toString()).isTrue();
    }
}
