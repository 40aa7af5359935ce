package earlygate.unit.file;

import static earlygate.fixture.Units.document;
import static earlygate.fixture.Units.part;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import earlygate.unit.PowerUnit;
import earlygate.unit.Pump;
import earlygate.unit.Setting;
import java.util.List;
import java.util.function.Consumer;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/** The unit file: read in SI, strictly, with every problem at once. */
class UnitFileTest {
    @Test
    void readsInSi() {
        PowerUnit unit = ((UnitFile.Reading.Read) UnitFile.read(document("LG-07"))).unit();
        assertThat(unit.line("P").ratingPa()).isEqualTo(250e5);
        Pump pump = unit.all(Pump.class).get(0);
        assertThat(pump.displacement()).isCloseTo(40e-6, within(1e-15));
        assertThat(pump.maxStroke()).isEqualTo(1);
        assertThat(unit.driverOf(pump).noLoadSpeed()).isEqualTo(25);
        assertThat(unit.settings()).extracting(Setting::id).containsExactly("P1.compensator", "RV1");
        assertThat(unit.fluid().bandLow()).isEqualTo(313.15);
    }

    static Stream<Arguments> faults() {
        return Stream.of(
                fault(
                        "unknown key",
                        u -> part(u, "components", "P1").put("colour", "red"),
                        "components[1].colour",
                        "file.unknown-key"),
                fault(
                        "negative size",
                        u -> part(u, "components", "P1").put("displacementCm3", -40),
                        "components[1].displacementCm3",
                        "file.not-more-than"),
                fault(
                        "no driver",
                        u -> part(u, "components", "P1").put("driver", "M9"),
                        "components[1].driver",
                        "file.unknown-driver"),
                fault(
                        "driver left out",
                        u -> part(u, "components", "P1").remove("driver"),
                        "components[1].driver",
                        "file.missing-key"),
                fault(
                        "gauge on no line",
                        u -> part(u, "testPoints", "G1").put("line", "Q"),
                        "testPoints[0].line",
                        "file.unknown-line"),
                fault(
                        "type",
                        u -> part(u, "components", "RV1").put("type", "tap"),
                        "components[2].type",
                        "file.not-one-of"),
                fault(
                        "text for a number",
                        u -> part(u, "lines", "P").put("ratingBar", "high"),
                        "lines[0].ratingBar",
                        "file.wrong-type"),
                fault(
                        "name twice",
                        u -> part(u, "components", "TV1").put("id", "RV1"),
                        "components[3].id",
                        "file.twice"),
                fault(
                        "target of nothing",
                        u -> part(u, "targets", "RV1").put("setting", "RV7"),
                        "targets[1].setting",
                        "file.unknown-setting"),
                fault(
                        "both ends the same",
                        u -> part(u, "components", "TV1").put("b", "P"),
                        "components[3].b",
                        "file.same-line"),
                fault(
                        "speeds swapped",
                        u -> part(u, "components", "M1").put("ratedSpeedRpm", 1600),
                        "components[0].ratedSpeedRpm",
                        "file.not-below"),
                fault("tank drawn", u -> part(u, "lines", "P").put("id", "T"), "lines[0].id", "file.tank-is-given"));
    }

    private static Arguments fault(String name, Consumer<ObjectNode> change, String path, String code) {
        return Arguments.of(name, change, path, code);
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("faults")
    void namesPlaceAndReason(String name, Consumer<ObjectNode> change, String path, String code) {
        ObjectNode unit = document("LG-07");
        change.accept(unit);
        assertThat(problems(UnitFile.read(unit)))
                .extracting(p -> p.path() + " " + p.reason().code())
                .contains(path + " " + code);
    }

    @Test
    void collectsAllProblemsAtOnce() {
        ObjectNode unit = document("LG-07");
        part(unit, "components", "P1").put("colour", "red").put("driver", "M9");
        part(unit, "testPoints", "G1").put("line", "Q").put("class", -1);
        assertThat(problems(UnitFile.read(unit))).hasSize(4);
    }

    @Test
    void saysWhereItStopsBeingJson() {
        List<Problem> problems = problems(UnitFile.read("{\"format\": \"early-gate/unit/1\",\n \"tag\": oops}"));
        assertThat(problems).hasSize(1);
        assertThat(problems.get(0).path()).startsWith("line 2");
        assertThat(problems(UnitFile.read(""))).isNotEmpty();
        assertThat(problems(UnitFile.read("[1, 2]"))).isNotEmpty();
    }

    private static List<Problem> problems(UnitFile.Reading reading) {
        assertThat(reading).isInstanceOf(UnitFile.Reading.Refused.class);
        return ((UnitFile.Reading.Refused) reading).problems();
    }

    static Stream<String> kinds() {
        return new JsonMapper()
                .readTree(UnitFile.schemaText())
                .at("/$defs/component/properties/type/enum")
                .valueStream()
                .map(JsonNode::asString);
    }

    @ParameterizedTest
    @MethodSource("kinds")
    void everyKindOfTheSchemaHasItsReader(String kind) {
        ObjectNode entry = new JsonMapper().createObjectNode().put("type", kind);
        assertThat(ComponentKind.of(entry)).isNotSameAs(ComponentKind.UNKNOWN);
    }

    /** A misspelt key would leave a part without its rating: the schema must know the keys of each kind, and no other. */
    @ParameterizedTest
    @MethodSource("kinds")
    void aMisspeltKeyIsRefusedInEveryKind(String kind) {
        ObjectNode document = document("LG-07");
        document.withArray("components")
                .addObject()
                .put("id", "NEW1")
                .put("type", kind)
                .put("ratedFlowLmp", 60);
        int last = document.get("components").size() - 1;
        assertThat(((UnitFile.Reading.Refused) UnitFile.read(document)).problems())
                .extracting(Problem::path)
                .contains("components[" + last + "].ratedFlowLmp");
    }
}
