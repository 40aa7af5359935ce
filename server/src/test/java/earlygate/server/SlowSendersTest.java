package earlygate.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.net.Socket;
import java.net.SocketException;
import java.net.SocketTimeoutException;
import java.net.URI;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** More who send slowly, or only listen, than the server has threads: everybody else is answered all the same. */
class SlowSendersTest {
    private static final int SENDERS = 250;
    private static final int LISTENERS = 250;

    @TempDir
    Path data;

    @Test
    void theyHoldUpNobodyAndAreToldThatItTookTooLong() throws IOException {
        try (Server server = new Server(data, 0, "--early-gate.body.patience=2", "--early-gate.header.patience=1")) {
            long run = server.startRun(false);
            List<Socket> open = new ArrayList<>();
            String post = "POST /api/calc/plan HTTP/1.1\r\nHost: localhost\r\nContent-Type: application/json\r\n";
            for (int i = 0; i < SENDERS; i++) {
                open.add(begin(
                        server,
                        post + (i % 2 == 0 ? "Content-Length: 1000\r\n\r\n{" : "Transfer-Encoding: chunked\r\n\r\n")));
            }
            for (int i = 0; i < LISTENERS; i++) {
                open.add(begin(server, "GET /api/runs/" + run + "/live HTTP/1.1\r\nHost: localhost\r\n\r\n"));
            }
            assertThat(server.get("/api/units").status()).isEqualTo(200);
            assertThat(server.event(run, "step-done", Server.object().put("step", server.step(run)))
                            .status())
                    .isEqualTo(200);
            for (Socket socket : open.subList(0, SENDERS)) {
                assertThat(answer(socket))
                        .startsWith("HTTP/1.1 408")
                        .contains("did not come within 2 s", "nothing was kept");
            }
            closedThoughItGoesOn(begin(server, "GET /api/units HTTP/1.1\r\nHost: local"));
            for (Socket socket : open) {
                socket.close();
            }
        }
    }

    /** A byte of a header's line now and then, as often as the connector itself would wait for. */
    private static void closedThoughItGoesOn(Socket socket) throws IOException {
        socket.setSoTimeout(50);
        for (int i = 0; i < 400; i++) {
            try {
                socket.getOutputStream().write('x');
                if (socket.getInputStream().read() < 0) {
                    return;
                }
            } catch (SocketTimeoutException open) {
                continue;
            } catch (SocketException closed) {
                return;
            }
        }
        throw new AssertionError("The connection is still open");
    }

    private static Socket begin(Server server, String request) throws IOException {
        URI at = URI.create(server.base());
        Socket socket = new Socket(at.getHost(), at.getPort());
        socket.getOutputStream().write(request.getBytes(StandardCharsets.US_ASCII));
        socket.getOutputStream().flush();
        return socket;
    }

    /** As far as it comes before the connection is closed. */
    private static String answer(Socket socket) throws IOException {
        StringBuilder answer = new StringBuilder();
        new BufferedReader(new InputStreamReader(socket.getInputStream(), StandardCharsets.UTF_8))
                .lines()
                .forEach(l -> answer.append(l).append("\n"));
        return answer.toString();
    }
}
