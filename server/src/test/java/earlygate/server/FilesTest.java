package earlygate.server;

import static org.assertj.core.api.Assertions.assertThat;

import earlygate.server.Server.Answer;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.net.Socket;
import java.net.URI;
import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.util.Arrays;
import java.util.HexFormat;
import java.util.Random;
import java.util.UUID;
import java.util.stream.Stream;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;
import tools.jackson.databind.JsonNode;

/** Photographs and files beside a record: what they are counts, not what they are called; the log holds their hash. */
class FilesTest extends OnAServer {
    static byte[] image(String format, int seed) {
        BufferedImage picture = new BufferedImage(40, 30, BufferedImage.TYPE_INT_RGB);
        Random random = new Random(seed);
        for (int i = 0; i < 1200; i++) {
            picture.setRGB(i % 40, i / 40, random.nextInt());
        }
        try (ByteArrayOutputStream out = new ByteArrayOutputStream()) {
            assertThat(ImageIO.write(picture, format, out)).isTrue();
            return out.toByteArray();
        } catch (IOException e) {
            throw new IllegalStateException(e);
        }
    }

    private static byte[] text(String text) {
        return text.getBytes(StandardCharsets.UTF_8);
    }

    private static Answer attach(long run, String name, byte[] file) {
        return attach(server, run, name, file);
    }

    static Answer attach(Server server, long run, String name, byte[] file) {
        return server.send(
                "/api/runs/" + run + "/files?name=" + name,
                file,
                UUID.randomUUID().toString());
    }

    static Stream<Arguments> kinds() {
        return Stream.of(
                Arguments.of("G1.jpeg", image("jpeg", 1), "image/jpeg", "G1.jpg"),
                Arguments.of("G1.pdf", image("png", 2), "image/png", "G1.png"),
                Arguments.of("plate", text("%PDF-1.7\n1 0 obj\nendobj\n%%EOF\n"), "application/pdf", "plate.pdf"),
                Arguments.of("readings.csv", text("G1;176,4\nG1;176,0\n"), "text/plain", "readings.txt"));
    }

    @ParameterizedTest
    @MethodSource("kinds")
    void whatItIsCounts(String name, byte[] file, String type, String kept) throws Exception {
        long run = run("LG-07", false);
        Answer attached = attach(run, name, file);
        assertThat(attached.status()).as(attached.text()).isEqualTo(201);
        JsonNode there = server.get("/api/runs/" + run + "/record").json().at("/files/0");
        String hash =
                HexFormat.of().formatHex(MessageDigest.getInstance("SHA-256").digest(file));
        assertThat(there.get("name").asString()).isEqualTo(kept);
        assertThat(there.get("type").asString()).isEqualTo(type);
        assertThat(there.get("bytes").asLong()).isEqualTo(file.length);
        assertThat(there.get("hash").asString()).isEqualTo(hash);
        Answer back = server.get("/api/runs/" + run + "/files/" + hash);
        assertThat(back.bytes()).isEqualTo(file);
        assertThat(back.contentType()).startsWith(type);
        assertThat(server.get("/api/runs/" + run + "/proof.json").text()).contains(hash);
    }

    static Stream<Arguments> others() {
        byte[] huge = image("png", 3);
        // Width and height in its header: 60,000 by 60,000.
        byte[] side = {0, 0, (byte) 0xEA, 0x60};
        System.arraycopy(side, 0, huge, 16, 4);
        System.arraycopy(side, 0, huge, 20, 4);
        return Stream.of(
                Arguments.of("page.jpg", text("<html><script>alert(1)</script></html>")),
                Arguments.of("drawing.png", text("<svg xmlns='http://www.w3.org/2000/svg' onload='alert(1)'/>")),
                Arguments.of("program.txt", new byte[] {'M', 'Z', 0, 1, 2, 3, 0, 0}),
                Arguments.of("moving.gif", image("gif", 4)),
                Arguments.of("half.pdf", text("%PDF-1.7\n1 0 obj\n")),
                Arguments.of("cut.jpg", Arrays.copyOf(image("jpeg", 5), 12)),
                Arguments.of("huge.png", huge),
                Arguments.of("nothing.jpg", new byte[0]));
    }

