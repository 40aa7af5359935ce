package earlygate.server;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.zip.GZIPInputStream;
import tools.jackson.databind.node.ObjectNode;

/** What earlier editions wrote, as it was written: runs, and exported proofs (packed). */
final class KeptFiles {
    private static final Path FOLDER = Path.of("src/test/resources");

    private KeptFiles() {}

    /** @param name such as proofs/PL-01-edition-4 or runs/edition-6 */
    static ObjectNode read(String name) throws IOException {
        Path packed = FOLDER.resolve(name + ".json.gz");
        try (InputStream in = Files.exists(packed)
                ? new GZIPInputStream(Files.newInputStream(packed))
                : Files.newInputStream(FOLDER.resolve(name + ".json"))) {
            return (ObjectNode) Server.JSON.readTree(new String(in.readAllBytes(), StandardCharsets.UTF_8));
        }
    }
}
