package earlygate.server.start;

import earlygate.history.file.OlderRecordFile;
import earlygate.server.history.OlderRecords;
import earlygate.server.history.OlderRecords.NewRecord;
import earlygate.server.units.UnitStore;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.ApplicationArguments;
import org.springframework.boot.ApplicationRunner;
import org.springframework.stereotype.Component;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Puts in what the made-up works kept on paper of its units; a unit that has older records is left alone. */
@Component
class DemoRecords implements ApplicationRunner {
    private final OlderRecords older;
    private final UnitStore units;
    private final JsonMapper json;
    private final String folder;

    DemoRecords(OlderRecords older, UnitStore units, JsonMapper json, @Value("${early-gate.demo}") String folder) {
        this.older = older;
        this.units = units;
        this.json = json;
        this.folder = folder;
    }

    @Override
    public void run(ApplicationArguments args) throws IOException {
        Path records = Path.of(folder, "records");
        if (folder.isBlank() || !Files.isDirectory(records)) {
            return;
        }
        List<NewRecord> wanted = new ArrayList<>();
        try (Stream<Path> files = Files.list(records)) {
            for (Path file : files.sorted().toList()) {
                JsonNode document = json.readTree(Files.readString(file));
                String tag = document.path("tag").asString();
                if (units.has(tag) && !older.any(tag)) {
                    wanted.add(new NewRecord(tag, OlderRecordFile.kept(document).on(), document.toString(), "", null));
                }
            }
        }
        if (!wanted.isEmpty()) {
            older.addAll(wanted);
        }
    }
}
