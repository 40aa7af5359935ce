package earlygate.server;

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
}
