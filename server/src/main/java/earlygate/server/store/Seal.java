package earlygate.server.store;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;

/**
 * Says that the data file is bit for bit the one that was closed properly. It is broken when the file is opened, so a
 * server that was killed leaves none, and the next one looks the data over.
 *
 * @param path where the seal lies
 * @param file what it is of
 */
record Seal(Path path, Path file) {
    boolean isThere() {
        return Files.exists(path);
    }

    /** @param newest the newest data version that is known here */
    boolean fits(int newest) {
        try {
            String[] words = isThere() ? Files.readString(path).strip().split(" ") : new String[0];
            return words.length == 2 && Integer.parseInt(words[1]) <= newest && words[0].equals(digest());
        } catch (IOException | NumberFormatException e) {
            return false;
        }
    }

    void make(int version) {
        make(Integer.toString(version));
    }

    /** Of a file in which rows were found changed: it never fits, so each start looks the data over and names them. */
    void makeOfChanged() {
        make("changed");
    }

    private void make(String what) {
        try {
            Files.writeString(path, digest() + " " + what + "\n");
        } catch (IOException e) {
            // A full disk at the end: the next start looks the data over instead.
            breakOpen();
        }
    }

    void breakOpen() {
        try {
            Files.deleteIfExists(path);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private String digest() throws IOException {
        try (InputStream in = Files.newInputStream(file)) {
            return Sha256.of(in);
        }
    }
}
