package earlygate.pattern;

import static org.assertj.core.api.Assertions.assertThat;

import earlygate.fixture.Plans;
import earlygate.fixture.Units;
import earlygate.ladder.Ladder;
import earlygate.plan.Plan;
import earlygate.plan.Step;
import earlygate.target.GapSchool;
import earlygate.unit.PowerUnit;
import earlygate.unit.file.UnitFile;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.MissingNode;

/** What patterns draw: units that read, stand right and plan; and from the plates of known units the same work as these. */
class PatternTest {
    /** Reliefs that the drawing of a known unit names otherwise than the habit of the trade. */
    private static final Map<String, String> NAMED = Map.of("RX", "RV2", "RY", "RV3");

    static List<Pattern> all() {
        return Pattern.ALL;
    }

    private static PowerUnit read(Pattern.Sheet sheet) {
        UnitFile.Reading reading = UnitFile.read(sheet.unit().toString());
        assertThat(reading).as(reading.toString()).isInstanceOf(UnitFile.Reading.Read.class);
        return ((UnitFile.Reading.Read) reading).unit();
    }

    @ParameterizedTest
    @MethodSource("all")
    void anExampleOfEachReadsAndPlans(Pattern pattern) {
        Pattern.Sheet sheet = pattern.draw(pattern.example());
        PowerUnit unit = read(sheet);
        assertThat(Ladder.check(unit, GapSchool.DEFAULT).stream()
                        .filter(f -> f.severity().key().equals("stop")))
                .as("findings that stop")
                .isEmpty();
        Plan plan = Plans.of(unit);
        assertThat(plan.refused()).as("%s", plan.refused()).isEmpty();
        assertThat(unit.targets())
                .isNotEmpty()
                .allSatisfy(t -> assertThat(set(plan)).contains(t.setting()));
        assertThat(sheet.assumed())
                .isNotEmpty()
                .doesNotHaveDuplicates()
                .allSatisfy(path -> assertThat(there(sheet.unit(), path))
                        .as("a rule of thumb at %s", path)
                        .isTrue());
    }

    /** Whether a unit file holds a place such as {@code components.RV1.overrideBar}. */
    private static boolean there(JsonNode unit, String path) {
        JsonNode at = unit;
        for (String step : path.split("\\.")) {
            JsonNode in = at;
            at = in.isArray()
                    ? in.valueStream()
                            .filter(e -> e.path("id").asString("").equals(step))
                            .findFirst()
                            .orElse(MissingNode.getInstance())
                    : in.path(step);
        }
        return !at.isMissingNode();
    }

    @ParameterizedTest
    @MethodSource("all")
    void onlyWhatIsNeededIsMissed(Pattern pattern) {
        assertThat(pattern.open(pattern.example())).isEmpty();
        Answers none = new Answers("X", "", Map.of());
        assertThat(pattern.open(none)).allMatch(Question::needed).isNotEmpty();
        assertThat(pattern.questions()).extracting(Question::key).doesNotHaveDuplicates();
        assertThat(pattern.questions().stream().filter(Question::needed).count())
                .as("numbers that must be known")
                .isLessThanOrEqualTo(20);
    }

    private static List<String> set(Plan plan) {
        return plan.steps().stream()
                .filter(s -> s.kind() == Step.Kind.SET)
                .flatMap(s -> s.setting().stream())
                .distinct()
                .toList();
    }

