package earlygate.ladder;

import static earlygate.fixture.Units.component;
import static earlygate.fixture.Units.demo;
import static earlygate.fixture.Units.gauge;
import static earlygate.fixture.Units.lg07;
import static earlygate.fixture.Units.part;
import static earlygate.fixture.Units.target;
import static earlygate.fixture.Units.unit;
import static earlygate.fixture.Units.without;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import earlygate.ladder.Finding.Severity;
import earlygate.ladder.Finding.Suggestion.AccuracyClass;
import earlygate.ladder.Finding.Suggestion.Differential;
import earlygate.ladder.Finding.Suggestion.FullScale;
import earlygate.ladder.Finding.Suggestion.RatedFlow;
import earlygate.ladder.Finding.Suggestion.SetTarget;
import earlygate.quantity.Si;
import earlygate.target.GapSchool;
import earlygate.unit.PowerUnit;
import earlygate.unit.UnloadingValve;
import java.util.List;
import java.util.function.Consumer;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** The rules L1 to L13 of the handbook: for each the facts that give it, and those that do not. */
class LadderTest {
    @Test
    void lg07TeachesOnlyWhyThePumpLeads() {
        assertThat(Ladder.check(lg07(), GapSchool.DEFAULT))
                .extracting(f -> f.rule() + " " + f.severity())
                .containsExactly("L10 INFO");
    }

    @Test
    void l1ReliefTooNearTheCompensator() {
        Finding f = only(Rung.L1, lg07(target("RV1", 166)), GapSchool.DEFAULT);
        assertThat(f.severity()).isEqualTo(Severity.WARN);
        assertThat(figure(f, "gap") / Si.BAR).isEqualTo(6);
        assertThat(figure(f, "needed") / Si.BAR).isEqualTo(14);
        assertThat(f.suggestion()).contains(new SetTarget("RV1", 174e5));
    }

    @Test
    void l1ReliefBelowTheCompensatorCostsHeatAndMotor() {
        Finding f = only(Rung.L1, lg07(target("RV1", 140)), GapSchool.DEFAULT);
        assertThat(f.severity()).isEqualTo(Severity.STOP);
        assertThat(figure(f, "heat") / Si.KW).isCloseTo(13, within(1.5));
        assertThat(figure(f, "motorLoad")).isGreaterThan(0.7);
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
        Finding f = only(Rung.L2, lg07(target("RV1", 248)), GapSchool.DEFAULT);
        assertThat(figure(f, "fullFlow") / Si.BAR).isCloseTo(251.6, within(0.1));
        double offered = ((SetTarget) f.suggestion().orElseThrow()).pressurePa();
        assertThat(rules(lg07(target("RV1", offered / 1e5)), GapSchool.DEFAULT)).doesNotContain("L2");
        assertThat(rules(lg07(target("RV1", 246)), GapSchool.DEFAULT)).doesNotContain("L2");
    }

    @Test
    void l3ReliefTooSmallForThePump() {
        Finding f = only(Rung.L3, lg07(component("RV1", "ratedFlowLpm", 50)), GapSchool.DEFAULT);
        assertThat(f.suggestion()).contains(new RatedFlow("RV1", 60 * Si.LPM));
        assertThat(rules(lg07(component("RV1", "ratedFlowLpm", 61)), GapSchool.DEFAULT))
                .doesNotContain("L3");
    }

    @Test
    void l10CornerPowerBeyondTheMotor() {
        Consumer<ObjectNode> weak = component("M1", "ratedPowerKw", 15);
        Finding f = only(Rung.L10, lg07(weak), GapSchool.DEFAULT);
        assertThat(f.severity()).isEqualTo(Severity.WARN);
        assertThat(figure(f, "cornerLoad")).isGreaterThan(1.1);
        double offered = ((SetTarget) f.suggestion().orElseThrow()).pressurePa() / 1e5;
        PowerUnit eased = lg07(weak.andThen(target("P1.compensator", offered)));
        assertThat(only(Rung.L10, eased, GapSchool.DEFAULT).severity()).isEqualTo(Severity.INFO);
        assertThat(rules(lg07(component("M1", "ratedPowerKw", 22)), GapSchool.DEFAULT))
                .doesNotContain("L10");
    }

