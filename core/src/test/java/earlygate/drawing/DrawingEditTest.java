package earlygate.drawing;

import static earlygate.fixture.Units.document;
import static earlygate.fixture.Units.part;
import static org.assertj.core.api.Assertions.assertThat;

import earlygate.drawing.Change.Merge;
import earlygate.drawing.Change.Move;
import earlygate.drawing.Change.Put;
import earlygate.drawing.Change.Remove;
import earlygate.drawing.Change.Rename;
import earlygate.drawing.Change.Replace;
import earlygate.drawing.Change.Second;
import earlygate.drawing.Change.Split;
import earlygate.drawing.DrawingEdit.Answer;
import earlygate.drawing.DrawingEdit.Answer.Drawn;
import earlygate.fixture.Plans;
import earlygate.fixture.Units;
import earlygate.plan.Plan;
import earlygate.plan.Step;
import earlygate.unit.file.UnitFile;
import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** What is pointed out on a drawing: every change leaves a unit file that reads, and what is taken back is as if never done. */
class DrawingEditTest {
    private static final List<String> TAGS =
            List.of("BP-11", "DR-09", "FB-02", "LG-07", "NH-04", "PL-01", "SW-03", "WD-05");
    /** All that are one part, whatever is behind them. */
    private static final List<String> KINDS = DrawingEdit.kinds().stream()
            .map(DrawingEdit.Kind::type)
            .filter(t ->
                    !Set.of("gauge", "work", "directional-valve", "section").contains(t))
            .toList();

    static List<String> tags() {
        return TAGS;
    }

    private static Drawn drawn(JsonNode unit, Change change) {
        Answer answer = DrawingEdit.of(unit, List.of(), change);
        assertThat(answer).as("%s: %s", change, answer).isInstanceOf(Drawn.class);
        return (Drawn) answer;
    }

    private static String refused(JsonNode unit, Change change) {
        return ((Answer.Refused) DrawingEdit.of(unit, List.of(), change))
                .reason()
                .code();
    }

    private static Put put(String type, String line) {
        return new Put(type, line, OptionalDouble.empty());
    }

    private static Put put(String type, String line, double bar) {
        return new Put(type, line, OptionalDouble.of(bar));
    }

    private static void reads(ObjectNode unit) {
        assertThat(UnitFile.read(unit)).isInstanceOf(UnitFile.Reading.Read.class);
    }

    private static Stream<String> lines(JsonNode unit) {
        return unit.get("lines").valueStream().map(l -> l.get("id").asString());
    }

    private static List<String> ids(JsonNode unit, String list) {
        return unit.get(list).valueStream().map(n -> n.get("id").asString()).toList();
    }

    private static List<String> set(ObjectNode unit) {
        Plan plan = Plans.of(Units.read(unit));
        assertThat(plan.refused()).isEmpty();
        return plan.steps().stream()
                .filter(s -> s.kind() == Step.Kind.SET)
                .map(s -> s.setting().orElseThrow())
                .toList();
    }

    /** Every kind on every line of every unit. */
    @ParameterizedTest
    @MethodSource("tags")
    void whatIsPutOnReadsAndTakenOffAgainLeavesNoTrace(String tag) {
        ObjectNode before = document(tag);
        List<String> all = lines(before).toList();
        for (String line : all) {
            for (String kind : KINDS) {
                Drawn on = drawn(before, put(kind, line, 50));
                reads(on.unit());
                assertThat(ids(on.unit(), "components"))
                        .hasSize(before.get("components").size() + 1)
                        .contains(on.made());
                assertThat(on.unconfirmed())
                        .allMatch(p -> p.startsWith("components." + on.made() + ".") || p.startsWith("lines."));
                Drawn off = drawn(on.unit(), new Remove(on.made(), false));
                assertThat(off.unit()).as("%s on %s", kind, line).isEqualTo(before);
            }
            Drawn gauge = drawn(before, put("gauge", line));
            reads(gauge.unit());
            assertThat(part(gauge.unit(), "testPoints", gauge.made())
                            .get("line")
                            .asString())
                    .isEqualTo(line);
            assertThat(drawn(gauge.unit(), new Remove(gauge.made(), false)).unit())
                    .isEqualTo(before);
            reads(drawn(before, put("work", line, 50)).unit());
            reads(drawn(before, put("directional-valve", line)).unit());
        }
    }

