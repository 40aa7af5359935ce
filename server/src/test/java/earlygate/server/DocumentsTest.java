package earlygate.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpRequest.BodyPublishers;
import java.net.http.HttpResponse;
import java.net.http.HttpResponse.BodyHandlers;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Documents are made of the fonts that ship: a computer without a screen may have no font libraries at all. */
class DocumentsTest {
    private static final String RUN = "{\"tag\":\"NH-04\",\"technician\":\"A. Marsh\",\"practice\":true}";
    private static final String CIRCUIT = "{\"circuit\":\"<svg xmlns='http://www.w3.org/2000/svg' viewBox='0 0 100 50'>"
            + "<text x='50' y='20' text-anchor='middle'>RV1 <tspan font-weight='700'>◆</tspan></text></svg>\"}";

    @Test
    void noFontLibraryOfTheSystemIsLoaded(@TempDir Path data) throws Exception {
        ServerProcess server = ServerProcess.start(data, "--early-gate.demo=../demo");
        try {
            String api = server.ready() + "/api/";
            assertThat(send(api + "runs", RUN).statusCode()).isEqualTo(201);
            printed(send(api + "runs/1/record.pdf", CIRCUIT));
            for (String path : new String[] {"runs/1/record.pdf", "runs/1/label.pdf", "units/NH-04/field-sheet.pdf"}) {
                printed(send(api + path, null));
            }
            assertThat(server.libraries())
                    .anyMatch(l -> l.endsWith("libjvm.so"))
                    .noneMatch(l -> l.matches(".*(fontmanager|freetype|harfbuzz|fontconfig).*"));
        } finally {
            server.kill();
        }
    }

    /** Any page of this computer can send one: it is no drawing of a circuit, and costs as little as any other refusal. */
    @Test
    void aDrawingWithoutAnEndIsRefused() {
        Server server = Server.shared();
        String run = "/api/runs/" + server.startRun(true) + "/record.pdf";
        String head = "<svg xmlns='http://www.w3.org/2000/svg' viewBox='0 0 100 50'>";
        for (String inside : new String[] {
            "<g>".repeat(7_000) + "</g>".repeat(7_000),
            "<text>" + "<tspan>".repeat(7_000) + "</tspan>".repeat(7_000) + "</text>",
            "<text>" + "x".repeat(900_000) + "</text>",
            "<path d='M0 0" + " L1 1".repeat(150_000) + "'/>",
            "<rect/>".repeat(20_000),
        }) {
            Server.Answer answer = server.post(run, Server.object().put("circuit", head + inside + "</svg>"));
            assertThat(answer.status()).as(inside.substring(0, 20)).isEqualTo(422);
            assertThat(answer.problem()).contains("is no drawing");
        }
    }

    private static void printed(HttpResponse<byte[]> answer) {
        String begins = new String(answer.body(), 0, 5, StandardCharsets.ISO_8859_1);
        assertThat(begins).as(answer.uri().getPath()).isEqualTo("%PDF-");
    }

    private static HttpResponse<byte[]> send(String address, String body) throws Exception {
        HttpRequest.Builder request = HttpRequest.newBuilder(URI.create(address));
        if (body != null) {
            request.header("Content-Type", "application/json").POST(BodyPublishers.ofString(body));
        }
        return HttpClient.newHttpClient().send(request.build(), BodyHandlers.ofByteArray());
    }
}
