package earlygate.server.store;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.Mockito.doReturn;
import static org.mockito.Mockito.spy;

import earlygate.server.EarlyGate;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.springframework.boot.builder.SpringApplicationBuilder;
import org.springframework.context.ConfigurableApplicationContext;
import org.springframework.context.support.GenericApplicationContext;

/** The disk fills while the server runs: writing is refused in clear words, reading goes on, and with room it resumes. */
class FullDiskTest {
    @TempDir
    Path data;

    private final HttpClient http = HttpClient.newHttpClient();
    private final Disk disk = spy(new Disk(4_000_000));
    private String base;

    @Test
    void savingIsRefusedUntilThereIsRoomAndReadingGoesOn() throws Exception {
        doReturn(1_000_000_000L).when(disk).free(any());
        try (ConfigurableApplicationContext server = new SpringApplicationBuilder(EarlyGate.class)
                .initializers(c -> ((GenericApplicationContext) c)
                        .registerBean("mockDisk", Disk.class, () -> disk, bean -> bean.setPrimary(true)))
                .run("--server.port=0", "--early-gate.data=" + data, "--early-gate.demo=../demo")) {
            base = "http://127.0.0.1:" + server.getEnvironment().getProperty("local.server.port");
            doReturn(1_200_000L).when(disk).free(any());
            HttpResponse<String> full = save();
            assertThat(full.statusCode()).isEqualTo(507);
            assertThat(full.body())
                    .contains("The server's disk is full")
                    .contains("only 1200 kB are free at " + data)
                    .contains("no restart is needed");
            assertThat(get("/api/units").statusCode()).isEqualTo(200);
            assertThat(get("/api/units/LG-07").body()).contains("\"revision\":1,");
            doReturn(1_000_000_000L).when(disk).free(any());
            assertThat(save().statusCode()).isEqualTo(200);
            assertThat(get("/api/units/LG-07").body()).contains("\"revision\":2,");
        }
    }

    @Test
    void nothingIsStartedOnAFullDisk() {
        assertThatThrownBy(() -> DataFolder.opened(data, new Disk(Long.MAX_VALUE), url -> {}))
                .isInstanceOf(DataRefused.class)
                .hasMessageContaining("kB are needed to start; make room there");
    }

    private HttpResponse<String> save() throws Exception {
        return http.send(
                HttpRequest.newBuilder(URI.create(base + "/api/units/LG-07"))
                        .header("Content-Type", "application/json")
                        .PUT(HttpRequest.BodyPublishers.ofString(Files.readString(Path.of("../demo/units/LG-07.json"))))
                        .build(),
                HttpResponse.BodyHandlers.ofString());
    }

    private HttpResponse<String> get(String path) throws Exception {
        return http.send(HttpRequest.newBuilder(URI.create(base + path)).build(), HttpResponse.BodyHandlers.ofString());
    }
}
