package earlygate.server;

import static earlygate.server.Server.object;
import static org.assertj.core.api.Assertions.assertThat;

import earlygate.fixture.Effort;
import earlygate.fixture.Units;
import earlygate.unit.PowerUnit;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * Demo units from the first step to a passed record, over HTTP, with readings typed off a machine that the server has
 * never seen. What the record says was left is then held against where the hidden screws really stand.
 */
class TypedUnitsTest {
    private static Server server;

    @BeforeAll
    static void start(@TempDir Path data) {
        server = new Server(data);
    }

    @AfterAll
    static void stop() {
        server.close();
    }

    /** One that rests by its plate, and one of two pumps and curves; LG-07 is {@link Finished}, the others are on the rig. */
    private static final List<String> FEW = List.of("PL-01", "BP-11");

    /**
     * One machine of each of these units, read before a screw is touched; under {@code --long} of every demo unit, and a
     * second one of each, whose screws are counted.
     */
    private record Walk(String tag, long seed, String asFound) {}

    static Stream<Walk> walks() {
        Stream<Walk> read = (Effort.LONG ? Units.DEMO : FEW).stream().map(t -> new Walk(t, 29, "read"));
        Stream<Walk> counted = Effort.LONG ? Units.DEMO.stream().map(t -> new Walk(t, 11, "count")) : Stream.empty();
        return Stream.concat(read, counted);
    }

    @ParameterizedTest
    @MethodSource("walks")
    void typedAtAMachine(Walk walk) {
        PowerUnit unit = Units.demo(walk.tag());
        ObjectNode start =
                object().put("tag", walk.tag()).put("technician", "A. Marsh").put("asFound", walk.asFound());
        AtTheMachine walker = new AtTheMachine(server, start, unit, walk.seed());
        Map<String, Double> came = Certified.standing(unit, walker.machine.rig());
        JsonNode record = walker.walk();
        Certified.passed(record);
        Certified.truly(unit, record, walker.machine.rig());
        byte[] pdf = server.get("/api/runs/" + walker.run + "/record.pdf").bytes();
        // The one with two curves; the validator takes its time.
        if (Effort.LONG || walk.tag().equals("BP-11")) {
            Archived.isFit(pdf);
        }
        Certified.twoPages(pdf, walk.tag());
        JsonNode listed = server.get("/api/units")
                .json()
                .valueStream()
                .filter(u -> u.get("tag").asString().equals(walk.tag()))
                .findFirst()
                .orElseThrow();
        assertThat(listed.get("nextCheck").asString()).isEqualTo("as it should be, 108");
        int read = Certified.asItCame(unit, record, came);
        // What charges the accumulator of FB-02 does not show before it is set.
        int shows = walk.tag().equals("FB-02") || walk.asFound().equals("count") ? 0 : 1;
        assertThat(read).isGreaterThanOrEqualTo(shows);
    }
}
