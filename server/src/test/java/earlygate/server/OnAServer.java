package earlygate.server;

import static earlygate.server.Server.object;
import static org.assertj.core.api.Assertions.assertThat;

import earlygate.server.Server.Answer;
import java.nio.file.Path;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.io.TempDir;

/** A class of tests on one real server with a data folder of its own. */
abstract class OnAServer {
    @TempDir
    static Path data;

    static Server server;

    @BeforeAll
    static void start() {
        server = new Server(data);
    }

    @AfterAll
    static void stop() {
        server.close();
    }

    /** Starts a run that must start; answers its number. */
    static long run(String tag, boolean practice) {
        Answer started = server.post(
                "/api/runs", object().put("tag", tag).put("technician", "Ann").put("practice", practice));
        assertThat(started.status()).as(started.text()).isEqualTo(201);
        return started.json().get("id").asLong();
    }

    static Answer rig(long run, String action, String target, double value) {
        return server.post(
                "/api/runs/" + run + "/rig",
                object().put("action", action).put("target", target).put("value", value));
    }
}
