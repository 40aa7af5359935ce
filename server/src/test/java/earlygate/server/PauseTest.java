package earlygate.server;

import static earlygate.server.Server.object;
import static org.assertj.core.api.Assertions.assertThat;

import earlygate.server.Server.Answer;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.JsonNode;

/** A run that is left for a while: kept through a restart, and its practice machine stands still meanwhile. */
class PauseTest {
    private static double machineTime(Server server, long run) {
        // Asked for by a handle that moves nothing.
        Answer look = server.post(
                "/api/runs/" + run + "/rig",
                object().put("action", "pass").put("target", "").put("value", 0).put("position", ""));
        assertThat(look.status()).as(look.text()).isEqualTo(200);
        return look.json().at("/live/timeS").asDouble();
    }

    @Test
    void nothingMovesAndNothingIsEnteredUntilSomebodyGoesOn(@TempDir Path data) {
        long run;
        double stood;
        try (Server server = new Server(data)) {
            run = server.startRun(true);
            server.walkTo(run, "Prove zero");
            String step = server.step(run);
            double before = machineTime(server, run);
            server.machine(run, 3);
            stood = machineTime(server, run);
            assertThat(stood).as("the machine runs").isGreaterThan(before);
            Answer paused = server.event(run, "paused", object().put("text", "lunch, M1 locked out"));
            assertThat(paused.status()).as(paused.text()).isEqualTo(200);
            assertThat(paused.json().at("/paused/reason").asString()).isEqualTo("lunch, M1 locked out");
            assertThat(paused.json().at("/paused/by").asString()).isEqualTo("A. Tester");
            JsonNode place = server.get("/api/runs/" + run + "/place").json();
            assertThat(place.get("paused").asBoolean()).isTrue();
            Answer entered = server.event(
                    run,
                    "reading",
                    object().put("step", step).put("instrument", "G1").put("text", "0"));
            // Kept by whoever sent it, and sent again.
            assertThat(entered.status()).isEqualTo(425);
            assertThat(entered.problem()).isEqualTo("The run is paused by A. Tester: go on first, then enter it.");
            Answer moved = server.post(
                    "/api/runs/" + run + "/rig",
                    object().put("action", "start").put("target", "M1").put("value", 0));
            assertThat(moved.status()).isEqualTo(409);
            server.machine(run, 5);
        }
        try (Server server = new Server(data)) {
            assertThat(server.run(run).at("/paused/reason").asString()).isEqualTo("lunch, M1 locked out");
            Answer on = server.event(run, "went-on", object());
            assertThat(on.status()).as(on.text()).isEqualTo(200);
            assertThat(on.json().get("paused").isNull()).isTrue();
            assertThat(on.json().get("log").toString()).contains("Paused: lunch, M1 locked out", "Went on");
            assertThat(machineTime(server, run)).as("as the pause left it").isEqualTo(stood);
            assertThat(server.event(run, "went-on", object()).status()).isEqualTo(409);
            Answer done = server.event(
                    run,
                    "reading",
                    object().put("step", server.step(run))
                            .put("instrument", "G1")
                            .put("text", "0"));
            assertThat(done.status()).as(done.text()).isEqualTo(200);
        }
    }

    @Test
    void aReasonHasALimitAndMayBeLeftOut() {
        Server server = Server.shared();
        long run = server.startRun(false);
        Answer tooLong = server.event(run, "paused", object().put("text", "x".repeat(2000)));
        assertThat(tooLong.status()).isEqualTo(422);
        assertThat(server.run(run).get("paused").isNull()).isTrue();
        assertThat(server.event(run, "paused", object()).status()).isEqualTo(200);
        assertThat(server.run(run).at("/paused/reason").asString()).isEmpty();
    }
}
