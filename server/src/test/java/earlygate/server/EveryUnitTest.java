package earlygate.server;

import static earlygate.server.Server.object;
import static org.assertj.core.api.Assertions.assertThat;

import earlygate.unit.PowerUnit;
import earlygate.unit.file.UnitFile;
import java.util.Map;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * Every demo unit from the first step to a passed record, over HTTP, with readings typed off a machine that the server
 * has never seen. What the record says was left is then held against where the hidden screws really stand.
 */
class EveryUnitTest extends OnAServer {
    static Stream<Arguments> machines() {
        return Certified.TAGS.stream().flatMap(t -> Stream.of(Arguments.of(t, 11L), Arguments.of(t, 29L)));
    }

    @ParameterizedTest(name = "{0}, machine {1}")
    @MethodSource("machines")
    void typedAtAMachine(String tag, long seed) {
        PowerUnit unit = Certified.unit(tag);
        AtTheMachine walker =
                new AtTheMachine(server, object().put("tag", tag).put("technician", "A. Marsh"), unit, seed);
        Map<String, Double> came = Certified.standing(unit, walker.machine.rig());
        JsonNode record = walker.walk();
        Certified.passed(record);
        Certified.truly(unit, record, walker.machine.rig());
        JsonNode listed = server.get("/api/units")
                .json()
                .valueStream()
                .filter(u -> u.get("tag").asString().equals(tag))
                .findFirst()
                .orElseThrow();
        assertThat(listed.get("nextCheck").asString()).isEqualTo("as it should be, 108");
        // By now the unit has run: the second machine is read before a screw is touched.
        int read = Certified.asItCame(unit, record, came);
        int shows = tag.equals("FB-02") || seed == 11L ? 0 : 1;
        assertThat(read).isGreaterThanOrEqualTo(shows);
    }

    /** Gauges in psi: what is typed is typed in psi, and every sentence of a step speaks it first. */
    @Test
    void typedInPsi() {
        ObjectNode psi = Server.unit();
        psi.put("tag", "LG-70");
        ((ObjectNode) psi.get("testPoints").get(0)).put("reads", "psi");
        assertThat(server.post("/api/units", psi).status()).isEqualTo(201);
        PowerUnit unit = ((UnitFile.Reading.Read) UnitFile.read(psi)).unit();
        AtTheMachine walker =
                new AtTheMachine(server, object().put("tag", "LG-70").put("technician", "A. Marsh"), unit, 5);
        JsonNode record = walker.walk();
        Certified.passed(record);
        Certified.truly(unit, record, walker.machine.rig());
        JsonNode plan = server.get("/api/units/LG-70/plan.json").json();
        String set = plan.at("/phases/5/steps")
                .valueStream()
                .filter(s -> s.get("kind").asString().equals("set"))
                .skip(1)
                .findFirst()
                .orElseThrow()
                .get("action")
                .asString();
        assertThat(set).contains("2321 psi (160");
    }
}