    @ParameterizedTest
    @MethodSource("others")
    void anythingElseIsRefused(String name, byte[] file) {
        long run = run("LG-07", false);
        Answer refused = attach(run, name, file);
        assertThat(refused.status()).isEqualTo(422);
        assertThat(refused.problem()).contains(name, "photograph (JPEG, PNG)");
        assertThat(server.get("/api/runs/" + run + "/files").json()).isEmpty();
    }

    /** A hundred megabytes are refused by what they say of themselves, and when they say nothing, as soon as they get there. */
    @Test
    void aHundredMegabytesAreNotRead() throws IOException {
        long run = run("LG-07", false);
        String path = "/api/runs/" + run + "/files?name=film.jpg";
        assertThat(sent(path, "Content-Length: 100000000", 0)).contains(" 413 ").contains("5000 kB");
        assertThat(sent(path, "Transfer-Encoding: chunked", 6_000_000)).contains(" 413 ");
        assertThat(server.get("/api/runs/" + run + "/files").json()).isEmpty();
    }

    private static String sent(String path, String length, int bytes) throws IOException {
        URI base = URI.create(server.base());
        try (Socket socket = new Socket(base.getHost(), base.getPort())) {
            OutputStream out = socket.getOutputStream();
            out.write(text("POST " + path + " HTTP/1.1\r\nHost: 127.0.0.1\r\nContent-Type: application/octet-stream\r\n"
                    + "Idempotency-Key: film\r\nConnection: close\r\n" + length + "\r\n\r\n"));
            try {
                for (int i = 0; i < bytes; i += 100_000) {
                    out.write(text(Integer.toHexString(100_000) + "\r\n"));
                    out.write(new byte[100_000]);
                    out.write(text("\r\n"));
                }
                out.flush();
            } catch (IOException shutInBetween) {
                // It has its answer already.
            }
            byte[] head = new byte[2000];
            StringBuilder answer = new StringBuilder();
            InputStream in = socket.getInputStream();
            for (int n = in.read(head); n > 0; n = in.read(head)) {
                answer.append(new String(head, 0, n, StandardCharsets.UTF_8));
                if (answer.toString().contains("}")) {
                    break;
                }
            }
            return answer.toString();
        }
    }

    @Test
    void onceOnlyAndTakenOffAgain() {
        long run = run("LG-07", false);
        byte[] file = image("png", 6);
        String path = "/api/runs/" + run + "/files";
        assertThat(server.send(path + "?name=dial", file, "one").status()).isEqualTo(201);
        assertThat(server.send(path + "?name=dial", file, "one").json())
                .as("sent again")
                .hasSize(1);
        assertThat(attach(run, "again", file).problem()).contains("lies beside the record already, as dial.png");
        assertThat(attach(run, "%20.png", image("png", 7)).problem()).contains("needs a name");
        assertThat(attach(run, "dial&step=s999", image("png", 7)).status()).isEqualTo(422);
        assertThat(attach(run, "dial&step=s1", image("png", 7))
                        .json()
                        .at("/1/step")
                        .asString())
                .isEqualTo("s1");
        long seq = server.get(path).json().at("/0/seq").asLong();
        assertThat(off(run, 999).problem()).contains("No file was attached with entry 999");
        assertThat(off(run, seq).json()).hasSize(1);
        assertThat(off(run, seq).status()).isEqualTo(409);
        assertThat(server.get(path + "/nothing").problem()).contains("file", "nothing");
        assertThat(server.get(path + "/nothing").status()).isEqualTo(404);
        assertThat(server.get("/api/runs/" + run + "/record").json().get("log").toString())
                .contains("dial.png", "taken off");
        assertThat(attach(run, "once-more", file).status()).isEqualTo(201);
    }

    private static Answer off(long run, long seq) {
        return off(server, run, seq);
    }

    static Answer off(Server server, long run, long seq) {
        return server.ask(
                "DELETE",
                "/api/runs/" + run + "/files/" + seq,
                "",
                "Idempotency-Key",
                UUID.randomUUID().toString());
    }

    @Test
    void twentyFourAtMost() {
        long run = run("WD-05", false);
        for (int i = 0; i < 24; i++) {
            assertThat(attach(run, "p" + i, text("photograph " + i)).status()).isEqualTo(201);
        }
        assertThat(attach(run, "one-more", text("photograph 25")).problem()).contains("24 files");
    }
}
