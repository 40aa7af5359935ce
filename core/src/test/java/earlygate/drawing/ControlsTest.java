package earlygate.drawing;

import static earlygate.fixture.Units.document;
import static earlygate.fixture.Units.part;
import static org.assertj.core.api.Assertions.assertThat;

import earlygate.drawing.Change.Drive;
import earlygate.drawing.Change.Fit;
import earlygate.drawing.Change.Put;
import earlygate.drawing.Change.Unfit;
import earlygate.drawing.DrawingEdit.Answer;
import earlygate.drawing.DrawingEdit.Answer.Drawn;
import earlygate.fixture.Plans;
import earlygate.plan.Plan;
import earlygate.plan.Step;
import earlygate.unit.PowerUnit;
import earlygate.unit.file.UnitFile;
import java.util.List;
import java.util.OptionalDouble;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** What governs and drives a pump, given and taken by pointing at it. */
class ControlsTest {
    private static final List<String> KEYS = List.of("compensator", "loadSense");

    private static Drawn drawn(JsonNode unit, Change change) {
        Answer answer = DrawingEdit.of(unit, List.of(), change);
        assertThat(answer).as("%s: %s", change, answer).isInstanceOf(Drawn.class);
        return (Drawn) answer;
    }

    private static Fit fit(String pump, String control, double bar) {
        return new Fit(pump, control, OptionalDouble.of(bar));
    }

    private static PowerUnit read(ObjectNode unit) {
        UnitFile.Reading reading = UnitFile.read(unit);
        assertThat(reading).as(unit.toString()).isInstanceOf(UnitFile.Reading.Read.class);
        return ((UnitFile.Reading.Read) reading).unit();
    }

    private static List<String> settings(ObjectNode unit) {
        return read(unit).settings().stream().map(s -> s.id()).toList();
    }

    @ParameterizedTest
    @ValueSource(strings = {"BP-11", "DR-09", "FB-02", "LG-07", "NH-04", "PL-01", "SW-03", "WD-05"})
    void whatIsGivenIsASettingWithItsTargetAndTakenOffItLeavesNoTrace(String tag) {
        ObjectNode before = document(tag);
        for (JsonNode p : before.get("components")) {
            String pump = p.get("id").asString();
            for (String key : p.get("type").asString().equals("pump") ? KEYS : List.<String>of()) {
                String setting = pump + "." + key;
                if (p.has(key)) {
                    Drawn off = drawn(before, new Unfit(pump, key));
                    assertThat(settings(off.unit())).doesNotContain(setting);
                    assertThat(off.unit().get("targets").toString()).doesNotContain(setting);
                } else {
                    Drawn on = drawn(before, fit(pump, key, 30));
                    assertThat(settings(on.unit())).contains(setting);
                    assertThat(on.unit().get("targets").toString()).contains(setting);
                    assertThat(on.unconfirmed()).anyMatch(c -> c.startsWith("components." + setting));
                    Drawn off = (Drawn) DrawingEdit.of(on.unit(), on.unconfirmed(), new Unfit(pump, key));
                    assertThat(off.unit()).as("%s off %s", key, pump).isEqualTo(before);
                    assertThat(off.unconfirmed()).noneMatch(c -> c.contains(setting));
                }
            }
        }
    }

    /** Taken off and given again it is planned as it was: its screw is brought to what the schematic asks. */
    @Test
    void aPumpThatGotItsCompensatorIsPlannedToIt() {
        ObjectNode bare =
                drawn(document("LG-07"), new Unfit("P1", "compensator")).unit();
        PowerUnit unit = read(drawn(bare, fit("P1", "compensator", 150)).unit());
        Plan plan = Plans.of(unit);
        assertThat(plan.refused()).isEmpty();
        assertThat(plan.steps().stream().filter(s -> s.kind() == Step.Kind.SET)).anySatisfy(s -> {
            assertThat(s.setting()).contains("P1.compensator");
            assertThat(s.measured().orElseThrow().targetPa()).isEqualTo(150e5);
        });
    }

    /** A section is told by a signal line; with the control comes the line, and a second pump feels the same load. */
    @Test
    void aLoadSenseControlBringsItsSignalLine() {
        ObjectNode unit = drawn(document("LG-07"), fit("P1", "loadSense", 20)).unit();
        assertThat(part(unit, "components", "P1").at("/loadSense/signal").asString())
                .isEqualTo("LS");
        Drawn section = drawn(unit, new Put("section", "P", OptionalDouble.empty()));
        assertThat(part(section.unit(), "components", section.made())
                        .get("signal")
                        .asString())
                .isEqualTo("LS");
        Drawn second = drawn(section.unit(), new Put("pump", "P", OptionalDouble.empty()));
        ObjectNode both =
                drawn(second.unit(), fit(second.made(), "loadSense", 20)).unit();
        assertThat(part(both, "components", second.made())
                        .at("/loadSense/signal")
                        .asString())
                .isEqualTo("LS");
        // Taken off one of them, what the other and the section feel stays.
        ObjectNode one = drawn(both, new Unfit(second.made(), "loadSense")).unit();
        assertThat(one.get("lines").toString()).contains("\"LS\"");
        assertThat(one).isEqualTo(second.unit());
    }

    @Test
    void anotherPrimeMoverDrivesIt() {
        ObjectNode two = document("LG-07");
        ((tools.jackson.databind.node.ArrayNode) two.get("components"))
                .add(part(two, "components", "M1").deepCopy().put("id", "M2"));
        ObjectNode driven = drawn(two, new Drive("P1", "M2")).unit();
        assertThat(part(driven, "components", "P1").get("driver").asString()).isEqualTo("M2");
        assertThat(drawn(driven, new Drive("P1", "M1")).unit()).isEqualTo(two);
    }

    @ParameterizedTest(name = "{0} {1} {2}: {3}")
    @CsvSource({
        "P1, compensator, 150, drawing.has-control",
        "P1, loadSense, , drawing.needs-pressure",
        "P1, powerLimiter, 11, drawing.in-its-fields",
        "P1, turbo, 11, drawing.unknown-control",
        "RV1, loadSense, 20, drawing.no-pump",
        "P9, loadSense, 20, drawing.unknown-part"
    })
    void whatAPumpCantGetIsSaid(String pump, String control, Double bar, String code) {
        OptionalDouble at = bar == null ? OptionalDouble.empty() : OptionalDouble.of(bar);
        assertThat(refused(new Fit(pump, control, at))).isEqualTo(code);
    }

    @Test
    void whatItHasNotOrCantBeDrivenByIsSaid() {
        assertThat(refused(new Unfit("P1", "loadSense"))).isEqualTo("drawing.has-no-control");
        assertThat(refused(new Drive("P1", "RV1"))).isEqualTo("drawing.no-driver");
        assertThat(refused(new Drive("RV1", "M1"))).isEqualTo("drawing.no-pump");
    }

    private static String refused(Change change) {
        ObjectNode unit = document("LG-07");
        String code = ((Answer.Refused) DrawingEdit.of(unit, List.of(), change))
                .reason()
                .code();
        assertThat(unit).isEqualTo(document("LG-07"));
        return code;
    }
}
