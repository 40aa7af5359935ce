package earlygate.verify;

import static earlygate.quantity.Si.BAR;
import static earlygate.quantity.Si.LPM;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import earlygate.fixture.Units;
import earlygate.judge.Verdict.Grade;
import earlygate.solve.Model;
import earlygate.unit.PowerUnit;
import earlygate.verify.Fit.Instruments;
import earlygate.verify.Fit.Kind;
import earlygate.verify.Fit.Region;
import java.util.List;
import java.util.stream.DoubleStream;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Curves of machines of known truth; the machines are written out a second time in {@link CurveMachine}. */
class CurveFitTest {
    private static final int CURVES = 300;

    @Test
    void theBoundsHoldTheTruthAsOftenAsTheySay() {
        for (FitTally t : List.of(
                FitTally.efficiency(CURVES),
                FitTally.cutOff(CURVES),
                FitTally.relief(CURVES, "cracking"),
                FitTally.relief(CURVES, "override"),
                FitTally.relief(CURVES, "reseat"),
                FitTally.margin(CURVES),
                FitTally.limiter(CURVES))) {
            // Four standard deviations of 300 draws at 95 %.
            assertThat(t.percent()).isBetween(90.0, 99.5);
            assertThat(t.missing).isZero();
        }
    }

    /** New it has 0.94, and is worn below 0.89. */
    @ParameterizedTest
    @CsvSource({"0.95, PASS, FAIL", "0.93, PASS, FAIL", "0.84, FAIL, PASS", "0.70, FAIL, PASS"})
    void aWornPumpIsCalledWornAndAGoodOneNot(double efficiency, Grade right, Grade wrong) {
        int told = 0;
        for (int seed = 0; seed < 60; seed++) {
            var m = new CurveMachine.WornPump(seed, efficiency);
            Fit.Found f = found(m.unit, Kind.PUMP, "P1", m.machine.points, Instruments.WITHOUT_ERROR);
            assertThat(f.grade()).isNotEqualTo(wrong);
            told += f.grade() == right ? 1 : 0;
            assertThat(f.parameter("volumetric-efficiency").orElseThrow().value())
                    .isCloseTo(efficiency, within(0.04));
        }
        assertThat(told).isGreaterThan(50);
    }

    @Test
    void aMeterTooCoarseToTellSaysSo() {
        var m = new CurveMachine.WornPump(3, 0.94);
        assertThat(found(m.unit, Kind.PUMP, "P1", m.machine.points, Instruments.WITHOUT_ERROR)
                        .grade())
                .isEqualTo(Grade.PASS);
        Fit.Found coarse = found(m.unit, Kind.PUMP, "P1", m.machine.points, new Instruments(0, 6 * LPM));
        assertThat(coarse.grade()).isEqualTo(Grade.CANNOT_TELL);
        assertThat(coarse.said().get(0).code()).isEqualTo("verify.pump.cannot-tell");
    }

    /** Its sheet says 145 bar; it takes the stroke down from 126 bar on. */
    @Test
    void aCompensatorThatStandsTooLowIsNoWear() {
        List<CurvePoint> points = new java.util.ArrayList<>(new CurveMachine.WornPump(3, 0.94)
                .machine.points.stream().filter(p -> p.pressurePa() < 125 * BAR).toList());
        int free = points.size();
        points.addAll(curve("127 45, 129 12"));
        Fit.Found f = found(Units.lg07(), Kind.PUMP, "P1", points, Instruments.WITHOUT_ERROR);
        assertThat(f.grade()).isEqualTo(Grade.PASS);
        assertThat(f.points().subList(free, free + 2))
                .extracting(Fit.Placed::region)
                .containsOnly(Region.BETWEEN);
    }

    @Test
    void aPointStruckOutIsKeptAndCountsForNothing() {
        List<CurvePoint> good = curve("30 65.6, 60 65.0, 90 64.3, 110 63.9, 125 63.5, 140 63.2");
        List<CurvePoint> slipped = new java.util.ArrayList<>(good);
        slipped.add(CurvePoint.of(100 * BAR, 46.3 * LPM).leftOut());
        Fit.Found with = found(Units.lg07(), Kind.PUMP, "P1", slipped, Instruments.WITHOUT_ERROR);
        Fit.Found without = found(Units.lg07(), Kind.PUMP, "P1", good, Instruments.WITHOUT_ERROR);
        assertThat(with.parameters()).isEqualTo(without.parameters());
        assertThat(with.points().get(6).region()).isEqualTo(Region.STRUCK);
    }