    @ParameterizedTest
    @MethodSource("tags")
    void aNameIsChangedWhereverItStandsAndBack(String tag) {
        ObjectNode before = document(tag);
        List<String> names = new ArrayList<>(lines(before).toList());
        names.addAll(ids(before, "components"));
        names.addAll(ids(before, "testPoints"));
        List<String> sure = before.get("components")
                .valueStream()
                .map(c -> "components." + c.get("id").asString() + ".ratedFlowLpm")
                .toList();
        for (String name : names) {
            Drawn there = (Drawn) DrawingEdit.of(before, sure, new Rename(name, "Other"));
            reads(there.unit());
            ObjectNode circuit = there.unit().deepCopy();
            circuit.remove("drawing");
            assertThat(circuit.toString()).doesNotContain("\"" + name + "\"", "\"" + name + ".");
            Drawn back = (Drawn) DrawingEdit.of(there.unit(), there.unconfirmed(), new Rename("Other", name));
            assertThat(back.unit()).isEqualTo(before);
            assertThat(back.unconfirmed()).isEqualTo(sure);
        }
    }

    /** A part out of a line, and in again: what stood behind it stands before it, and the line is as weak as its weakest piece. */
    @Test
    void twoLinesBecomeOneAndOneBecomesTwo() {
        ObjectNode fb = document("FB-02");
        Drawn one = drawn(fb, new Remove("CV1", true));
        assertThat(lines(one.unit())).doesNotContain("A").contains("P", "B");
        assertThat(one.made()).isEqualTo("P");
        assertThat(one.gone()).contains("CV1", "A");
        reads(one.unit());
        assertThat(part(one.unit(), "components", "AC1").get("line").asString()).isEqualTo("B");
        Drawn two =
                drawn(one.unit(), new Split("P", "check-valve", List.of("IV1.a", "UV1.pilot"), OptionalDouble.empty()));
        reads(two.unit());
        String behind = part(two.unit(), "components", "IV1").get("a").asString();
        assertThat(behind).isEqualTo("P2");
        assertThat(part(two.unit(), "components", "UV1").get("pilot").asString())
                .isEqualTo(behind);
        assertThat(part(two.unit(), "components", "UV1").get("inlet").asString())
                .isEqualTo("P");
        ObjectNode nh = document("NH-04");
        part(nh, "lines", "LS").put("ratingBar", 210);
        double litres = part(nh, "lines", "LS").path("volumeL").asDouble(1)
                + part(nh, "lines", "P").path("volumeL").asDouble(1);
        Drawn merged = drawn(nh, new Merge("LS", "P"));
        assertThat(part(merged.unit(), "lines", "P").get("ratingBar").asDouble())
                .isEqualTo(210);
        assertThat(part(merged.unit(), "lines", "P").get("volumeL").asDouble())
                .isEqualTo(Math.round(10 * litres) / 10.0);
    }

    /** A reducing valve put on the lock gate's pump line makes a branch that is planned after its supply. */
    @Test
    void aBranchThatIsPointedOutIsPlanned() {
        ObjectNode lg = document("LG-07");
        Drawn valve = drawn(lg, put("reducing-valve", "P", 60));
        assertThat(valve.made()).isEqualTo("RD1");
        assertThat(lines(valve.unit())).containsExactly("P", "R");
        Drawn gauge = drawn(valve.unit(), put("gauge", "R"));
        assertThat(gauge.made()).isEqualTo("GR");
        ObjectNode unit = drawn(gauge.unit(), put("throttle", "R")).unit();
        // A pointer of 60 bar belongs on a dial of about twice as much.
        part(unit, "testPoints", "GR").put("rangeBar", 100);
        List<String> order = set(unit);
        assertThat(order).contains("RD1", "RV1", "P1.compensator");
        assertThat(order.lastIndexOf("P1.compensator")).isLessThan(order.indexOf("RD1"));
    }

    /** From a bare line: a pump comes with its motor, the relief is its main one, and that can be set. */
    @Test
    void aUnitIsDrawnFromABareLine() {
        ObjectNode bare = document("LG-07");
        for (String list : List.of("components", "testPoints", "targets", "work")) {
            bare.putArray(list);
        }
        ObjectNode unit = bare;
        for (Put put :
                List.of(put("pump", "P"), put("relief-valve", "P", 120), put("throttle", "P"), put("gauge", "P"))) {
            unit = drawn(unit, put).unit();
        }
        assertThat(ids(unit, "components")).containsExactlyInAnyOrder("M1", "P1", "RV1", "TV1");
        assertThat(part(unit, "components", "RV1").get("role").asString()).isEqualTo("main");
        assertThat(set(unit)).containsExactly("RV1");
    }

