package earlygate.server.store;

import java.io.IOException;
import java.nio.channels.FileChannel;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.StandardOpenOption;
import java.time.LocalDateTime;
import java.time.format.DateTimeFormatter;

/** Puts a data file in the place of another. At no moment is there none, and the one that was there is kept. */
final class Exchange {
    private static final DateTimeFormatter STAMP = DateTimeFormatter.ofPattern("yyyyMMdd-HHmmss");

    private Exchange() {}

    /**
     * @param fresh whole, closed, in the same folder
     * @return the name under which the old file was set aside
     */
    static String put(Path fresh, Path file) throws IOException {
        Path aside = free(file);
        try {
            Files.createLink(aside, file);
        } catch (UnsupportedOperationException | IOException e) {
            Files.copy(file, aside, StandardCopyOption.REPLACE_EXISTING);
        }
        place(fresh, file);
        return aside.getFileName().toString();
    }

    /** The same where there is none yet. */
    static void place(Path fresh, Path file) throws IOException {
        onTheDevice(fresh, StandardOpenOption.WRITE);
        Files.move(fresh, file, StandardCopyOption.ATOMIC_MOVE, StandardCopyOption.REPLACE_EXISTING);
        onTheDevice(file.getParent(), StandardOpenOption.READ);
    }

    private static Path free(Path file) {
        String name = file.getFileName().toString().replace(DataFile.ENDING, "");
        String stamp = name + "-set-aside-" + LocalDateTime.now().format(STAMP);
        Path aside = file.resolveSibling(stamp + DataFile.ENDING);
        for (int i = 2; Files.exists(aside); i++) {
            aside = file.resolveSibling(stamp + "-" + i + DataFile.ENDING);
        }
        return aside;
    }

    private static void onTheDevice(Path path, StandardOpenOption how) throws IOException {
        try (FileChannel channel = FileChannel.open(path, how)) {
            channel.force(true);
        }
    }
}
