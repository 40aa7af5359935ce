package earlygate.server.store;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.util.List;
import java.util.stream.Stream;

/** Names and records of people are in the data: they are for the one who runs the server, not for each account of the machine. */
final class OwnersOnly {
    private static final List<String> OWN = List.of("early-gate", ".restore.");

    private OwnersOnly() {}

    /** Makes the folder where there is none. One that holds other things than data stays open as it is, its data don't. */
    static void folder(Path folder) throws IOException {
        Files.createDirectories(folder);
        List<Path> held;
        try (Stream<Path> files = Files.list(folder)) {
            held = files.toList();
        }
        if (held.stream().allMatch(OwnersOnly::own)) {
            close(folder, "rwx------");
        }
        held.stream().filter(OwnersOnly::own).filter(Files::isRegularFile).forEach(f -> close(f, "rw-------"));
    }

    private static boolean own(Path file) {
        return OWN.stream().anyMatch(file.getFileName().toString()::startsWith);
    }

    private static void close(Path path, String permissions) {
        try {
            Files.setPosixFilePermissions(path, PosixFilePermissions.fromString(permissions));
        } catch (IOException | UnsupportedOperationException e) {
            // Another's folder, or a disk without such rights: they are as its owner set them.
            return;
        }
    }
}
