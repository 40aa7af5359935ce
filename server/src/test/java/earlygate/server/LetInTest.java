package earlygate.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.BufferedReader;
import java.io.InputStreamReader;
import java.io.OutputStream;
import java.net.Socket;
import java.net.URI;
import java.nio.charset.StandardCharsets;
import java.util.Locale;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Who is let in, and what a browser is told to do with the answers; said on a bare socket, as a browser's header is. */
class LetInTest extends OnAServer {
    /** Status line and headers, lower-case, then the body. */
    private static String say(String method, String path, String body, String... headers) throws Exception {
        int port = URI.create(server.base()).getPort();
        try (Socket socket = new Socket("127.0.0.1", port)) {
            StringBuilder text = new StringBuilder(method + " " + path + " HTTP/1.1\r\nConnection: close\r\n");
            boolean host = false;
            for (String h : headers) {
                text.append(h).append("\r\n");
                host |= h.startsWith("Host:");
            }
            if (!host) {
                text.append("Host: 127.0.0.1:").append(port).append("\r\n");
            }
            text.append("Content-Length: ")
                    .append(body.length())
                    .append("\r\n\r\n")
                    .append(body);
            OutputStream out = socket.getOutputStream();
            out.write(text.toString().getBytes(StandardCharsets.UTF_8));
            out.flush();
            StringBuilder answer = new StringBuilder();
            new BufferedReader(new InputStreamReader(socket.getInputStream(), StandardCharsets.UTF_8))
                    .lines()
                    .forEach(l -> answer.append(l).append("\n"));
            return answer.toString();
        }
    }

    private static String unit(String tag) {
        return Server.unit().put("tag", tag).toString();
    }

    @ParameterizedTest
    @ValueSource(
            strings = {"Host: rebind.test", "Host: rebind.test:8180", "Host: 10.0.0.7:8180", "Host: 127.0.0.1.evil.test"
            })
    void aNameThatIsNotOursIsRefused(String host) throws Exception {
        assertThat(say("GET", "/api/units", "", host))
                .startsWith("HTTP/1.1 403")
                .contains("This server is not called");
        assertThat(say("GET", "/", "", host)).startsWith("HTTP/1.1 403");
    }

    @ParameterizedTest
    @ValueSource(strings = {"text/plain", "application/json", "application/x-www-form-urlencoded"})
    void aPostFromAnotherSiteIsRefusedWhateverItIs(String type) throws Exception {
        String answer = say("POST", "/api/units", unit("EVIL-1"), "Origin: http://evil.test", "Content-Type: " + type);
        assertThat(answer).startsWith("HTTP/1.1 403").contains("came from another site");
        assertThat(server.get("/api/units/EVIL-1").status()).isEqualTo(404);
    }

    @Test
    void aSilentReadFromAnotherSiteIsRefusedToo() throws Exception {
        long run = server.startRun(true);
        String answer =
                say("GET", "/api/runs/" + run + "/live", "", "Sec-Fetch-Site: cross-site", "Sec-Fetch-Mode: no-cors");
        assertThat(answer).startsWith("HTTP/1.1 403");
    }

    @Test
    void aUnitIsTakenOnlyAsJson() throws Exception {
        assertThat(say("POST", "/api/units", unit("PLAIN-1"), "Content-Type: text/plain"))
                .startsWith("HTTP/1.1 415")
                .contains("application/json");
        int port = URI.create(server.base()).getPort();
        assertThat(say(
                        "POST",
                        "/api/units",
                        unit("OWN-1"),
                        "Content-Type: application/json",
                        "Origin: http://127.0.0.1:" + port))
                .startsWith("HTTP/1.1 201");
    }

    @Test
    void thePageBringsNoForeignScriptStyleOrFrame() throws Exception {
        String page = say("GET", "/unit/LG-07/run", "");
        String policy = page.lines()
                .filter(l -> l.toLowerCase(Locale.ROOT).startsWith("content-security-policy:"))
                .findFirst()
                .orElseThrow();
        assertThat(policy)
                .contains("frame-ancestors 'none'", "default-src 'self'")
                .doesNotContain("unsafe");
        String nonce = policy.replaceAll(".*'nonce-([0-9a-f]+)'.*", "$1");
        assertThat(page)
                .contains("nonce=\"" + nonce + "\"")
                .contains("X-Content-Type-Options: nosniff", "Permissions-Policy: camera=()");
        assertThat(page).contains("Cache-Control: no-store");
        assertThat(say("GET", "/", "")).doesNotContain(nonce);
        assertThat(say("GET", "/api/units", ""))
                .contains("Cache-Control: no-store")
                .contains("frame-ancestors 'none'");
    }

    @Test
    void partsOfThePageAreKeptForGood() throws Exception {
        String asset = say("GET", "/", "").replaceAll("(?s).*src=\"(/assets/[^\"]+\\.js)\".*", "$1");
        assertThat(say("GET", asset, "")).startsWith("HTTP/1.1 200").contains("immutable");
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "/actuator",
                "/h2-console",
                "/v3/api-docs",
                "/index.html",
                "/unit/LG-07",
                "/application.yaml",
                "/error",
                "/assets/gone.js"
            })
    void whatIsNoScreenIsNotThere(String path) throws Exception {
        assertThat(say("GET", path, "")).startsWith("HTTP/1.1 404").contains("problem+json");
    }

    @ParameterizedTest
    @CsvSource({
        "POST, /api/units",
        "PUT, /api/units/LG-07",
        "POST, /api/units/LG-07/revisions",
        "POST, /api/calc/steady"
    })
    void nothingLargerThanOneMegabyteIsRead(String method, String path) throws Exception {
        String large = "\"" + "x".repeat(1_000_001) + "\"";
        assertThat(server.ask(method, path, large).status()).isEqualTo(413);
        assertThat(server.ask(method, path, large).problem()).contains("1000 kB");
        assertThat(server.get("/api/units").status()).isEqualTo(200);
    }

    @Test
    void anAddressThatCannotBeReadIsToldSo() throws Exception {
        assertThat(say("GET", "/api/units/%00", ""))
                .startsWith("HTTP/1.1 400")
                .contains("problem+json")
                .doesNotContain("<html");
    }
}
