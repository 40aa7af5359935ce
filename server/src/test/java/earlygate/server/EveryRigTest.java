package earlygate.server;

import static earlygate.server.Server.object;
import static org.assertj.core.api.Assertions.assertThat;

import earlygate.unit.PowerUnit;
import java.util.List;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** Every demo unit from the first step to a passed record, over HTTP, on the practice rig. */
class EveryRigTest extends OnAServer {
    private static final String PACK = "PL-01";

    /** All at once, as on a busy afternoon: no machine touches another. */
    @Test
    void onThePracticeRig() {
        commissioned(Certified.TAGS.stream().filter(t -> !t.equals(PACK)).toList());
    }

    /** By itself: its forty seconds are real ones, and a crowd would keep it waiting until they are over. */
    @Test
    void aPackWithinItsOnTime() {
        commissioned(List.of(PACK));
    }

    private void commissioned(List<String> tags) {
        ExecutorService people = Executors.newFixedThreadPool(tags.size());
        try {
            List<OnTheRig> walkers = tags.stream()
                    .map(tag -> new OnTheRig(server, object().put("tag", tag).put("technician", "A. Marsh")))
                    .toList();
            List<CompletableFuture<JsonNode>> records = walkers.stream()
                    .map(w -> CompletableFuture.supplyAsync(w::walk, people))
                    .toList();
            for (int i = 0; i < tags.size(); i++) {
                JsonNode record = records.get(i).join();
                Certified.passed(record);
                byte[] pdf = server.get("/api/runs/" + walkers.get(i).run + "/record.pdf")
                        .bytes();
                Archived.isFit(pdf);
                SignedTest.twoPages(pdf, tags.get(i));
                assertThat(walkers.get(i).held()).as(tags.get(i)).isNotEmpty();
                PowerUnit unit = Certified.unit(tags.get(i));
                Certified.truly(unit, record, Certified.left(server, unit, walkers.get(i).run));
            }
            // Said by likelihood: of two that the readings hardly tell apart it may be the other, but not as a habit.
            int said = walkers.stream().mapToInt(w -> w.held().size()).sum();
            List<String> wrongly =
                    walkers.stream().flatMap(w -> w.heldWrongly().stream()).toList();
            assertThat(wrongly).hasSizeLessThanOrEqualTo(said / 10);
        } finally {
            people.shutdown();
        }
    }
}
