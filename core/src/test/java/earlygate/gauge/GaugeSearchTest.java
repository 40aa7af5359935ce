package earlygate.gauge;

import static earlygate.fixture.Units.component;
import static earlygate.fixture.Units.demo;
import static earlygate.fixture.Units.lg07;
import static earlygate.fixture.Units.unit;
import static earlygate.quantity.Si.BAR;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import earlygate.fixture.Units;
import earlygate.solve.Model;
import earlygate.unit.PowerUnit;
import earlygate.unit.Situation;
import earlygate.unit.Target;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;

/** Which gauge shows which setting of the demo units, and in which situation; the answers by a technician, by hand. */
class GaugeSearchTest {
    /** Each setting at its target: which valves stand where, and who had to be raised. */
    @ParameterizedTest
    @CsvSource({
        "LG-07, P1.compensator, '', ''",
        "LG-07, RV1, '', P1.compensator",
        "SW-03, RX, DV1=east, ''",
        "SW-03, RY, DV1=west, ''",
        "NH-04, P1.compensator, S2=b, ''",
        "NH-04, S1.reliefB, S1=b, ''",
        "NH-04, S2.reliefA, S2=a, ''",
        "FB-02, RV1, '', UV1",
        "FB-02, UV1, '', ''",
        "WD-05, RD1, '', ''"
    })
    void findsTheValvesAndTheScrews(String tag, String setting, String valve, String raised) {
        PowerUnit unit = demo(tag);
        Arrangement reach = find(unit, setting).orElseThrow();
        assertThat(String.join(" ", reach.raised())).isEqualTo(raised);
        if (!valve.isEmpty()) {
            assertThat(reach.situation().positions()).containsEntry(valve.split("=")[0], valve.split("=")[1]);
        }
        assertThat(reach.gauges()).isNotEmpty();
        assertThat(reach.state().limiterOf(reach.gauges().get(0).line())).contains(setting);
    }

    @Test
    void withoutLeaveToRaiseAHiddenSettingStaysHidden() {
        PowerUnit unit = lg07();
        GaugeSearch search = new GaugeSearch(Model.of(unit));
        assertThat(search.find("RV1", SheetState.targets(unit), none -> false)).isEmpty();
        assertThat(search.find("RV1", SheetState.targets(unit), "P1.compensator"::equals))
                .isPresent();
    }

    /** The load opens just so far that the pump is at mid stroke: margin is only there in motion. */
    @Test
    void aMarginIsSoughtAtMidStroke() {
        Arrangement reach = find(demo("NH-04"), "P1.loadSense").orElseThrow();
        assertThat(reach.state().pump("P1").stroke()).isCloseTo(0.5, within(0.05));
        assertThat(reach.situation().openings().get("TV1")).isPositive();
        assertThat(reach.situation().positions()).containsValue("a");
    }

    /** A transfer shows where the large pump begins to go and still feeds the load. */
    @Test
    void aTransferIsSoughtAtTheEdgeOfItsBand() {
        Arrangement reach = find(demo("BP-11"), "UV1").orElseThrow();
        double above = reach.state().pressure("H") - 65 * BAR;
        assertThat(above / BAR).isBetween(0.0, 1.0);
        assertThat(reach.state().valve("CV1").flow()).isPositive();
        assertThat(reach.state().valve("UV1").flow()).isPositive();
    }

    @Test
    void whatNoValveCanShowIsNotFound() {
        // Both work ports closed to the pump: nothing steers oil to X.
        PowerUnit unit = unit("SW-03", u -> {
            var valve = earlygate.fixture.Units.part(u, "components", "DV1");
            valve.putObject("positions").putArray("centre");
        });
        assertThat(find(unit, "RX")).isEmpty();
    }

    /** A relief set at full flow cracks lower by its override at the flow it really meets. */
    @Test
    void fullFlowTargetsCrackLower() {
        PowerUnit unit = demo("PL-01");
        GaugeSearch search = new GaugeSearch(Model.of(unit));
        Target target = unit.target("RV1").orElseThrow();
        double crack = search.settingFor(target, SheetState.targets(unit), any -> true);
        Situation at = SheetState.targets(unit).withSetting("RV1", crack);
        assertThat(search.model().solve(at).orElseThrow().pressure("P"))
                .isCloseTo(target.pressurePa(), within(0.2 * BAR));
        assertThat(crack).isLessThan(target.pressurePa() - 8 * BAR);
        PowerUnit stiff = unit("PL-01", component("RV1", "overrideBar", 5));
        double higher = new GaugeSearch(Model.of(stiff)).settingFor(target, SheetState.targets(stiff), any -> true);
        assertThat(higher).isGreaterThan(crack);
    }

    static Stream<PowerUnit> units() {
        return Stream.concat(
                Units.DEMO.stream().map(Units::demo),
                Units.strangerDocument("orders").propertyStream().map(e -> Units.stranger(e.getKey())));
    }

    /** Low settings asked before, other settings asked before, in whatever order: each answer is what a new search says. */
    @ParameterizedTest
    @MethodSource("units")
    void anAnswerDoesNotDependOnTheQuestionsBefore(PowerUnit unit) {
        Model model = Model.of(unit);
        GaugeSearch asked = new GaugeSearch(model);
        List<Target> targets = new ArrayList<>(unit.targets());
        Collections.shuffle(targets, new Random(unit.tag().hashCode()));
        for (Target t : targets) {
            Situation low = SheetState.targets(unit).withSetting(t.setting(), 0.4 * t.pressurePa());
            asked.find(t.setting(), low, any -> !any.equals(t.setting()));
        }
        for (Target t : targets) {
            assertThat(asked.find(t.setting(), SheetState.targets(unit), any -> !any.equals(t.setting())))
                    .as("%s of %s", t.setting(), unit.tag())
                    .isEqualTo(find(unit, t.setting()));
        }
    }

    private static Optional<Arrangement> find(PowerUnit unit, String setting) {
        return new GaugeSearch(Model.of(unit)).find(setting, SheetState.targets(unit), any -> !any.equals(setting));
    }
}
