package earlygate.server.store;

import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.zip.ZipInputStream;
import org.jooq.DSLContext;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.servlet.mvc.method.annotation.StreamingResponseBody;

/** The data file as it stands between two writes, of a server that goes on serving; and what was found changed in it. */
@RestController
class DataController {
    private final Writes writes;
    private final DSLContext db;
    private final DataFolder data;

    DataController(Writes writes, DSLContext db, DataFolder data) {
        this.writes = writes;
        this.db = db;
        this.data = data;
    }

    @GetMapping("/api/backup")
    ResponseEntity<StreamingResponseBody> backup() throws IOException {
        Path zip = Files.createTempFile(data.folder(), "early-gate-backup", ".zip");
        writes.write(() -> {
            db.execute("backup to '" + zip.toString().replace("'", "''") + "'");
        });
        StreamingResponseBody body = out -> send(zip, out);
        return ResponseEntity.ok()
                .contentType(MediaType.APPLICATION_OCTET_STREAM)
                .body(body);
    }

    @GetMapping("/api/changed-data")
    List<String> changed() {
        // Of data in which nothing was found nothing is to be followed again.
        return data.changed().isEmpty()
                ? List.of()
                : Hashes.follow(db, DataFolder.VERSION).faults().stream()
                        .map(DataFolder::say)
                        .toList();
    }

    private static void send(Path zip, OutputStream out) throws IOException {
        try (ZipInputStream in = new ZipInputStream(Files.newInputStream(zip))) {
            in.getNextEntry();
            in.transferTo(out);
        } finally {
            Files.deleteIfExists(zip);
        }
    }
}
