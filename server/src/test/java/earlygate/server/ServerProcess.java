package earlygate.server;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.TimeUnit;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * The server in a process of its own, to be killed without warning; with {@code -Dapp=server/target/app}, made absolute,
 * the built one as the launcher starts it.
 */
final class ServerProcess {
    private static final Pattern READY = Pattern.compile("ready (http://\\S+)");
    private static final long PATIENCE_MS = 90_000;

    private final Process process;
    private final Path log;

    private ServerProcess(Process process, Path log) {
        this.process = process;
        this.log = log;
    }

    static ServerProcess start(Path data, String... more) throws IOException {
        Path log = Files.createTempFile("early-gate-server", ".log");
        List<String> command = command("--server.port=0", "--early-gate.data=" + data);
        command.addAll(List.of(more));
        Process process = new ProcessBuilder(command)
                .redirectErrorStream(true)
                .redirectOutput(log.toFile())
                .start();
        return new ServerProcess(process, log);
    }

    static List<String> command(String... args) {
        List<String> command = new ArrayList<>(List.of(
                Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                "-XX:TieredStopAtLevel=1",
                // What a killed one leaves behind goes with all else that the tests throw away.
                "-Djava.io.tmpdir=" + System.getProperty("java.io.tmpdir")));
        String app = System.getProperty("app");
        if (app == null) {
            command.addAll(List.of("-cp", System.getProperty("java.class.path"), "earlygate.server.EarlyGate"));
        } else {
            command.addAll(List.of("-XX:SharedArchiveFile=" + app + "/server.jsa", "-Xshare:auto", "-Xlog:disable"));
            command.addAll(List.of("-jar", app + "/server-1.0.0-exec.jar"));
        }
        command.addAll(List.of(args));
        return command;
    }

    String said() throws IOException {
        return Files.readString(log);
    }

    /** @return where it serves */
    String ready() throws IOException, InterruptedException {
        for (long waited = 0; waited < PATIENCE_MS; waited += 50) {
            Matcher m = READY.matcher(said());
            if (m.find()) {
                return m.group(1);
            }
            if (!process.isAlive()) {
                break;
            }
            Thread.sleep(50);
        }
        kill();
        throw new AssertionError("The server did not start:\n" + said());
    }

    int waitFor() throws InterruptedException {
        if (!process.waitFor(PATIENCE_MS, TimeUnit.MILLISECONDS)) {
            kill();
            throw new AssertionError("The server goes on");
        }
        return process.exitValue();
    }

    /** The libraries of the system that it has loaded, by their paths. */
    List<String> libraries() throws IOException {
        return Files.readAllLines(Path.of("/proc", Long.toString(process.pid()), "maps")).stream()
                .filter(l -> l.contains(".so"))
                .map(l -> l.substring(l.indexOf('/')))
                .distinct()
                .toList();
    }

    /** As by kill -9, at this very instant. */
    void kill() {
        try {
            process.destroyForcibly().waitFor();
        } catch (InterruptedException e) {
            throw new IllegalStateException(e);
        }
    }

    /** Closes it properly. */
    void stop() throws InterruptedException {
        process.destroy();
        waitFor();
    }
}
