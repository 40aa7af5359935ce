package earlygate.server;

import static earlygate.server.Server.object;
import static org.assertj.core.api.Assertions.assertThat;

import earlygate.server.Server.Answer;
import java.util.List;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** What is written counts, once; what must not be walked is not started; one machine never touches another. */
class WhatCountsTest extends OnAServer {
    private static ObjectNode raised(String tag, double by) {
        ObjectNode unit = Server.unit();
        unit.put("tag", tag);
        unit.get("targets")
                .forEach(t ->
                        ((ObjectNode) t).put("pressureBar", t.get("pressureBar").asDouble() + by));
        return unit;
    }

    /** Above the schematic: no run before a second person has let that very finding stand. */
    @Test
    void aStopOfTheLadderKeepsARunFromStarting() {
        server.post("/api/units", raised("LG-51", 0));
        assertThat(server.put("/api/units/LG-51", raised("LG-51", 10)).status()).isEqualTo(200);
        ObjectNode start = object().put("tag", "LG-51").put("technician", "Ann");
        Answer refused = server.post("/api/runs", start);
        assertThat(refused.status()).isEqualTo(409);
        assertThat(refused.problem()).contains("the schematic asks");
        String accepted = "/api/units/LG-51/accepted";
        ObjectNode made = object().put("fingerprint", "ladder.L13.higher|RV1|made=up")
                .put("reason", "tried it on")
                .put("by", "Ann")
                .put("releasedBy", "Bea");
        assertThat(server.post(accepted, made).status()).as("no such finding").isEqualTo(409);
        JsonNode unit = server.get("/api/units/LG-51").json();
        JsonNode findings = server.post(
                        "/api/calc/ladder",
                        object().<ObjectNode>set("unit", unit.get("document")).set("schematic", unit.get("schematic")))
                .json()
                .get("findings");
        for (JsonNode f : findings) {
            if (f.get("severity").asString().equals("stop")) {
                ObjectNode stand = object().put(
                                "fingerprint", f.get("fingerprint").asString())
                        .put("reason", "the gate is heavier than drawn")
                        .put("by", "Ann");
                assertThat(server.post(accepted, stand).status())
                        .as("one person")
                        .isEqualTo(422);
                assertThat(server.post(accepted, stand.put("releasedBy", "Bea")).status())
                        .isEqualTo(200);
            }
        }
        assertThat(server.post("/api/runs", start).status()).isEqualTo(201);
        assertThat(letStand("LG-51")).hasSize(2).doesNotContain("");
        // Half a bar higher is the same to any gauge; twenty are not what Bea released.
        server.put("/api/units/LG-51", raised("LG-51", 10.5));
        assertThat(letStand("LG-51")).doesNotContain("");
        server.put("/api/units/LG-51", raised("LG-51", 20));
        assertThat(letStand("LG-51")).contains("");
        assertThat(server.post("/api/runs", start).status()).isEqualTo(409);
    }

    /** Under which acceptance each stop stands now; empty for none. */
    private static List<String> letStand(String tag) {
        JsonNode unit = server.get("/api/units/" + tag).json();
        ObjectNode ask = object().<ObjectNode>set("unit", unit.get("document")).set("schematic", unit.get("schematic"));
        unit.get("accepted")
                .forEach(a -> ask.withArray("accepted").add(a.get("fingerprint").asString()));
        return server.post("/api/calc/ladder", ask)
                .json()
                .get("findings")
                .valueStream()
                .filter(f -> f.get("severity").asString().equals("stop"))
                .map(f -> f.path("acceptedAs").asString(""))
                .toList();
    }

    @Test
    void whatIsSentAgainMeetsItself() {
        ObjectNode start = object().put("tag", "LG-07").put("technician", "Ann").put("key", "start-1");
        start.put("practice", true);
        long run = server.post("/api/runs", start).json().get("id").asLong();
        assertThat(server.post("/api/runs", start).json().get("id").asLong()).isEqualTo(run);
        rig(run, "nut", "RV1", 0);
        ObjectNode turn = object().put("action", "turn")
                .put("target", "RV1")
                .put("value", -0.5)
                .put("key", "t-1");
        double first = turns(server.post("/api/runs/" + run + "/rig", turn));
        Answer again = server.post("/api/runs/" + run + "/rig", turn);
        assertThat(turns(again)).as("turned once").isEqualTo(first);
        assertThat(again.json().get("made").asDouble()).isEqualTo(-0.5);

        ObjectNode unit = raised("LG-52", 0);
        ObjectNode save = object().put("base", 0).put("by", "Ann").set("document", unit);
        Answer saved = server.postOnce("/api/units/LG-52/revisions", save, "rev-1");
        Answer met = server.postOnce("/api/units/LG-52/revisions", save, "rev-1");
        assertThat(met.status()).isEqualTo(201);
        assertThat(met.json().get("revision")).isEqualTo(saved.json().get("revision"));
        assertThat(server.post("/api/units/LG-52/revisions", save).status())
                .as("without the key it is a conflict")
                .isEqualTo(409);
        ObjectNode gauge = object().put("name", "bench 9")
                .put("kind", "gauge")
                .put("unit", "bar")
                .put("range", 250)
                .put("accuracyClass", 0.6)
                .put("resolution", 1);
        long id = server.postOnce("/api/instruments", gauge, "i-1")
                .json()
                .get("id")
                .asLong();
        assertThat(server.postOnce("/api/instruments", gauge, "i-1")
                        .json()
                        .get("id")
                        .asLong())
                .isEqualTo(id);
    }

