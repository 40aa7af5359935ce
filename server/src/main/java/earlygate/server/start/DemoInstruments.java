package earlygate.server.start;

import earlygate.server.instruments.InstrumentStore;
import earlygate.server.instruments.InstrumentStore.Instrument;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.ApplicationArguments;
import org.springframework.boot.ApplicationRunner;
import org.springframework.stereotype.Component;
import tools.jackson.databind.json.JsonMapper;

/** Fills an empty register with the made-up works' instruments. */
@Component
class DemoInstruments implements ApplicationRunner {
    private final InstrumentStore instruments;
    private final JsonMapper json;
    private final String folder;

    DemoInstruments(InstrumentStore instruments, JsonMapper json, @Value("${early-gate.demo}") String folder) {
        this.instruments = instruments;
        this.json = json;
        this.folder = folder;
    }

    @Override
    public void run(ApplicationArguments args) throws IOException {
        Path file = Path.of(folder, "instruments.json");
        if (folder.isBlank() || !Files.exists(file) || !instruments.all().isEmpty()) {
            return;
        }
        for (Instrument i : json.readValue(Files.readString(file), Instrument[].class)) {
            instruments.save(null, () -> i);
        }
    }
}
