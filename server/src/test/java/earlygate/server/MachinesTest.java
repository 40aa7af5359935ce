package earlygate.server;

import static earlygate.server.Server.object;
import static org.assertj.core.api.Assertions.assertThat;

import java.io.BufferedReader;
import java.io.InputStreamReader;
import java.net.URI;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.PreparedStatement;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Practice machines: what is wrong with one is told, and none touches another. */
class MachinesTest extends OnAServer {
    /** Started under its lock, dry, with the suction shut: told, logged, and the reading refused with what is wrong. */
    @Test
    void theMachineSaysWhatIsWrongWithIt() {
        long run = run("LG-07", true);
        rig(run, "lock-out", "M1", 1);
        assertThat(rig(run, "start", "M1", 0).json().get("told").asString()).contains("locked out");
        rig(run, "lock-out", "M1", 0);
        rig(run, "rotation", "M1", 1);
        assertThat(rig(run, "start", "M1", 0).json().at("/live/running/M1").asBoolean())
                .isTrue();
        server.machine(run, 10);
        assertThat(server.run(run).get("log").toString()).contains("ran with the suction shut");
        assertThat(rig(run, "pass", "", 0).json().at("/live/stops/M1").asString())
                .isEqualTo("suction");
    }

    /** A machine whose kept state can't be balanced is closed with its reason; the one beside it runs on. */
    @Test
    void oneBrokenMachineTouchesNoOther(@TempDir Path broken) throws Exception {
        long bad;
        long good;
        try (Server first = new Server(broken)) {
            bad = first.startRun("LG-07", true);
            good = first.startRun("WD-05", true);
            for (long r : new long[] {bad, good}) {
                first.post(
                        "/api/runs/" + r + "/rig",
                        object().put("action", "pass").put("value", 1));
            }
        }
        try (Connection db = DriverManager.getConnection("jdbc:h2:file:" + broken.resolve("early-gate"), "sa", "");
                PreparedStatement spoil = db.prepareStatement(
                        "update rig_standing set standing = regexp_replace(standing, '\"pressures\":\\{\"P\":[0-9.E-]+', '\"pressures\":{\"P\":1E300') where run_id = ?")) {
            spoil.setLong(1, bad);
            assertThat(spoil.executeUpdate()).isEqualTo(1);
        }
        try (Server again = new Server(broken)) {
            again.machine(bad, 1);
            again.machine(good, 1);
            assertThat(firstOf(again, bad, "\"closed\":\"")).contains("\"closed\":\"The model found no balance");
            assertThat(again.post("/api/runs/" + bad + "/rig", object().put("action", "pass"))
                            .status())
                    .isEqualTo(409);
            assertThat(firstOf(again, good, "\"gauges\":{\"G1\"")).contains("\"G1\"");
            assertThat(again.run(bad).get("seq").asLong())
                    .as("its log is whole")
                    .isPositive();
        }
    }

    /** The first line of a live stream that holds this. */
    static String firstOf(Server server, long run, String what) throws Exception {
        var stream =
                URI.create(server.base() + "/api/runs/" + run + "/live").toURL().openConnection();
        stream.setReadTimeout(5000);
        try (BufferedReader lines =
                new BufferedReader(new InputStreamReader(stream.getInputStream(), StandardCharsets.UTF_8))) {
            for (int i = 0; i < 400; i++) {
                String line = lines.readLine();
                if (line != null && line.contains(what)) {
                    return line;
                }
            }
        }
        throw new AssertionError("Never said " + what);
    }
}
