package earlygate.server;

import static earlygate.server.Server.object;
import static org.assertj.core.api.Assertions.assertThat;

import earlygate.fixture.Effort;
import earlygate.server.Server.Answer;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.regex.Pattern;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.FieldSource;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * Hands that do anything, at any step, on every unit, over HTTP: nothing is answered with a fault of the server, each
 * refusal says what it is about, and the run, its record and its paper can be read afterwards.
 */
class AnyHandsTest {
    /** Of its own: what screws taught is known to every later run of a unit. */
    private static final Server server = Server.thrownAway();

    private static final Pattern UNSAID = Pattern.compile("\\{\\w+}|NaN|Infinity|\\bnull\\b");
    private static final int RUNS = Effort.of("hands", 2, 20);
    private static final int DEEDS = 30;

    @ParameterizedTest
    @FieldSource("earlygate.fixture.Units#DEMO")
    void nothingTheyDoBreaksARun(String tag) {
        Random random = new Random(31 * tag.hashCode());
        for (int i = 0; i < RUNS; i++) {
            boolean practice = i % 2 == 0;
            JsonNode view = server.post(
                            "/api/runs",
                            object().put("tag", tag)
                                    .put("technician", "Any Body")
                                    .put("practice", practice))
                    .json();
            long run = view.get("id").asLong();
            for (int k = 0; k < DEEDS; k++) {
                view = server.run(run);
                Answer answer =
                        random.nextInt(practice ? 2 : 1) == 0 ? event(random, run, view) : rig(random, run, view);
                assertThat(answer.status()).as(answer.text()).isIn(200, 409, 422);
                if (answer.status() != 200) {
                    assertThat(answer.problem()).isNotBlank();
                    assertThat(UNSAID.matcher(answer.problem()).find())
                            .as(answer.problem())
                            .isFalse();
                }
            }
            assertThat(server.get("/api/runs/" + run).status()).isEqualTo(200);
            Answer record = server.get("/api/runs/" + run + "/record");
            assertThat(record.status()).as(record.text()).isEqualTo(200);
            assertThat(record.text()).doesNotContain("NaN");
            assertThat(server.get("/api/runs/" + run + "/record.pdf").status()).isEqualTo(200);
        }
    }

    private static Answer event(Random r, long run, JsonNode view) {
        JsonNode step = view.path("step");
        String at = r.nextInt(8) == 0 || step.isNull()
                ? "s" + (1 + r.nextInt(90))
                : step.get("id").asString();
        if (!view.path("waitingAt").isNull() && r.nextInt(3) > 0) {
            return server.event(
                    run,
                    "hold-opened",
                    object().put("phase", view.at("/waitingAt/phase").asString()));
        }
        ObjectNode body = object().put("step", at);
        String[] texts = {"0", "160", "12,5", "", "nonsense", "-4", "1e9", "47"};
        String text = texts[r.nextInt(texts.length)];
        return switch (r.nextInt(11)) {
            case 0, 1, 2 -> server.event(run, "step-done", body);
            case 3, 4 -> good(r, run, step, body);
            case 5 ->
                server.event(
                        run, "reading", body.put("instrument", any(r, view)).put("text", text));
            case 6 ->
                server.event(
                        run, "turned", body.put("setting", any(r, view)).put("turns", (r.nextInt(65) - 32) / 16.0));
            case 7 -> server.event(run, "deviation", body.put("text", "left so by any body"));
            case 8 -> server.event(run, "struck", body.put("wrong", r.nextInt(60)));
            case 9 -> server.event(run, r.nextBoolean() ? "again" : "reopened", body);
            default ->
                server.event(
                        run,
                        new String[] {"live-reading", "take-crack", "tap-crack", "noted", "cracked", "dance"}
                                [r.nextInt(6)],
                        body.put("instrument", any(r, view)).put("text", text));
        };
    }

    private static Answer good(Random r, long run, JsonNode step, ObjectNode body) {
        JsonNode expect = step.path("expect");
        if (expect.isEmpty()) {
            return server.event(run, "step-done", body);
        }
        JsonNode e = expect.get(r.nextInt(expect.size()));
        return server.event(
                run,
                "reading",
                body.put("instrument", e.get("testPoint").asString())
                        .put("text", e.get("value").asString()));
    }

    private static String any(Random r, JsonNode view) {
        List<String> names = new ArrayList<>(List.of("OIL", "M1", "nobody", "G1"));
        view.get("screws").forEach(s -> names.add(s.get("setting").asString()));
        view.path("step")
                .path("expect")
                .forEach(e -> names.add(e.get("testPoint").asString()));
        return names.get(r.nextInt(names.size()));
    }

    private static Answer rig(Random r, long run, JsonNode view) {
        JsonNode situation = view.path("step").path("situation");
        List<String> parts = new ArrayList<>(List.of("M1", "E1", "P1", "TV1", "nobody"));
        situation.path("openings").propertyNames().forEach(parts::add);
        situation.path("positions").propertyNames().forEach(parts::add);
        view.get("screws").forEach(s -> parts.add(s.get("setting").asString()));
        String[] actions = {
            "start", "stop", "open", "shift", "turn", "nut", "pass", "lock-out", "suction", "fill", "rotation", "kick"
        };
        return server.post(
                "/api/runs/" + run + "/rig",
                object().put("action", actions[r.nextInt(actions.length)])
                        .put("target", parts.get(r.nextInt(parts.size())))
                        .put("value", new double[] {0, 1, 0.3, -1, 5, 300}[r.nextInt(6)])
                        .put("position", new String[] {"a", "b", "neutral", "east", "up"}[r.nextInt(5)]));
    }
}
