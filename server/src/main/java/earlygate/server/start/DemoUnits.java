package earlygate.server.start;

import earlygate.server.api.Input;
import earlygate.server.units.UnitStore;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.OptionalInt;
import java.util.stream.Stream;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.ApplicationArguments;
import org.springframework.boot.ApplicationRunner;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;

/** Puts the made-up works' units in where they are not yet; what is there is left alone. */
@Component
@Order(0)
class DemoUnits implements ApplicationRunner {
    private final UnitStore units;
    private final String folder;

    DemoUnits(UnitStore units, @Value("${early-gate.demo}") String folder) {
        this.units = units;
        this.folder = folder;
    }

    @Override
    public void run(ApplicationArguments args) throws IOException {
        if (folder.isBlank()) {
            return;
        }
        try (Stream<Path> files = Files.list(Path.of(folder, "units"))) {
            List<Path> sorted =
                    files.filter(f -> f.toString().endsWith(".json")).sorted().toList();
            for (Path file : sorted) {
                String text = Files.readString(file);
                String tag = Input.unitText(text).unit().tag();
                if (!units.has(tag)) {
                    units.save(UnitStore.NewRevision.of(tag, text, OptionalInt.of(0), null));
                }
            }
        }
    }
}