    /** A third section comes with its lines, its cylinder and its targets, and is set as the others. */
    @Test
    void anotherSectionComesWithAllThatHangsOnIt() {
        ObjectNode nh = document("NH-04");
        Drawn third = drawn(nh, new Second("S1"));
        assertThat(third.made()).isEqualTo("S3");
        ObjectNode section = part(third.unit(), "components", "S3");
        assertThat(section.get("supply").asString()).isEqualTo("P");
        assertThat(section.get("signal").asString())
                .isEqualTo(part(nh, "components", "S1").get("signal").asString());
        List<String> more = new ArrayList<>(lines(third.unit()).toList());
        more.removeAll(lines(nh).toList());
        assertThat(more)
                .containsExactlyInAnyOrder(
                        section.get("portA").asString(), section.get("portB").asString());
        assertThat(third.unit().get("components").size())
                .isGreaterThan(nh.get("components").size() + 1);
        assertThat(set(third.unit())).contains("S3.reliefA", "S1.reliefA");
        assertThat(third.unconfirmed()).contains("targets.S3.reliefA.pressureBar", "components.S3.reliefA.settingBar");
    }

    @Test
    void anotherKindStandsWhereTheOldOneStood() {
        ObjectNode lg = document("LG-07");
        Drawn by = drawn(lg, new Replace("RV1", "unloading-valve", OptionalDouble.empty()));
        reads(by.unit());
        assertThat(by.made()).isEqualTo("UV1");
        assertThat(part(by.unit(), "targets", "UV1").get("pressureBar").asDouble())
                .isEqualTo(176);
        assertThat(ids(by.unit(), "components")).doesNotContain("RV1");
        ObjectNode wd = document("WD-05");
        Drawn sequence = drawn(wd, new Replace("RD1", "sequence-valve", OptionalDouble.of(90)));
        reads(sequence.unit());
        ObjectNode valve = part(sequence.unit(), "components", "SQ1");
        assertThat(valve.get("inlet")).isEqualTo(part(wd, "components", "RD1").get("inlet"));
        assertThat(valve.get("outlet")).isEqualTo(part(wd, "components", "RD1").get("outlet"));
        assertThat(part(sequence.unit(), "targets", "SQ1").get("pressureBar").asDouble())
                .isEqualTo(90);
    }

    @Test
    void anEndGoesToAnotherLine() {
        ObjectNode wd = document("WD-05");
        String branch = part(wd, "components", "RD1").get("outlet").asString();
        Drawn moved = drawn(wd, new Move("TV1", "a", branch));
        assertThat(part(moved.unit(), "components", "TV1").get("a").asString()).isEqualTo(branch);
        Drawn gauge = drawn(wd, new Move("G2", "line", "P"));
        assertThat(part(gauge.unit(), "testPoints", "G2").get("line").asString())
                .isEqualTo("P");
        assertThat(refused(wd, new Move("RD1", "outlet", "P"))).isEqualTo("drawing.both-ends");
        assertThat(refused(wd, new Move("RD1", "cap", "P"))).isEqualTo("drawing.no-end");
        assertThat(refused(wd, new Move("G2", "line", "T"))).isEqualTo("drawing.gauge-on-tank");
    }

    @ParameterizedTest(name = "{0} on {1}: {2}")
    @CsvSource({
        "relief-valve, P, drawing.needs-pressure",
        "relief-valve, X9, drawing.unknown-line",
        "relief-valve, T, drawing.on-tank",
        "teapot, P, drawing.unknown-kind",
        "section, P, drawing.no-signal"
    })
    void whatCantBePutThereIsSaid(String type, String line, String code) {
        assertThat(refused(document("LG-07"), put(type, line))).isEqualTo(code);
    }

    @Test
    void whatCantBeDrawnIsSaidAndNothingIsChanged() {
        ObjectNode lg = document("LG-07");
        assertThat(refused(lg, new Rename("P1", "RV1"))).isEqualTo("drawing.name-taken");
        assertThat(refused(lg, new Rename("P1", "1 pump"))).isEqualTo("drawing.bad-name");
        assertThat(refused(lg, new Rename("P9", "P8"))).isEqualTo("drawing.unknown-part");
        assertThat(refused(lg, new Remove("P9", false))).isEqualTo("drawing.unknown-part");
        assertThat(refused(lg, new Remove("RV1", true))).isEqualTo("drawing.not-between");
        assertThat(refused(lg, new Merge("P", "P"))).isEqualTo("drawing.not-two-lines");
        assertThat(refused(lg, new Merge("P", "T"))).isEqualTo("drawing.not-two-lines");
        assertThat(refused(lg, new Split("P", "check-valve", List.of(), OptionalDouble.empty())))
                .isEqualTo("drawing.nothing-behind");
        assertThat(refused(lg, new Split("P", "check-valve", List.of("TV1.b"), OptionalDouble.empty())))
                .isEqualTo("drawing.no-end");
        assertThat(refused(lg, new Replace("P1", "filter", OptionalDouble.empty())))
                .isEqualTo("drawing.not-in-its-place");
        assertThat(lg).isEqualTo(document("LG-07"));
    }
}