    private static double turns(Answer answer) {
        return answer.json().at("/live/screws/RV1/turns").asDouble();
    }

    /** Turned while a gate is shut, or outward of where nothing was ever touched: written down, readable, counted. */
    @Test
    void noTurnIsEverDropped() {
        long run = run("LG-07", true);
        while (server.run(run).path("waitingAt").isNull()) {
            server.event(run, "step-done", object().put("step", server.step(run)));
        }
        rig(run, "nut", "RV1", 0);
        assertThat(rig(run, "turn", "RV1", -0.25).json().get("made").asDouble()).isEqualTo(-0.25);
        JsonNode view = server.run(run);
        assertThat(view.at("/log/0/text").asString()).contains("Turned RV1 1/4 turn out");
        assertThat(screw(view, "RV1").path("turnsIn").isNull())
                .as("no end was touched")
                .isTrue();
        server.event(run, "hold-opened", object().put("phase", "paper"));
        assertThat(server.run(run).get("missing").toString()).contains("put it back, 1/4 turn in");

        long typed = run("NH-04", false);
        Answer out = server.event(
                typed,
                "turned",
                object().put("step", "s1").put("setting", "P1.loadSense").put("turns", -0.25));
        assertThat(out.status()).isEqualTo(200);
        assertThat(server.get("/api/runs/" + typed).status()).isEqualTo(200);
    }

    private static JsonNode screw(JsonNode view, String setting) {
        return view.get("screws")
                .valueStream()
                .filter(s -> s.get("setting").asString().equals(setting))
                .findFirst()
                .orElseThrow();
    }

    /** What is chosen on Plan is what is walked, put on paper and kept. */
    @Test
    void theChosenPlanIsTheOneThatIsWalked() {
        ObjectNode start = object().put("tag", "NH-04")
                .put("technician", "Ann")
                .put("school", "lead-with-relief")
                .put("sectionOrder", "branches-first");
        start.set("gapSchool", object().put("kind", "schematic"));
        Answer run = server.post("/api/runs", start);
        String query = "school=lead-with-relief&sectionOrder=branches-first&gapSchool=%7B%22kind%22:%22schematic%22%7D";
        JsonNode plan = server.get("/api/units/NH-04/plan.json?" + query).json();
        assertThat(run.status()).as(run.text()).isEqualTo(plan.get("refused").isEmpty() ? 201 : 409);
        ObjectNode bare = raised("LG-53", 0);
        ((tools.jackson.databind.node.ArrayNode) bare.get("targets")).remove(1);
        server.post("/api/units", bare);
        for (String[] gap : new String[][] {{"17", "177"}, {"40", "200"}}) {
            ObjectNode wish = object().put("tag", "LG-53").put("technician", "Ann");
            wish.set("gapSchool", object().put("kind", "fixed").put("bar", Double.parseDouble(gap[0])));
            JsonNode view = server.post("/api/runs", wish).json();
            JsonNode record =
                    server.get("/api/runs/" + view.get("id") + "/record").json();
            assertThat(record.get("settings").findValuesAsString("targetBar")).contains(gap[1] + ".0");
        }
    }

    /** A practice run never commissions a unit; every open run can be reached. */
    @Test
    void practiceNeverCommissions() {
        long one = run("DR-09", true);
        long two = run("DR-09", false);
        JsonNode unit = server.get("/api/units")
                .json()
                .valueStream()
                .filter(u -> u.get("tag").asString().equals("DR-09"))
                .findFirst()
                .orElseThrow();
        assertThat(unit.get("commissioned").isNull()).isTrue();
        assertThat(unit.get("openRuns").findValuesAsString("id")).contains("" + one, "" + two);
    }

    /** Two tabs follow each other: the stream of a run without a machine tells how far its log goes. */
    @Test
    void theStreamTellsWhoHasGoneOn() throws Exception {
        server.post("/api/units", raised("LG-54", 0));
        long run = run("LG-54", false);
        assertThat(MachinesTest.firstOf(server, run, "\"seq\":0")).contains("seq");
        server.event(run, "step-done", object().put("step", "s1"));
        assertThat(MachinesTest.firstOf(server, run, "\"seq\":1")).contains("seq");
        long rig = run("LG-54", true);
        server.event(rig, "step-done", object().put("step", "s1"));
        // The first event says how rough its machine is.
        assertThat(MachinesTest.firstOf(server, rig, "\"seq\":2")).contains("gauges");
    }

    /** One event sent by eight at once under one key is one event, and each of them is told so. */
    @Test
    void oneKeyIsOneEventHoweverManySendIt() throws Exception {
        server.post("/api/units", raised("LG-55", 0));
        long run = run("LG-55", false);
        ExecutorService people = Executors.newFixedThreadPool(8);
        try {
            Callable<Integer> send = () -> server.post(
                            "/api/runs/" + run + "/events",
                            object().put("kind", "step-done").put("step", "s1").put("key", "once"))
                    .status();
            List<Future<Integer>> answers =
                    people.invokeAll(IntStream.range(0, 8).mapToObj(i -> send).toList());
            for (Future<Integer> a : answers) {
                assertThat(a.get()).isEqualTo(200);
            }
            assertThat(server.run(run).get("seq").asLong()).isEqualTo(1);
        } finally {
            people.shutdown();
        }
    }
}
