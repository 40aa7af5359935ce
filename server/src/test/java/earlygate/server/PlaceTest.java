package earlygate.server;

import static earlygate.server.Server.object;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.FieldSource;
import tools.jackson.databind.JsonNode;

/** Where a run stands in one line: held against the plan it was begun with. */
class PlaceTest extends OnAServer {
    private static JsonNode start(String tag) {
        return server.post(
                        "/api/runs",
                        object().put("tag", tag).put("technician", "Ada Marsh").put("asFound", "count"))
                .json();
    }

    private static JsonNode place(JsonNode run) {
        return server.get("/api/runs/" + run.get("id").asLong() + "/place").json();
    }

    private static JsonNode event(JsonNode run, String key, String kind, String what, String value) {
        return server.post(
                        "/api/runs/" + run.get("id").asLong() + "/events",
                        object().put("key", key).put("kind", kind).put(what, value))
                .json();
    }

    @ParameterizedTest
    @FieldSource("earlygate.fixture.Units#DEMO")
    void itBeginsWithTheWholePlanAndGoesOnStepByStep(String tag) {
        JsonNode run = start(tag);
        double whole = place(run).get("minutesLeft").asDouble();
        JsonNode body =
                object().set("unit", server.get("/api/units/" + tag).json().get("document"));
        double planned = 0;
        for (JsonNode phase : server.post("/api/calc/plan", body).json().get("phases")) {
            for (JsonNode step : phase.get("steps")) {
                planned += step.get("minutes").asDouble();
            }
        }
        assertThat(whole).isCloseTo(planned, within(0.01));
        assertThat(place(run).get("step").asInt()).isEqualTo(1);
        assertThat(place(run).get("text").asString())
                .isEqualTo(run.at("/step/action").asString());
        assertThat(place(run).get("lastAt").isNull()).isTrue();
        JsonNode after =
                event(run, "p1", "step-done", "step", run.at("/step/id").asString());
        assertThat(place(run).get("step").asInt()).isEqualTo(2);
        assertThat(place(run).get("lastAt").isNull()).isFalse();
        double left = place(run).get("minutesLeft").asDouble();
        assertThat(left).isEqualTo(after.get("minutesLeft").asDouble());
        assertThat(whole - left).isCloseTo(run.at("/step/minutes").asDouble(), within(0.01));
    }

    @Test
    void atAShutGateItNamesTheGate() {
        JsonNode run = start("LG-07");
        String phase = run.at("/phases/0/title").asString();
        for (int i = 0; run.get("waitingAt") == null || run.get("waitingAt").isNull(); i++) {
            run = event(run, "g" + i, "step-done", "step", run.at("/step/id").asString());
        }
        assertThat(place(run).get("text").asString()).isEqualTo(phase);
        assertThat(server.get("/api/runs/999999/place").status()).isEqualTo(404);
    }
}
