package earlygate.server.store;

import ch.qos.logback.classic.Level;
import ch.qos.logback.classic.Logger;
import java.io.IOException;
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
 * What is done with data beside serving them; none of it needs the server, and each says in one line what came of it.
 *
 * <pre>
 * data-copy FOLDER FILE    a verified copy of the data file, of a running server too
 * data-verify FILE         every row, index and log of a data file
 * data-check FOLDER        the same of the data in place
 * </pre>
 */
public final class DataCommands {
    private static final Duration PATIENCE = Duration.ofMinutes(10);

    private DataCommands() {}

    /** @return the exit code; empty where this is no such command */
    public static Optional<Integer> run(List<String> args) {
        String command = args.isEmpty() ? "" : args.get(0);
        if (!command.startsWith("data-")) {
            return Optional.empty();
        }
        // Of the libraries only what goes wrong: the answer is one line.
        ((Logger) LoggerFactory.getLogger(Logger.ROOT_LOGGER_NAME)).setLevel(Level.WARN);
        try {
            System.out.println(done(command, args.subList(1, args.size())));
            return Optional.of(0);
        } catch (DataRefused e) {
            System.err.println("early-gate: " + e.getMessage());
        } catch (IOException | UncheckedIOException e) {
            System.err.println("early-gate: " + e.getClass().getSimpleName() + ": " + e.getMessage());
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
        return Optional.of(1);
    }

    private static String done(String command, List<String> args) throws IOException, InterruptedException {
        return switch (command) {
            case "data-copy" -> copy(DataFolder.of(Path.of(args.get(0))), Path.of(args.get(1)));
            case "data-verify" -> DataFolder.verified(Path.of(args.get(0)).toAbsolutePath());
            case "data-check" ->
                DataFolder.verified(DataFolder.of(Path.of(args.get(0))).file());
            default -> throw new IOException(command + " is no command");
        };
    }

    private static String copy(DataFolder data, Path to) throws IOException, InterruptedException {
        Path target = to.toAbsolutePath();
        Path part = target.resolveSibling(target.getFileName().toString().replace(".mv.db", "") + ".part.mv.db");
        try {
            Optional<String> serving = Serving.address(data.folder());
            if (serving.isPresent()) {
                fetch(serving.get(), part);
            } else {
                Files.copy(data.file(), part, StandardCopyOption.REPLACE_EXISTING);
            }
            String found = DataFolder.verified(part);
            Files.move(part, target, StandardCopyOption.REPLACE_EXISTING);
            return found;
        } finally {
            Files.deleteIfExists(part);
        }
    }

    private static void fetch(String address, Path part) throws IOException, InterruptedException {
        HttpResponse<Path> answer = HttpClient.newHttpClient()
                .send(
                        HttpRequest.newBuilder(URI.create(address + "/api/backup"))
                                .timeout(PATIENCE)
                                .build(),
                        HttpResponse.BodyHandlers.ofFile(part));
        if (answer.statusCode() != 200) {
            throw new IOException("the server at " + address + " answered " + answer.statusCode());
        }
    }
}
