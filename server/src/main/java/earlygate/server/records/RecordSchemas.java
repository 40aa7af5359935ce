package earlygate.server.records;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** The JSON Schemas of a record and of its proof, as shipped. They follow the contract of the API; a test holds them to it. */
@RestController
@RequestMapping("/api")
class RecordSchemas {
    @GetMapping(value = "/record-schema", produces = MediaType.APPLICATION_JSON_VALUE)
    String record() {
        return text("record-1");
    }

    @GetMapping(value = "/proof-schema", produces = MediaType.APPLICATION_JSON_VALUE)
    String proof() {
        return text("proof-1");
    }

    private static String text(String name) {
        try (InputStream in = RecordSchemas.class.getResourceAsStream("/schemas/" + name + ".schema.json")) {
            return new String(in.readAllBytes(), StandardCharsets.UTF_8);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
