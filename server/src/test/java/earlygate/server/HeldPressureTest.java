package earlygate.server;

import static earlygate.server.Server.object;
import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** What is to be read ten seconds after the stop: when it is due, and from the pressure it was to begin with. */
class HeldPressureTest extends OnAServer {
    @Test
    void isReadWhenDueAndABadStartLeadsBack() {
        OnTheRig pack = new OnTheRig(server, object().put("tag", "PL-01").put("technician", "A. Marsh"));
        pack.walkTo("Stop M1 and read G1 again after 10 s");
        String held = pack.view.at("/step/id").asString();
        pack.rig("stop", "M1", 0, "");
        pack.rig("pass", "", 300, "");
        pack.rig("pass", "", 300, "");
        assertThat(grade(pack, held))
                .as("long after, it is still the one of ten seconds")
                .isEqualTo("pass");

        // Run up against an open load: nothing was pumped up that could be held.
        pack.rig("open", "TV1", 1, "");
        pack.rig("start", "M1", 0, "");
        pack.rig("stop", "M1", 0, "");
        pack.rig("open", "TV1", 0, "");
        pack.rig("pass", "", 20, "");
        assertThat(grade(pack, held)).isEqualTo("fail");
        assertThat(pack.view.at("/wayBack/action").asString()).startsWith("Run it up with every way out shut");
        pack.goBack();
        assertThat(pack.walk().get("outcome").asString()).isEqualTo("passed");
    }

    private static String grade(OnTheRig pack, String step) {
        JsonNode run = server.event(
                        pack.run, "live-reading", object().put("step", step).put("instrument", "G1"))
                .json();
        pack.view = run;
        return run.at("/readings/0/grade").asString();
    }
}
