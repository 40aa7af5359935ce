package earlygate.server;

import static org.assertj.core.api.Assertions.assertThat;

import earlygate.server.Server.Answer;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.function.IntFunction;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** Four at once at the same thing: one has it, the others are told, and nothing is there twice. */
class AtOnceTest extends OnAServer {
    private static final int ROUNDS = 12;

    private static List<Integer> statuses(IntFunction<Answer> ask) throws Exception {
        ExecutorService hands = Executors.newFixedThreadPool(4);
        List<Callable<Integer>> asks = new ArrayList<>();
        for (int i = 0; i < 4; i++) {
            int who = i;
            asks.add(() -> ask.apply(who).status());
        }
        List<Integer> statuses = new ArrayList<>();
        for (Future<Integer> f : hands.invokeAll(asks)) {
            statuses.add(f.get());
        }
        hands.shutdown();
        return statuses;
    }

    @Test
    void oneOfFourSaversHasIt() throws Exception {
        for (int round = 1; round <= ROUNDS; round++) {
            int base = server.get("/api/units/LG-07").json().get("revision").asInt();
            assertThat(statuses(who -> server.post(
                            "/api/units/LG-07/revisions",
                            Server.object()
                                    .put("base", base)
                                    .put("by", "Saver " + who)
                                    .set("document", Server.unit()))))
                    .containsExactlyInAnyOrder(201, 409, 409, 409);
        }
        assertThat(server.get("/api/units/LG-07/revisions").json()).hasSize(ROUNDS + 1);
    }

    @Test
    void oneOfFourCreatorsOfATagHasIt() throws Exception {
        for (int round = 0; round < ROUNDS; round++) {
            String tag = "NEW-" + round;
            assertThat(statuses(who -> server.post("/api/units", Server.unit().put("tag", tag))))
                    .containsExactlyInAnyOrder(201, 409, 409, 409);
            assertThat(server.get("/api/units/" + tag).json().get("revision").asInt())
                    .isEqualTo(1);
        }
    }

    @Test
    void oneOfFourInstrumentsOfANameIsKept() throws Exception {
        for (int round = 0; round < ROUNDS; round++) {
            String name = "At once " + round;
            assertThat(statuses(who -> server.post(
                            "/api/instruments",
                            Server.object()
                                    .put("name", name)
                                    .put("kind", "gauge")
                                    .put("unit", "bar")
                                    .put("range", 250)
                                    .put("accuracyClass", 1)
                                    .put("resolution", 1))))
                    .containsExactlyInAnyOrder(201, 409, 409, 409);
        }
    }

    @Test
    void theSameSentFourTimesIsDoneOnce() throws Exception {
        JsonNode start = Server.object()
                .put("tag", "LG-07")
                .put("technician", "Twice")
                .put("practice", false)
                .put("key", "start-once");
        assertThat(statuses(who -> server.post("/api/runs", start))).containsOnly(201);
        assertThat(server.get("/api/runs?tag=LG-07")
                        .json()
                        .valueStream()
                        .filter(r -> r.get("technician").asString().equals("Twice")))
                .hasSize(1);
        assertThat(statuses(who -> server.postOnce("/api/units", Server.unit().put("tag", "ONCE-1"), "one-key")))
                .containsOnly(201);
        assertThat(server.get("/api/units/ONCE-1/revisions").json()).hasSize(1);
    }

    /** A log that grows while it is read is whole at every look: it is held against its end as that stood then. */
    @Test
    void aLogIsWholeWhileItGrows() throws Exception {
        long run = server.post("/api/runs", Server.object().put("tag", "LG-07").put("technician", "Writer"))
                .json()
                .get("id")
                .asLong();
        String step = server.step(run);
        ExecutorService writer = Executors.newSingleThreadExecutor();
        Future<Integer> written = writer.submit(() -> {
            int count = 0;
            for (; count < 150; count++) {
                Answer a = server.event(
                        run,
                        "turned",
                        Server.object()
                                .put("step", step)
                                .put("setting", "RV1")
                                .put("turns", count % 2 == 0 ? 0.25 : -0.25));
                assertThat(a.status()).as(a.text()).isEqualTo(200);
            }
            return count;
        });
        long seen = 0;
        while (!written.isDone()) {
            Answer look = server.get("/api/runs/" + run);
            assertThat(look.status()).as(look.text()).isEqualTo(200);
            assertThat(look.json().get("seq").asLong()).isGreaterThanOrEqualTo(seen);
            seen = look.json().get("seq").asLong();
        }
        writer.shutdown();
        assertThat(server.run(run).get("seq").asInt()).isEqualTo(written.get());
    }

    @Test
    void aUnitThatWasRemovedIsKeptWholeAndComesBack() {
        server.post("/api/units", Server.unit().put("tag", "GONE-1"));
        long run = server.post("/api/runs", Server.object().put("tag", "GONE-1").put("technician", "A. Tester"))
                .json()
                .get("id")
                .asLong();
        assertThat(server.ask("DELETE", "/api/units/GONE-1?by=Supervisor")
                        .json()
                        .at("/0/by")
                        .asString())
                .isEqualTo("Supervisor");
        assertThat(server.get("/api/units").json().findValuesAsString("tag")).doesNotContain("GONE-1");
        assertThat(server.get("/api/units/GONE-1").status()).isEqualTo(404);
        assertThat(server.get("/api/units/GONE-1").problem()).contains("Bring it back");
        assertThat(server.get("/api/runs/" + run).status()).isEqualTo(200);
        assertThat(server.get("/api/runs/" + run + "/unit").json())
                .isEqualTo(Server.unit().put("tag", "GONE-1"));
        assertThat(server.post("/api/units", Server.unit().put("tag", "GONE-1")).status())
                .isEqualTo(409);
        assertThat(server.post("/api/removed-units/GONE-1/bring-back", "").json())
                .isEmpty();
        assertThat(server.get("/api/units").json().findValuesAsString("tag")).contains("GONE-1");
    }

    /** A check that is done works the practice machine's locks and valves, each an entry of its own beside it. */
    @Test
    void checksWhoseKeysDifferOnlyAtTheirEndsAreAllWritten() {
        long run = server.startRun(true);
        for (int i = 10; i < 24; i++) {
            server.walkTo(run, "s" + (i - 9));
            JsonNode view = server.run(run);
            if (!view.at("/step/expect").isEmpty() || view.at("/step/setting").isString()) {
                continue;
            }
            Answer done = server.post(
                    "/api/runs/" + run + "/events",
                    Server.object()
                            .put("kind", "step-done")
                            .put("key", "k".repeat(60) + i)
                            .put("step", view.at("/step/id").asString()));
            assertThat(done.status()).as(done.text()).isEqualTo(200);
        }
        assertThat(server.get("/api/runs/" + run + "/record").json().at("/log").findValuesAsString("kind"))
                .filteredOn("handled"::equals)
                .hasSizeGreaterThan(1);
    }
}