    static Stream<Arguments> plates() {
        return Stream.of(
                Arguments.of(
                        "LG-07",
                        "compensated-pump",
                        Answers.values(
                                "power 18.5, speed 1465, current 34.5, displacement 40, pump-rating 250, compensator 160, "
                                        + "compensator-tolerance 4, relief 176, relief-tolerance 4, line-rating 250, gauge 250, "
                                        + "work-pressure 142, work-flow 38, tank 120")),
                Arguments.of(
                        "WD-05",
                        "reducing-branch",
                        Answers.values(
                                "power 15, speed 1460, current 28.5, displacement 28, pump-rating 250, compensator 140, "
                                        + "compensator-tolerance 4, relief 156, relief-tolerance 4, line-rating 250, gauge 250, "
                                        + "branch 60, branch-tolerance 2, branch-rating 120, work-pressure 122, work-flow 26, "
                                        + "branch-work-pressure 48, branch-flow 8")),
                Arguments.of(
                        "DR-09",
                        "power-limited",
                        Answers.values(
                                "power 30, speed 1475, current 55.5, displacement 71, pump-rating 280, power-limit 24, "
                                        + "compensator 230, compensator-tolerance 5, relief 246, relief-tolerance 6, "
                                        + "line-rating 315, gauge 400, work-pressure 182, work-flow 60")),
                Arguments.of(
                        "FB-02",
                        "charging-differential-valve",
                        Answers.values(
                                "power 7.5, speed 1455, current 15.2, displacement 16, pump-rating 210, relief 160, "
                                        + "relief-tolerance 4, cut-out 140, cut-out-tolerance 4, differential 15, accumulator 10, "
                                        + "precharge 108, line-rating 250, work-pressure 100, work-flow 30")),
                Arguments.of(
                        "BP-11",
                        "high-low",
                        Answers.values(
                                "power 15, speed 1460, current 28.5, large-displacement 62, small-displacement 14, "
                                        + "large-rating 160, pump-rating 250, unload 65, unload-tolerance 3, relief 185, "
                                        + "relief-tolerance 5, line-rating 280, fast-pressure 42, work-pressure 165")),
                Arguments.of(
                        "NH-04",
                        "load-sense-2",
                        Answers.values(
                                "power 75, speed 1500, low-idle 900, high-idle 2200, displacement 71, pump-rating 280, "
                                        + "compensator 210, compensator-tolerance 5, relief 235, relief-tolerance 6, margin 20, "
                                        + "margin-tolerance 2.5, s1-flow 60, s1-a 160, s1-b 175, s2-flow 40, s2-a 130, "
                                        + "line-rating 315, gauge 400, work-pressure 142, work-flow 55")),
                Arguments.of(
                        "SW-03",
                        "cross-port-motor",
                        Answers.values(
                                "power 22, speed 1465, current 41.5, displacement 45, pump-rating 250, compensator 134, "
                                        + "compensator-tolerance 4, relief 150, relief-tolerance 4, cross-port 105, "
                                        + "cross-port-tolerance 4, motor-line-rating 210, motor-displacement 400, "
                                        + "line-rating 250, gauge 250, work-pressure 88, work-flow 40")),
                Arguments.of(
                        "PL-01",
                        "dc-pack",
                        Answers.values("dc-voltage 24, power 2, speed 2400, current 110, on-time 40, cycle 600, "
                                + "displacement 2.2, pump-rating 180, relief 150, relief-tolerance 4, line-rating 210, "
                                + "work-pressure 118, work-flow 4.5")));
    }

    /** The hand-drawn unit and the one from its plates: the same settings in the same order. */
    @ParameterizedTest
    @MethodSource("plates")
    void fromTheirPlatesKnownUnitsComeToTheSameWork(String tag, String pattern, Map<String, Double> plates) {
        Plan drawn = Plans.of(Units.read(Units.document(tag)));
        Answers answers = new Answers(tag, "as its plates say", plates);
        Plan made = Plans.of(read(Pattern.of(pattern).orElseThrow().draw(answers)));
        assertThat(made.refused()).isEmpty();
        assertThat(set(made))
                .isEqualTo(
                        set(drawn).stream().map(s -> NAMED.getOrDefault(s, s)).toList());
    }

    /** 18.5 kW at 400 V draw some 34.7 A; 1465 rev/min are a four-pole motor's; a gauge shows a third more than comes. */
    @Test
    void whatPlatesDoNotTellIsFilledInAndMarked() {
        Pattern.Sheet sheet = new CompensatedPump()
                .draw(new Answers(
                        "X",
                        "",
                        Answers.values(
                                "power 18.5, speed 1465, displacement 40, pump-rating 250, compensator 160, relief 176, "
                                        + "work-pressure 142, work-flow 38")));
        var motor = sheet.unit().at("/components/0");
        assertThat(motor.get("ratedCurrentA").asDouble()).isBetween(32.0, 37.0);
        assertThat(motor.get("syncSpeedRpm").asInt()).isEqualTo(1500);
        assertThat(sheet.unit().at("/testPoints/0/rangeBar").asInt()).isEqualTo(250);
        assertThat(sheet.assumed())
                .contains(
                        "components.M1.ratedCurrentA",
                        "components.RV1.overrideBar",
                        "testPoints.G1.rangeBar",
                        "components.P1.compensator.barPerTurn",
                        "lines.P.ratingBar",
                        "fluid.tankL")
                .doesNotContain(
                        "components.M1.ratedPowerKw",
                        "components.P1.displacementCm3",
                        "components.P1.ratedPressureBar");
    }
}
