package earlygate.server;

import static org.assertj.core.api.Assertions.assertThat;

import earlygate.server.store.DataCommands;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Optional;
import java.util.concurrent.atomic.AtomicBoolean;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.JsonNode;

/** A copy taken while the server serves and somebody writes is whole, and a server opens on it as it was. */
class BackupTest {
    @TempDir
    Path folder;

    @Test
    void aCopyOfARunningServerIsWholeAndOpens() throws Exception {
        Path copies = Files.createDirectory(folder.resolve("copies"));
        JsonNode before;
        long run;
        try (Server server = new Server(folder.resolve("data"))) {
            run = server.startRun(false);
            server.event(run, "step-done", Server.object().put("step", server.step(run)));
            before = server.run(run);
            AtomicBoolean writing = new AtomicBoolean(true);
            Thread writer = new Thread(() -> {
                while (writing.get()) {
                    server.put("/api/units/LG-07", Server.unit());
                }
            });
            writer.start();
            for (int i = 0; i < 5; i++) {
                assertThat(run("data-copy", folder.resolve("data"), copies.resolve(i + ".mv.db")))
                        .contains(0);
            }
            writing.set(false);
            writer.join();
        }
        try (var files = Files.list(copies)) {
            assertThat(files).hasSize(5);
        }
        Path restored = Files.createDirectory(folder.resolve("restored"));
        assertThat(run("data-restore", copies.resolve("4.mv.db"), restored)).contains(0);
        // It was looked through, so the start has nothing to say.
        assertThat(restored.resolve("early-gate.seal")).exists();
        try (Server again = new Server(restored)) {
            assertThat(again.run(run)).isEqualTo(before);
        }
    }

    @Test
    void whatIsNoWholeCopyIsRefused() throws IOException {
        Path junk = Files.writeString(folder.resolve("junk.mv.db"), "no data at all");
        assertThat(run("data-restore", junk, folder.resolve("new"))).contains(1);
        Path empty = Files.createFile(folder.resolve("empty.mv.db"));
        assertThat(run("data-restore", empty, folder.resolve("new"))).contains(1);
        Files.createDirectory(folder.resolve("nothing"));
        assertThat(run("data-check", folder.resolve("nothing"))).contains(1);
        assertThat(run("--server.port=1")).isEmpty();
    }

    private static Optional<Integer> run(String command, Path... paths) {
        return DataCommands.run(java.util.stream.Stream.concat(
                        java.util.stream.Stream.of(command),
                        java.util.Arrays.stream(paths).map(Path::toString))
                .toList());
    }
}
