package earlygate.planner;

import static earlygate.quantity.Si.BAR;
import static earlygate.quantity.Si.LPM;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import earlygate.fixture.Plans;
import earlygate.fixture.Units;
import earlygate.plan.Curve;
import earlygate.plan.Phase;
import earlygate.plan.Plan;
import earlygate.plan.Step;
import earlygate.target.Derivation;
import earlygate.target.GapSchool;
import earlygate.unit.PowerUnit;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/** Which curves a plan takes, where, and that it asks for no flow meter that it doesn't take off again. */
class CurveStepsTest {
    private static Plan plan(PowerUnit unit) {
        Plan plan = Plans.of(unit);
        assertThat(plan.refused()).isEmpty();
        return plan;
    }

    private static List<Curve> curves(Plan plan) {
        return plan.steps().stream().flatMap(s -> s.curve().stream()).toList();
    }

    @ParameterizedTest
    @CsvSource({
        "LG-07, 'PUMP P1 on G1 in TV1'",
        "FB-02, 'PUMP P1 on G1 in TV1'",
        "BP-11, 'PUMP PH on GH in TV1, RELIEF RV1 on GH in RV1'",
        "NH-04, 'MARGIN P1 on GP in TV1'",
        "SW-03, 'PUMP P1 on GP in TV1'",
        "WD-05, 'PUMP P1 on G1 in TV1'",
        "DR-09, 'PUMP P1 on G1 in TV1'",
        "PL-01, ''",
    })
    void eachDemoUnitTakesWhatItsCircuitShows(String tag, String expected) {
        Plan plan = plan(Units.unit(tag, u -> {}));
        assertThat(curves(plan).stream()
                        .map(c -> c.kind() + " " + c.subject() + " on " + c.gauge() + " in " + c.metered())
                        .reduce((a, b) -> a + ", " + b)
                        .orElse(""))
                .isEqualTo(expected);
        for (Step s : plan.steps()) {
            s.curve().ifPresent(c -> {
                assertThat(plan.phaseOf(s.id()).id()).isEqualTo(Phase.Id.VERIFY);
                // The load stands as the situation has it once all points are taken.
                assertThat(s.situation().openings().get(c.load())).isZero();
            });
        }
        assertThat(said(plan, "plan.meter-off")).isEqualTo(said(plan, "plan.meter-on"));
        assertThat(said(plan, "plan.meter-on"))
                .isEqualTo(curves(plan).stream().map(Curve::metered).distinct().count());
    }

    /** Strangers with load valves of their own: every meter that is read was fitted. */
    @ParameterizedTest
    @CsvSource({"15-ls-needle, 2", "18-two-pumps-one-shaft, 1", "20-twin-limited, 2", "01-ball-valve-deadhead, 0"})
    void aStrangerTakesWhatItsCircuitShows(String file, int expected) throws IOException {
        Path path = Path.of("src/test/resources/strangers/" + file + ".json");
        ObjectNode document = (ObjectNode) new JsonMapper().readTree(Files.readString(path));
        Plan plan = plan(Derivation.completed(Units.read(document), GapSchool.DEFAULT));
        assertThat(curves(plan)).hasSize(expected);
        assertThat(said(plan, "plan.meter-on"))
                .isEqualTo(curves(plan).stream().map(Curve::metered).distinct().count());
    }

    private static long said(Plan plan, String code) {
        return plan.steps().stream().filter(s -> s.action().code().equals(code)).count();
    }

    /** 40 cm3 at 1465 to 1500 rpm, 94 % at 250 bar and the reference oil: what is asked for is the handbook's n D - k p. */
    @Test
    void whatIsExpectedIsDisplacementLessLeakage() {
        Curve curve = curves(plan(Units.lg07())).get(0);
        List<Curve.Aim> free = curve.aims().subList(0, 5);
        assertThat(free).extracting(Curve.Aim::pressurePa).isSorted();
        double leak = 0.040 * 1465 * 0.06 / 250;
        for (Curve.Aim a : free) {
            double bar = a.pressurePa() / BAR;
            double lpm = a.flow() / LPM;
            // Slip between none and all; the oil is 50 C, so it leaks between once and twice the reference.
            assertThat(lpm).isBetween(0.040 * 1465 - 2 * leak * bar, 0.040 * 1500 - leak * bar);
            assertThat(a.beside()).isCloseTo(0, within(0.01 * LPM));
        }
        assertThat(curve.aims().get(5).pressurePa() / BAR).isCloseTo(160 - 4 * 0.6, within(1.0));
    }

    /** A tank line leaks: what no meter sees is told with each point. */
    @Test
    void whatPassesBesideTheMeterIsTold() {
        Curve curve = curves(plan(Units.unit("FB-02", u -> {}))).get(0);
        Curve.Aim last = curve.aims().get(curve.aims().size() - 1);
        assertThat(last.beside()).isGreaterThan(0.01 * LPM).isLessThan(0.03 * last.flow());
        assertThat(curve.beside(last.pressurePa())).isCloseTo(last.beside(), within(1e-9));
        assertThat(curve.beside(curve.aims().get(0).pressurePa() / 2))
                .isCloseTo(curve.aims().get(0).beside(), within(1e-9));
    }
}
