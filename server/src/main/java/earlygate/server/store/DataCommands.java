package earlygate.server.store;

import ch.qos.logback.classic.Level;
import ch.qos.logback.classic.Logger;
import earlygate.explain.Reason;
import java.io.IOException;
import java.io.PrintStream;
import java.io.UncheckedIOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.time.Duration;
import java.util.List;
import java.util.Optional;
import org.slf4j.LoggerFactory;

/**
 * What is done with data beside serving them; none of it needs the server, and each says what came of it. Data of which
 * something is not as it was written are copied and restored all the same: each fault is named, and the exit code is 3.
 *
 * <pre>
 * data-copy FOLDER FILE     a copy of the data file, of a running server too, looked through
 * data-restore FILE FOLDER  looks a copy through and moves it into a folder without data
 * data-check FOLDER         every row, index, log and hash of the data in place
 * </pre>
 */
public final class DataCommands {
    private static final int REFUSED = 1;
    private static final int NOT_WHOLE = 3;

    private static final Duration PATIENCE = Duration.ofMinutes(10);

    private DataCommands() {}

    /** @return the exit code; empty where this is no such command */
    public static Optional<Integer> run(List<String> args) {
        return run(args, System.out, System.err);
    }

    /** The same, saying it there. */
    public static Optional<Integer> run(List<String> args, PrintStream out, PrintStream err) {
        String command = args.isEmpty() ? "" : args.get(0);
        if (!command.startsWith("data-")) {
            return Optional.empty();
        }
        // Of the libraries only what goes wrong: the answer is a few lines.
        ((Logger) LoggerFactory.getLogger(Logger.ROOT_LOGGER_NAME)).setLevel(Level.WARN);
        try {
            Verified found = done(command, args.subList(1, args.size()));
            out.println(found.said());
            return Optional.of(found.whole() ? 0 : NOT_WHOLE);
        } catch (DataRefused e) {
            err.println("early-gate: " + e.getMessage());
        } catch (IOException | UncheckedIOException e) {
            err.println("early-gate: "
                    + DataFolder.say(Reason.of("store.io")
                            .name("kind", e.getClass().getSimpleName())
                            .name("detail", e.getMessage() == null ? "no more is known" : e.getMessage())));
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
        return Optional.of(REFUSED);
    }

    private static Verified done(String command, List<String> args) throws IOException, InterruptedException {
        Path first = Path.of(args.get(0)).toAbsolutePath();
        return switch (command) {
            case "data-copy" -> copy(DataFolder.of(first), Path.of(args.get(1)).toAbsolutePath());
            case "data-restore" -> restore(first, DataFolder.of(Path.of(args.get(1))));
            case "data-check" -> Verified.of(DataFolder.of(first).file());
            default -> throw new IOException(command + " is no command");
        };
    }

    private static Verified copy(DataFolder data, Path target) throws IOException, InterruptedException {
        Path part = target.resolveSibling(
                target.getFileName().toString().replace(DataFile.ENDING, "") + ".part" + DataFile.ENDING);
        try {
            Optional<String> serving = Serving.address(data.folder());
            if (serving.isPresent()) {
                fetch(serving.get(), part);
            } else {
                Files.copy(data.file(), part, StandardCopyOption.REPLACE_EXISTING);
            }
            Verified found = Verified.of(part);
            Files.move(part, target, StandardCopyOption.REPLACE_EXISTING);
            return found;
        } finally {
            Files.deleteIfExists(part);
        }
    }

    private static void fetch(String address, Path part) throws IOException, InterruptedException {
        int status;
        try {
            status = HttpClient.newHttpClient()
                    .send(
                            HttpRequest.newBuilder(URI.create(address + "/api/backup"))
                                    .timeout(PATIENCE)
                                    .build(),
                            HttpResponse.BodyHandlers.ofFile(part))
                    .statusCode();
        } catch (IOException e) {
            throw new DataRefused(Reason.of("store.server-left").name("address", address), e);
        }
        if (status != 200) {
            throw new DataRefused(
                    Reason.of("store.server-answered").name("address", address).number("status", status), null);
        }
    }

    /** Mark and seal come last: whatever stops this before leaves a folder that can be restored into again. */
    private static Verified restore(Path copy, DataFolder data) throws IOException {
        Verified found = Verified.of(copy);
        data.seal().breakOpen();
        Exchange.place(copy, data.file());
        data.mark().begin(found.writes());
        // It was looked through just now.
        data.seal(found.version(), found.whole());
        return found;
    }
}
