package earlygate.server.start;

import earlygate.server.store.WallClock;
import earlygate.server.units.UnitStore;
import earlygate.server.upkeep.UpkeepStore;
import earlygate.server.upkeep.UpkeepStore.NewEntry;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.List;
import java.util.stream.StreamSupport;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.ApplicationArguments;
import org.springframework.boot.ApplicationRunner;
import org.springframework.stereotype.Component;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/**
 * Begins the upkeep of the made-up works' units, its days counted back from the first start; a unit whose upkeep was begun
 * is left alone.
 */
@Component
class DemoUpkeep implements ApplicationRunner {
    private final UpkeepStore upkeep;
    private final UnitStore units;
    private final JsonMapper json;
    private final WallClock clock;
    private final String folder;

    DemoUpkeep(
            UpkeepStore upkeep,
            UnitStore units,
            JsonMapper json,
            WallClock clock,
            @Value("${early-gate.demo}") String folder) {
        this.upkeep = upkeep;
        this.units = units;
        this.json = json;
        this.clock = clock;
        this.folder = folder;
    }

    @Override
    public void run(ApplicationArguments args) throws IOException {
        Path file = Path.of(folder, "upkeep.json");
        if (folder.isBlank() || !Files.exists(file)) {
            return;
        }
        LocalDate today = clock.today();
        List<NewEntry> wanted = StreamSupport.stream(
                        json.readTree(Files.readString(file)).spliterator(), false)
                .filter(e -> begins(e.path("tag").asString()))
                .map(e -> entry((ObjectNode) e, today))
                .toList();
        if (!wanted.isEmpty()) {
            upkeep.addAll(wanted);
        }
    }

    private boolean begins(String tag) {
        return units.has(tag) && !upkeep.any(tag);
    }

    private static NewEntry entry(ObjectNode e, LocalDate today) {
        String tag = e.remove("tag").asString();
        LocalDate on = today.minusDays(e.remove("daysAgo").asLong());
        String by = e.remove("by").asString();
        return new NewEntry(tag, on, by, ((JsonNode) e).toString(), null);
    }
}
