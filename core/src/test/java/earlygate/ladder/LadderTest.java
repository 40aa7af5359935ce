package earlygate.ladder;

import static earlygate.fixture.Units.component;
import static earlygate.fixture.Units.gauge;
import static earlygate.fixture.Units.lg07;
import static earlygate.fixture.Units.target;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import earlygate.circuit.PowerUnit;
import earlygate.ladder.Finding.Severity;
import earlygate.ladder.Finding.Suggestion.Fit;
import earlygate.ladder.Finding.Suggestion.SetTarget;
import java.util.List;
import java.util.function.Consumer;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.node.ObjectNode;

class LadderTest {
    @Test
    void lg07TeachesOnlyWhyThePumpLeads() {
        assertThat(Ladder.check(lg07(), GapSchool.DEFAULT))
                .extracting(f -> f.rule() + " " + f.severity())
                .containsExactly("L10 INFO");
    }

    @Test
    void l1ReliefTooNearTheCompensator() {
        Finding f = only("L1", lg07(target("RV1", 166)), GapSchool.DEFAULT);
        assertThat(f.severity()).isEqualTo(Severity.WARN);
        assertThat(f.figures()).containsEntry("gapBar", 6.0).containsEntry("neededBar", 14.0);
        assertThat(f.suggestion()).contains(new SetTarget("RV1", 174e5));
    }

    @Test
    void l1ReliefBelowTheCompensatorCostsHeatAndMotor() {
        Finding f = only("L1", lg07(target("RV1", 140)), GapSchool.DEFAULT);
        assertThat(f.severity()).isEqualTo(Severity.STOP);
        assertThat(f.figures().get("heatKw")).isCloseTo(13, within(1.5));
        assertThat(f.figures().get("motorLoad")).isGreaterThan(0.7);
    }

    @Test
    void l1GapBySchool() {
        PowerUnit unit = lg07(target("RV1", 166));
        assertThat(rules(unit, new GapSchool.Schematic())).contains("L1");
        assertThat(rules(lg07(target("RV1", 169)), new GapSchool.Schematic())).doesNotContain("L1");
        // 20 % above the 142 bar of the work is 170.4.
        assertThat(rules(lg07(target("RV1", 170)), new GapSchool.Percent(10, 20)))
                .contains("L1");
        assertThat(rules(lg07(target("RV1", 171)), new GapSchool.Percent(10, 20)))
                .doesNotContain("L1");
    }

    @Test
    void l2FullFlowPressureAboveTheWeakestPart() {
        Finding f = only("L2", lg07(target("RV1", 248)), GapSchool.DEFAULT);
        assertThat(f.figures().get("fullFlowBar")).isCloseTo(251.6, within(0.1));
        double offered = ((SetTarget) f.suggestion().orElseThrow()).pressurePa();
        assertThat(rules(lg07(target("RV1", offered / 1e5)), GapSchool.DEFAULT)).doesNotContain("L2");
        assertThat(rules(lg07(target("RV1", 246)), GapSchool.DEFAULT)).doesNotContain("L2");
    }

    @Test
    void l3ReliefTooSmallForThePump() {
        Finding f = only("L3", lg07(component("RV1", "ratedFlowLpm", 50)), GapSchool.DEFAULT);
        assertThat(f.suggestion()).contains(new Fit("RV1", "ratedFlowLpm", 60));
        assertThat(rules(lg07(component("RV1", "ratedFlowLpm", 61)), GapSchool.DEFAULT))
                .doesNotContain("L3");
    }

    @Test
    void l10CornerPowerBeyondTheMotor() {
        Consumer<ObjectNode> weak = component("M1", "ratedPowerKw", 15);
        Finding f = only("L10", lg07(weak), GapSchool.DEFAULT);
        assertThat(f.severity()).isEqualTo(Severity.WARN);
        assertThat(f.figures().get("cornerLoad")).isGreaterThan(1.1);
        double offered = ((SetTarget) f.suggestion().orElseThrow()).pressurePa() / 1e5;
        PowerUnit eased = lg07(weak.andThen(target("P1.compensator", offered)));
        assertThat(only("L10", eased, GapSchool.DEFAULT).severity()).isEqualTo(Severity.INFO);
        assertThat(rules(lg07(component("M1", "ratedPowerKw", 22)), GapSchool.DEFAULT))
                .doesNotContain("L10");
    }

    @Test
    void l11GaugeRangeDialAndClass() {
        Finding range = only("L11", lg07(gauge("rangeBar", 160).andThen(gauge("class", 0.25))), GapSchool.DEFAULT);
        assertThat(range.severity()).isEqualTo(Severity.STOP);
        assertThat(range.suggestion()).contains(new Fit("G1", "rangeBar", 250));
        Finding coarse = only("L11", lg07(gauge("class", 1.6)), GapSchool.DEFAULT);
        assertThat(coarse.figures()).containsEntry("errorBar", 4.0);
        assertThat(coarse.suggestion()).contains(new Fit("G1", "class", 0.6));
        assertThat(only("L11", lg07(gauge("rangeBar", 1000).andThen(gauge("class", 0.1))), GapSchool.DEFAULT)
                        .message()
                        .code())
                .isEqualTo("ladder.L11.low-on-dial");
    }

    private static List<String> rules(PowerUnit unit, GapSchool gaps) {
        return Ladder.check(unit, gaps).stream().map(Finding::rule).toList();
    }

    /** The first finding of a rule. */
    private static Finding only(String rule, PowerUnit unit, GapSchool gaps) {
        return Ladder.check(unit, gaps).stream()
                .filter(f -> f.rule().equals(rule))
                .findFirst()
                .orElseThrow(() -> new AssertionError("No finding of " + rule));
    }
}
