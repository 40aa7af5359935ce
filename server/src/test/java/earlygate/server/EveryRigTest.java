package earlygate.server;

import static earlygate.server.Server.object;
import static org.assertj.core.api.Assertions.assertThat;

import earlygate.unit.PowerUnit;
import earlygate.unit.file.UnitFile;
import java.io.IOException;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** Units from the first step to a passed record, over HTTP, on the practice rig, each record held against its machine. */
class EveryRigTest extends OnAServer {
    private static final String PACK = "PL-01";

    /** All at once, as on a busy afternoon: no machine touches another. */
    @Test
    void onThePracticeRig() {
        certified(Certified.TAGS.stream().filter(t -> !t.equals(PACK)).toList());
    }

    /** By itself: its forty seconds are real ones, and a crowd would keep it waiting until they are over. */
    @Test
    void aPackWithinItsOnTime() {
        certified(List.of(PACK));
    }

    /**
     * Circuits that others drew: a ball valve for a load, a pack for 12 V, cross-port reliefs, accumulators with a relief on
     * either side and with a vent, a load-sense pump, a sequence valve.
     */
    @Test
    void strangers() throws IOException {
        Map<String, PowerUnit> units = new LinkedHashMap<>();
        for (String name : List.of(
                "01-ball-valve-deadhead",
                "04-dc-12v",
                "05-crossport-needles",
                "10-accu-two-reliefs",
                "12-accu-vented-relief",
                "15-ls-needle",
                "22-clamp-sequence")) {
            ObjectNode unit = StrangersTest.document(name);
            assertThat(server.post("/api/units", unit).status()).isIn(200, 201);
            units.put(unit.get("tag").asString(), ((UnitFile.Reading.Read) UnitFile.read(unit.toString())).unit());
        }
        commissioned(List.copyOf(units.keySet())).forEach((walker, record) -> {
            Certified.accepted(record);
            PowerUnit unit = units.get(record.get("tag").asString());
            Certified.truly(unit, record, Certified.left(server, unit, walker.run));
        });
    }

    private void certified(List<String> tags) {
        Map<OnTheRig, JsonNode> records = commissioned(tags);
        records.forEach((walker, record) -> {
            String tag = record.get("tag").asString();
            Certified.passed(record);
            byte[] pdf = server.get("/api/runs/" + walker.run + "/record.pdf").bytes();
            Archived.isFit(pdf);
            SignedTest.twoPages(pdf, tag);
            assertThat(walker.held()).as(tag).isNotEmpty();
            PowerUnit unit = Certified.unit(tag);
            Certified.truly(unit, record, Certified.left(server, unit, walker.run));
        });
        // Said by likelihood: of two that the readings hardly tell apart it may be the other, but not as a habit.
        int said = records.keySet().stream().mapToInt(w -> w.held().size()).sum();
        List<String> wrongly =
                records.keySet().stream().flatMap(w -> w.heldWrongly().stream()).toList();
        assertThat(wrongly).hasSizeLessThanOrEqualTo(said / 10);
    }

    private Map<OnTheRig, JsonNode> commissioned(List<String> tags) {
        ExecutorService people = Executors.newFixedThreadPool(tags.size());
        try {
            Map<OnTheRig, CompletableFuture<JsonNode>> walks = new LinkedHashMap<>();
            for (String tag : tags) {
                OnTheRig walker = new OnTheRig(server, object().put("tag", tag).put("technician", "A. Marsh"));
                walks.put(walker, CompletableFuture.supplyAsync(walker::walk, people));
            }
            Map<OnTheRig, JsonNode> records = new LinkedHashMap<>();
            walks.forEach((walker, record) -> records.put(walker, record.join()));
            return records;
        } finally {
            people.shutdown();
        }
    }
}