    @Test
    void flowThatIsMissingWithoutPressureIsNoLeakage() {
        List<CurvePoint> slow = curve("30 55.6, 60 55.0, 90 54.3, 110 53.9, 125 53.5, 140 53.2");
        Fit.Found f = found(Units.lg07(), Kind.PUMP, "P1", slow, Instruments.WITHOUT_ERROR);
        assertThat(f.said()).extracting(r -> r.code()).contains("verify.pump.unloaded");
    }

    @Test
    void atAStallThereIsNoMarginAndItIsNotAFault() {
        var m = new CurveMachine.Margin(5);
        List<CurvePoint> points = new java.util.ArrayList<>(m.machine.points);
        points.add(CurvePoint.of(150 * BAR, 0).withSignal(149.6 * BAR));
        Fit.Found f = found(m.unit, Kind.MARGIN, "P1", points, Instruments.WITHOUT_ERROR);
        assertThat(f.points().get(points.size() - 1).region()).isEqualTo(Region.STALLED);
        assertThat(f.parameter("margin").orElseThrow().value()).isCloseTo(m.margin, within(0.5 * BAR));
    }

    @ParameterizedTest
    @CsvSource({
        "PUMP, P1, '100 60, 120 59', verify.fit.few",
        "PUMP, P1, '100 60, 101 60, 100 61, 102 60, 101 59', verify.fit.same-pressure",
        "PUMP, P1, '30 50, 60 54, 90 58, 110 62, 125 64', verify.fit.flow-rises",
        "PUMP, P1, '30 65, 60 64, 158 40, 159 20, 160 2', verify.fit.held-by",
        "PUMP, RV1, '30 65, 60 64, 90 63, 110 62, 125 61', verify.fit.subject-pump",
        "RELIEF, P1, '170 1, 171 20, 172 30, 173 40, 174 50', verify.fit.subject-relief",
        "RELIEF, RV1, '160 0, 165 0, 170 0, 175 0, 176 0', verify.fit.few-open",
        "RELIEF, RV1, '176 50, 177 50, 176 50, 177 51, 176 50', verify.fit.same-flow",
        "RELIEF, RV1, '186 10, 184 20, 182 30, 180 40, 178 50', verify.fit.pressure-falls",
        "MARGIN, P1, '100 60, 110 59, 120 58', verify.fit.subject-margin",
        "LIMITER, P1, '100 60, 110 59, 120 58', verify.fit.subject-limiter",
    })
    void whatTellsNothingIsRefusedByName(Kind kind, String subject, String points, String code) {
        Fit fit = CurveFit.of(
                Model.of(Units.lg07()), CurveMachine.WARM, kind, subject, curve(points), Instruments.WITHOUT_ERROR);
        assertThat(fit)
                .isInstanceOfSatisfying(
                        Fit.Not.class, n -> assertThat(n.why().code()).isEqualTo(code));
    }

    /** Whatever the figures, an answer or a reason; never a number that is none. */
    @Test
    void noCurveBreaksIt() {
        var random = new java.util.Random(11);
        for (int i = 0; i < 400; i++) {
            List<CurvePoint> points = IntStream.range(0, random.nextInt(12))
                    .mapToObj(k -> CurvePoint.of(
                                    random.nextInt(4) * 80 * random.nextDouble() * BAR,
                                    random.nextInt(3) * 40 * random.nextDouble() * LPM)
                            .withSignal(random.nextDouble() * 200 * BAR))
                    .toList();
            for (Kind kind : Kind.values()) {
                PowerUnit unit = Units.unit(kind == Kind.LIMITER ? "DR-09" : "NH-04", u -> {});
                String subject = kind == Kind.RELIEF ? "RV1" : "P1";
                Fit fit = CurveFit.of(
                        Model.of(unit), CurveMachine.WARM, kind, subject, points, Instruments.WITHOUT_ERROR);
                if (fit instanceof Fit.Found f) {
                    assertThat(f.parameters().stream()
                                    .flatMapToDouble(p -> DoubleStream.of(
                                            p.found().value(), p.found().half())))
                            .allMatch(Double::isFinite);
                }
            }
        }
    }

    private static Fit.Found found(
            PowerUnit unit, Kind kind, String subject, List<CurvePoint> points, Instruments with) {
        Fit fit = CurveFit.of(Model.of(unit), CurveMachine.WARM, kind, subject, points, with);
        assertThat(fit).isInstanceOf(Fit.Found.class);
        return (Fit.Found) fit;
    }

    /** "30 65.6, 60 65": bar and L/min. */
    private static List<CurvePoint> curve(String text) {
        return java.util.Arrays.stream(text.split(", "))
                .map(pair -> pair.split(" "))
                .map(pair -> CurvePoint.of(Double.parseDouble(pair[0]) * BAR, Double.parseDouble(pair[1]) * LPM))
                .toList();
    }
}