    @Test
    void l11GaugeRangeDialAndClass() {
        Finding range = only(Rung.L11, lg07(gauge("rangeBar", 160).andThen(gauge("class", 0.25))), GapSchool.DEFAULT);
        assertThat(range.severity()).isEqualTo(Severity.STOP);
        assertThat(range.suggestion()).contains(new FullScale("G1", 250e5));
        Finding coarse = only(Rung.L11, lg07(gauge("class", 1.6)), GapSchool.DEFAULT);
        assertThat(figure(coarse, "error") / Si.BAR).isCloseTo(4.0, within(0.01));
        assertThat(coarse.suggestion()).contains(new AccuracyClass("G1", 0.6));
        assertThat(only(Rung.L11, lg07(gauge("rangeBar", 1000).andThen(gauge("class", 0.1))), GapSchool.DEFAULT)
                        .message()
                        .code())
                .isEqualTo("ladder.L11.low-on-dial");
    }

    /** Handbook, L11: a target sits at 25 to 75 % of the range. LG-07 asks 160 and 176 bar of G1. */
    @ParameterizedTest
    @CsvSource({"0.24, 160, low", "0.26, 160, ''", "0.74, 176, ''", "0.76, 176, high"})
    void l11FromAQuarterToThreeQuartersOfTheDial(double share, double target, String found) {
        List<String> codes = codes(lg07(gauge("rangeBar", target / share).andThen(gauge("class", 0.1))));
        for (String end : List.of("low", "high")) {
            assertThat(codes.contains("ladder.L11." + end + "-on-dial")).isEqualTo(end.equals(found));
        }
    }

    /** Handbook, L9: precharge at 85 to 95 % of the cut-in pressure. */
    @ParameterizedTest
    @CsvSource({"0.84, low", "0.86, ''", "0.94, ''", "0.96, high"})
    void l9PrechargeFrom85To95PercentOfTheCutIn(double share, String found) {
        PowerUnit drawn = earlygate.fixture.Units.demo("FB-02");
        UnloadingValve valve = drawn.all(UnloadingValve.class).get(0);
        double cutIn = drawn.target(valve.id()).orElseThrow().pressurePa()
                * (1 - valve.differential().getAsDouble())
                / Si.BAR;
        List<String> codes = codes(unit("FB-02", component("AC1", "prechargeBar", share * cutIn)));
        for (String end : List.of("low", "high")) {
            assertThat(codes.contains("ladder.L9.precharge-" + end)).isEqualTo(end.equals(found));
        }
    }

    /** Every demo unit shows what it is meant to teach, and nothing else. */
    @ParameterizedTest
    @CsvSource(
            value = {"FB-02|", "BP-11|", "NH-04|", "SW-03|", "WD-05|", "DR-09|", "PL-01|L12 WARN"},
            delimiter = '|')
    void demoUnitsTeach(String tag, String findings) {
        assertThat(Ladder.check(demo(tag), GapSchool.DEFAULT))
                .extracting(f -> f.rule() + " " + f.severity())
                .containsExactlyElementsOf(findings == null ? List.of() : List.of(findings.split(",")));
    }

    @Test
    void l4UnloadingTooNearTheRelief() {
        Consumer<ObjectNode> near = target("UV1", 150).andThen(target("RV1", 160));
        Finding f = only(Rung.L4, unit("BP-11", near), GapSchool.DEFAULT);
        assertThat(figure(f, "gap") / Si.BAR).isBetween(0.0, 14.0);
        assertThat(figure(f, "heat") / Si.KW).isBetween(25.0, 32.0);
        double offered = ((SetTarget) f.suggestion().orElseThrow()).pressurePa() / 1e5;
        assertThat(codes(unit("BP-11", near.andThen(target("UV1", offered))))).doesNotContain("ladder.L4.near-relief");
    }

    @Test
    void l4UnloadingAboveWhatItsPumpStands() {
        Consumer<ObjectNode> weak = u -> part(u, "lines", "L").put("ratingBar", 68);
        assertThat(codes(unit("BP-11", weak))).contains("ladder.L4.above-rating");
        assertThat(codes(unit("BP-11", weak.andThen(target("UV1", 63))))).doesNotContain("ladder.L4.above-rating");
    }

