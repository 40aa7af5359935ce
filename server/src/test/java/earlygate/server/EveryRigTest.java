package earlygate.server;

import static earlygate.server.Server.object;

import earlygate.rig.Rig;
import earlygate.unit.PowerUnit;
import java.util.List;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** Every demo unit from the first step to a passed record, over HTTP, on the practice rig. */
class EveryRigTest extends OnAServer {
    /** All at once, as on a busy afternoon: no machine touches another. */
    @Test
    void onThePracticeRig() {
        ExecutorService people = Executors.newFixedThreadPool(Certified.TAGS.size());
        try {
            List<OnTheRig> walkers = Certified.TAGS.stream()
                    .map(tag -> new OnTheRig(server, object().put("tag", tag).put("technician", "A. Marsh")))
                    .toList();
            List<CompletableFuture<JsonNode>> records = walkers.stream()
                    .map(w -> CompletableFuture.supplyAsync(w::walk, people))
                    .toList();
            for (int i = 0; i < Certified.TAGS.size(); i++) {
                JsonNode record = records.get(i).join();
                Certified.passed(record);
                PowerUnit unit = Certified.unit(Certified.TAGS.get(i));
                Rig rig = new Rig(unit, 7 * walkers.get(i).run);
                JsonNode live = server.post("/api/runs/" + walkers.get(i).run + "/rig", object().put("action", "pass"))
                        .json()
                        .get("live");
                live.get("screws").properties().forEach(s -> {
                    rig.nut(s.getKey(), false);
                    rig.turn(s.getKey(), -30);
                    rig.turn(s.getKey(), s.getValue().get("turns").asDouble());
                });
                Certified.truly(unit, record, rig);
            }
        } finally {
            people.shutdown();
        }
    }
}
