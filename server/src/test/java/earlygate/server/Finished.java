package earlygate.server;

import static earlygate.server.Server.object;

import earlygate.fixture.Units;
import tools.jackson.databind.JsonNode;

/**
 * A server on which LG-07 was commissioned at a machine, once for all tests of this JVM that read a finished run; as it
 * was before anybody signed it.
 */
final class Finished {
    static final Server SERVER = Server.thrownAway();
    static final long RUN;
    static final JsonNode RECORD;
    /** The exported proof, to the letter. */
    static final String PROOF;

    static {
        AtTheMachine walker = new AtTheMachine(
                SERVER, object().put("tag", "LG-07").put("technician", "A. Marsh"), Units.demo("LG-07"), 4);
        RECORD = walker.walk();
        RUN = walker.run;
        Certified.passed(RECORD);
        Certified.truly(Units.demo("LG-07"), RECORD, walker.machine.rig());
        PROOF = SERVER.get("/api/runs/" + RUN + "/proof.json").text();
    }

    private Finished() {}
}