    @Test
    void l4DumpsBeforeTheApproachIsOver() {
        PowerUnit unit = unit("BP-11", target("UV1", 40));
        Finding f = only(Rung.L4, unit, GapSchool.DEFAULT);
        assertThat(f.message().code()).isEqualTo("ladder.L4.too-early");
        assertThat(figure(f, "needed") / Si.BAR).isCloseTo(42.0, within(0.01));
        assertThat(f.suggestion()).contains(new SetTarget("UV1", 47e5));
        // The slow work at high pressure is done by the small pump alone: no finding for it.
        assertThat(codes(unit("BP-11", u -> {}))).doesNotContain("ladder.L4.too-early");
    }

    @Test
    void l5BranchAboveItsSupply() {
        Finding f = only(Rung.L5, unit("WD-05", target("RD1", 145)), GapSchool.DEFAULT);
        assertThat(f.severity()).isEqualTo(Severity.STOP);
        assertThat(figure(f, "supply") / Si.BAR).isCloseTo(140, within(1.0));
        assertThat(codes(unit("WD-05", target("RD1", 130)))).doesNotContain("ladder.L5.above-supply");
    }

    /** The lowest that a branch behind an accumulator ever sees is its cut-in. */
    @Test
    void l5CutInIsTheLowestSupply() {
        Consumer<ObjectNode> branch = u -> {
            ((ArrayNode) u.get("lines")).addObject().put("id", "R").put("ratingBar", 250);
            ((ArrayNode) u.get("components"))
                    .addObject()
                    .put("id", "RD1")
                    .put("type", "reducing-valve")
                    .put("inlet", "A")
                    .put("outlet", "R")
                    .put("drain", "T")
                    .put("settingBar", 110)
                    .put("ratedFlowLpm", 30)
                    .put("ratedDropBar", 6);
            ((ArrayNode) u.get("targets")).addObject().put("setting", "RD1").put("pressureBar", 125);
        };
        assertThat(codes(unit("FB-02", branch))).contains("ladder.L5.above-supply");
        assertThat(codes(unit("FB-02", branch.andThen(target("RD1", 112))))).doesNotContain("ladder.L5.above-supply");
    }

    @Test
    void l6CrossPortBesideDrivingPressureAndMain() {
        Finding near = only(Rung.L6, unit("SW-03", target("RX", 95)), GapSchool.DEFAULT);
        assertThat(figure(near, "above") / Si.BAR).isCloseTo(7.0, within(0.01));
        assertThat(near.suggestion()).contains(new SetTarget("RX", 102e5));
        assertThat(only(Rung.L6, unit("SW-03", target("RX", 125)), GapSchool.DEFAULT)
                        .message()
                        .code())
                .isEqualTo("ladder.L6.too-far");
        PowerUnit low = unit("SW-03", target("RV1", 100).andThen(target("P1.compensator", 80)));
        assertThat(codes(low)).contains("ladder.L6.above-main");
        // Without work on the sheet, driving pressure is the motor's torque over its displacement.
        Consumer<ObjectNode> byTorque = u -> u.remove("work");
        assertThat(codes(unit("SW-03", byTorque.andThen(target("RX", 90))))).contains("ladder.L6.too-near");
    }

    @Test
    void l7SectionReliefOutOfThePumpsReach() {
        Finding f = only(Rung.L7, unit("NH-04", target("S1.reliefB", 195)), GapSchool.DEFAULT);
        assertThat(figure(f, "reach") / Si.BAR).isCloseTo(190.0, within(0.01));
        assertThat(codes(unit("NH-04", target("S1.reliefB", 190)))).doesNotContain("ladder.L7.out-of-reach");
    }

    @Test
    void l8MarginAndBleeds() {
        assertThat(codes(unit("NH-04", target("P1.loadSense", 40)))).contains("ladder.L8.range");
        assertThat(codes(unit("NH-04", without("components", "OR1")))).contains("ladder.L8.no-bleed");
        Consumer<ObjectNode> twice = u -> ((ArrayNode) u.get("components"))
                .add(part(u, "components", "OR1").deepCopy().put("id", "OR2"));
        assertThat(codes(unit("NH-04", twice))).contains("ladder.L8.two-bleeds");
        Consumer<ObjectNode> fed = u -> {
            ((ArrayNode) u.get("lines")).addObject().put("id", "R").put("ratingBar", 100);
            ((ArrayNode) u.get("components"))
                    .addObject()
                    .put("id", "RD1")
                    .put("type", "reducing-valve")
                    .put("inlet", "P")
                    .put("outlet", "R")
                    .put("drain", "T")
                    .put("settingBar", 30)
                    .put("ratedFlowLpm", 10)
                    .put("ratedDropBar", 3);
        };
        assertThat(codes(unit("NH-04", fed))).contains("ladder.L8.standby-low");
    }

