package earlygate.planner;

import static earlygate.fixture.Units.demo;
import static earlygate.fixture.Units.read;
import static earlygate.quantity.Si.BAR;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import earlygate.audit.Audit;
import earlygate.fixture.Plans;
import earlygate.fixture.Units;
import earlygate.plan.Move;
import earlygate.plan.Plan;
import earlygate.plan.Step;
import earlygate.plan.Step.Demand;
import earlygate.solve.Model;
import earlygate.unit.PowerUnit;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** A unit that has run before is read as it came, before any screw is touched. */
class AsFoundTest {
    static Stream<PowerUnit> all() {
        return Stream.concat(
                Units.DEMO.stream().map(Units::demo), StrangersTest.units().map(Units::stranger));
    }

    private static Plan plan(PowerUnit unit) {
        return Plans.asFound(unit);
    }

    private static List<Step> readings(Plan plan) {
        return plan.steps().stream().filter(s -> s.demands(Demand.AS_FOUND)).toList();
    }

    private static boolean turns(Step s) {
        return s.moves().stream().anyMatch(m -> m.kind() == Move.Kind.TURN);
    }

    @ParameterizedTest
    @MethodSource("all")
    void nothingIsTurnedBeforeTheLastIsReadAndTheOrderStaysTheSame(PowerUnit unit) {
        Plan plan = plan(unit);
        assertThat(plan.refused()).isEmpty();
        assertThat(Audit.of(Model.of(unit), plan)).isEmpty();
        assertThat(plan.settingOrder()).isEqualTo(Plans.of(unit).settingOrder());
        List<Step> steps = plan.steps();
        int firstTurn = steps.indexOf(
                steps.stream().filter(AsFoundTest::turns).findFirst().orElseThrow());
        assertThat(readings(plan)).allSatisfy(s -> {
            assertThat(steps.indexOf(s)).isLessThan(firstTurn);
            assertThat(s.inControl()).as("its own reading").isEqualTo(s.setting());
        });
        assertThat(readings(plan)).extracting(Step::setting).doesNotHaveDuplicates();
    }

    /** The compensator of LG-07 stands at 145 bar: s / (1 + b k/(n D)) at deadhead; its relief at 190 is hidden by it. */
    @Test
    void whatHasTheGaugeIsReadAndWhatIsHiddenIsCounted() {
        List<Step> read = readings(plan(Units.lg07()));
        assertThat(read).hasSize(1);
        assertThat(read.get(0).setting()).contains("P1.compensator");
        // The pump leaks 6 % of its flow at 250 bar, 3.5 % at 145; half as much again with the oil at 50 C in place of
        // 40.
        assertThat(read.get(0).expect().get(0).value() / BAR).isCloseTo(145 - 4 * 0.035 * 1.5, within(0.03));
    }

    /** On NH-04 four limiters and the margin show with the levers alone; the relief above the cut-off doesn't. */
    @Test
    void theLeversAloneShowASectionalUnit() {
        assertThat(readings(plan(demo("NH-04"))))
                .extracting(s -> s.setting().orElseThrow())
                .containsExactly("P1.compensator", "S1.reliefB", "S1.reliefA", "S2.reliefA", "P1.loadSense");
    }

    /** Found with its relief all but shut and its compensator all in, running it as it stands would pass its ratings. */
    @Test
    void whatIsNotSafeAsItStandsIsCounted() {
        PowerUnit unit = Units.lg07(u -> {
            Units.part(u, "components", "RV1").put("settingBar", 250);
            ((tools.jackson.databind.node.ObjectNode)
                            Units.part(u, "components", "P1").get("compensator"))
                    .put("settingBar", 280);
        });
        Plan plan = plan(unit);
        assertThat(plan.refused()).isEmpty();
        assertThat(readings(plan)).isEmpty();
        assertThat(plan.order()).extracting(r -> r.code()).contains("order.as-found-counted");
    }
}