    @Test
    void l9AccumulatorAndItsValve() {
        assertThat(codes(unit("FB-02", component("AC1", "prechargeBar", 80)))).contains("ladder.L9.precharge-low");
        assertThat(codes(unit("FB-02", component("AC1", "prechargeBar", 118)))).contains("ladder.L9.precharge-high");
        Finding near = only(Rung.L9, unit("FB-02", target("UV1", 148)), GapSchool.DEFAULT);
        double offered = ((SetTarget) near.suggestion().orElseThrow()).pressurePa() / 1e5;
        assertThat(codes(unit("FB-02", target("UV1", offered)))).doesNotContain("ladder.L9.near-relief");
        Consumer<ObjectNode> hungry = u -> part(u, "work", "W1").put("pressureBar", 125);
        assertThat(codes(unit("FB-02", hungry))).contains("ladder.L9.cut-in-low");
        Finding plain = only(
                Rung.L9, unit("FB-02", u -> part(u, "components", "UV1").remove("differential")), GapSchool.DEFAULT);
        assertThat(plain.severity()).isEqualTo(Severity.STOP);
        assertThat(plain.suggestion()).contains(new Differential("UV1", 0.15));
    }

    @Test
    void l10TransferOfTwoPumps() {
        Consumer<ObjectNode> weak = component("M1", "ratedPowerKw", 11);
        Finding f = only(Rung.L10, unit("BP-11", weak), GapSchool.DEFAULT);
        assertThat(f.message().code()).isEqualTo("ladder.L10.transfer");
        double offered = ((SetTarget) f.suggestion().orElseThrow()).pressurePa() / 1e5;
        assertThat(offered).isBetween(45.0, 64.0);
        assertThat(codes(unit("BP-11", weak.andThen(target("UV1", offered))))).doesNotContain("ladder.L10.transfer");
    }

    @Test
    void l12NamesBothPressuresOfADirectActingRelief() {
        Finding f = only(Rung.L12, unit("PL-01", u -> {}), GapSchool.DEFAULT);
        assertThat(figure(f, "share")).isBetween(0.10, 0.20);
        assertThat(codes(unit("PL-01", component("RV1", "overrideBar", 15)))).doesNotContain("ladder.L12.apart");
    }

    @Test
    void l13LowerNeedsAReasonHigherARelease() {
        PowerUnit drawn = lg07();
        PowerUnit lower = lg07(target("P1.compensator", 150));
        PowerUnit higher = lg07(target("P1.compensator", 162));
        assertThat(against(drawn, drawn)).isEmpty();
        assertThat(against(lower, drawn)).extracting(Finding::severity).containsExactly(Severity.WARN);
        assertThat(against(higher, drawn)).extracting(Finding::severity).containsExactly(Severity.STOP);
        assertThat(against(higher, drawn).get(0).suggestion()).contains(new SetTarget("P1.compensator", 160e5));
    }

    private static List<Finding> against(PowerUnit unit, PowerUnit drawn) {
        return Ladder.check(unit, GapSchool.DEFAULT, drawn.targets()).stream()
                .filter(f -> f.rule() == Rung.L13)
                .toList();
    }

    private static List<String> codes(PowerUnit unit) {
        return Ladder.check(unit, GapSchool.DEFAULT).stream()
                .map(f -> f.message().code())
                .toList();
    }

    private static List<String> rules(PowerUnit unit, GapSchool gaps) {
        return Ladder.check(unit, gaps).stream().map(f -> f.rule().name()).toList();
    }

    /** The first finding of a rule. */
    private static Finding only(Rung rule, PowerUnit unit, GapSchool gaps) {
        return Ladder.check(unit, gaps).stream()
                .filter(f -> f.rule() == rule)
                .findFirst()
                .orElseThrow(() -> new AssertionError("No finding of " + rule));
    }

    private static double figure(Finding f, String name) {
        return f.message().amounts().get(name).si();
    }
}
