package earlygate.solve;

import static earlygate.fixture.Units.circuit;
import static earlygate.fixture.Units.part;
import static earlygate.fixture.Units.read;
import static earlygate.quantity.Si.BAR;
import static earlygate.quantity.Si.KW;
import static earlygate.quantity.Si.LPM;
import static earlygate.quantity.Si.RPM;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import earlygate.gauge.NextLimiter;
import earlygate.network.ComponentState.ActuatorState;
import earlygate.network.Network;
import earlygate.unit.PowerUnit;
import earlygate.unit.Situation;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import org.junit.jupiter.api.Test;

/** Each component against what a technician would work out by hand. */
class ComponentsTest {
    private static final Situation FILE = Situation.AS_THE_FILE;

    private static SteadyState solve(String circuit, Situation s) {
        return solve(read(circuit(circuit)), s);
    }

    private static SteadyState solve(PowerUnit unit, Situation s) {
        Outcome outcome = Model.of(unit).outcome(s);
        assertThat(outcome).isInstanceOf(Outcome.Converged.class);
        return ((Outcome.Converged) outcome).state();
    }

    private static Situation free(Situation s) {
        return new Situation(
                s.drivers(),
                s.openings(),
                s.positions(),
                s.settings(),
                s.vented(),
                Optional.of(Set.of()),
                s.suctionShut(),
                s.pressures(),
                s.oil());
    }

    private static double bar(SteadyState s, String line) {
        return s.pressure(line) / BAR;
    }

    private static double lpm(SteadyState s, String valve) {
        return s.valve(valve).flow() / LPM;
    }

    /** Without oil there is nothing to press: the shaft takes the same whatever stands at the outlet. */
    @Test
    void aStarvedPumpTakesNoMoreAtAHigherPressure() {
        double low = solve("LS", starved(FILE.withPressure("P", 20 * BAR)))
                .pump("P1")
                .shaftPower();
        double high = solve("LS", starved(FILE.withPressure("P", 180 * BAR)))
                .pump("P1")
                .shaftPower();
        assertThat(high).isCloseTo(low, within(1.0));
        assertThat(solve("LS", FILE.withPressure("P", 20 * BAR)).pump("P1").shaftPower())
                .isGreaterThan(low + 500);
    }

    private static Situation starved(Situation s) {
        return new Situation(
                s.drivers(),
                s.openings(),
                s.positions(),
                s.settings(),
                s.vented(),
                s.blocked(),
                Set.of("P1"),
                s.pressures(),
                s.oil());
    }

    @Test
    void standbyIsTheMarginWithTheSignalDrained() {
        SteadyState s = solve("LS", FILE);
        assertThat(bar(s, "LS")).isCloseTo(0, within(0.01));
        assertThat(bar(s, "P")).isBetween(21.5, 22.0);
        assertThat(s.limiterOf("P")).contains("P1.loadSense");
        assertThat(s.pump("P1").inControl()).contains("P1.loadSense");
    }

    @Test
    void portReliefLimitsTheSignalAndThePumpAddsItsMargin() {
        SteadyState s = solve("LS", FILE.withPosition("S1", "a"));
        assertThat(bar(s, "A1")).isCloseTo(160, within(1.0));
        assertThat(bar(s, "P")).isCloseTo(182, within(1.5));
        assertThat(s.limiterOf("P")).as("a limiter goes before the margin").contains("S1.reliefA");
        assertThat(bar(solve("LS", FILE.withPosition("S1", "b")), "P")).isCloseTo(202, within(1.5));
    }

    @Test
    void aDialShowsWhatItCanAndAnotherLimiterComesNext() {
        PowerUnit unit = read(circuit("LS"));
        SteadyState s = solve(unit, FILE.withPosition("S1", "a"));
        // 400 bar of class 0.6 may be 2.4 bar wrong: it is read to one bar; the psi gauge to ten psi.
        assertThat(unit.testPoint("GP").readOff(s.pressure("P"))).isEqualTo(Math.rint(bar(s, "P")));
        assertThat(unit.testPoint("GL").readOff(s.pressure("LS")) % 10).isCloseTo(0, within(1e-6));
        NextLimiter next = NextLimiter.of(unit, s, "P").orElseThrow();
        assertThat(next.setting()).isEqualTo("P1.compensator");
        assertThat(next.above()).isCloseTo((220 - 182) * 1e5, within(1.5e5));
        double leakage = 2112 * 0.071 * (1 - 0.94) / 250 * bar(s, "P") * new Network(unit).leakageFactor(323.15);
        assertThat(s.pump("P1").leakage() * 60_000).isCloseTo(leakage, within(0.01));
    }

    @Test
    void highestSignalWins() {
        SteadyState s = solve("LS", FILE.withPosition("S1", "a").withPosition("S2", "a"));
        assertThat(bar(s, "LS")).isCloseTo(160, within(1.0));
    }

    @Test
    void marginStandsWhileOilFlowsAndTheCylinderMovesAgainstItsForce() {
        SteadyState s = solve("LS", free(FILE.withPosition("S1", "a")));
        double capArea = Math.PI / 4 * 0.08 * 0.08;
        double rodArea = capArea - Math.PI / 4 * 0.045 * 0.045;
        double expected = (50000 + s.pressure("B1") * rodArea) / capArea / BAR;
        assertThat(bar(s, "A1")).isCloseTo(expected, within(1.0));
        assertThat(lpm(s, "S1")).isCloseTo(60, within(1.0));
        assertThat(bar(s, "P") - bar(s, "LS")).isBetween(19.5, 22.0);
        double speed = ((ActuatorState) s.components().get("C1")).speed();
        assertThat(speed).isCloseTo(s.valve("S1").flow() / capArea, within(0.01));
    }

    @Test
    void motorTurnsAgainstItsTorque() {
        SteadyState s = solve("LS", free(FILE.withPosition("S2", "a")));
        double needed = 2 * Math.PI * 120 / (100e-6 * 0.9) / BAR;
        assertThat(bar(s, "A2") - bar(s, "B2")).isCloseTo(needed, within(1.0));
        assertThat(((ActuatorState) s.components().get("H1")).speed()).isCloseTo(40 * LPM / 100e-6, within(0.3));
    }

    @Test
    void aTrappedSignalNeverFallsAndAVentedReliefHoldsItsSpringOnly() {
        PowerUnit unit = read(circuit("LS"));
        Situation vented = new Situation(
                Map.of(),
                Map.of(),
                Map.of(),
                Map.of(),
                Set.of("RV1"),
                Optional.empty(),
                Set.of(),
                Map.of("LS", 200 * BAR),
                OptionalDouble.empty());
        SteadyState s = solve(unit, vented);
        assertThat(bar(s, "P")).isBetween(3.0, 12.0);
        assertThat(s.limiterOf("P")).isEmpty();
    }

    @Test
    void engineDroopsUnderLoad() {
        Situation half = new Situation(
                Map.of("E1", new Situation.Drive(true, OptionalDouble.of(1500 * RPM))),
                Map.of(),
                Map.of("S1", "a"),
                Map.of(),
                Set.of(),
                Optional.of(Set.of()),
                Set.of(),
                Map.of(),
                OptionalDouble.empty());
        SteadyState s = solve("LS", half);
        double fall = 1500 - s.driver("E1").speed() / RPM;
        assertThat(fall).isCloseTo(0.04 * 2200 * s.driver("E1").load(), within(0.5));
    }

    @Test
    void powerLimiterHoldsTorqueAndHasTheStroke() {
        SteadyState s = solve("BR", FILE.withOpening("TV1", 0.4));
        assertThat(s.pump("P1").inControl()).contains("P1.powerLimiter");
        assertThat(s.limiterOf("P")).contains("P1.powerLimiter");
        double drag = 0.03 * 45e-6 * 250 * BAR / (2 * Math.PI * 0.92);
        double torque =
                s.pump("P1").shaftPower() / (2 * Math.PI * s.driver("M1").speed());
        assertThat(torque - drag).isCloseTo(9 * KW / (2 * Math.PI * 1465 * RPM), within(0.3));
    }

    @Test
    void reducingBranchStandsWhileItsSupplyMoves() {
        PowerUnit unit = read(circuit("BR"));
        for (double supply : new double[] {80, 110, 150}) {
            SteadyState s = solve(unit, FILE.withSetting("P1.compensator", supply * BAR));
            assertThat(bar(s, "R")).as("supply %s", supply).isBetween(54.0, 60.0);
            assertThat(lpm(s, "FC1")).isCloseTo(12, within(0.1));
            assertThat(s.limiterOf("R")).contains("RD1");
        }
        SteadyState low = solve(unit, FILE.withSetting("P1.compensator", 40 * BAR));
        assertThat(bar(low, "R")).isBetween(35.0, 40.0);
        SteadyState pushed = solve(unit, FILE.withPressure("R", 75 * BAR));
        assertThat(pushed.valve("RD1").open()).isZero();
    }

    @Test
    void sequenceOpensAtItsSetting() {
        PowerUnit unit = read(circuit("BR"));
        Situation open = FILE.withOpening("TV2", 0.2);
        assertThat(lpm(solve(unit, open.withSetting("P1.compensator", 85 * BAR)), "SQ1"))
                .isCloseTo(0, within(0.01));
        assertThat(lpm(solve(unit, open.withSetting("P1.compensator", 140 * BAR)), "SQ1"))
                .isGreaterThan(10);
    }

    @Test
    void crossPortReliefLimitsEachWayAndTheShuttleFollowsTheHigher() {
        SteadyState a = solve("BR", FILE.withPosition("DV1", "a"));
        assertThat(bar(a, "X")).isBetween(110.0, 130.0);
        assertThat(bar(a, "Z")).isCloseTo(bar(a, "X"), within(0.1));
        assertThat(lpm(a, "RX")).isGreaterThan(5);
        SteadyState b = solve("BR", FILE.withPosition("DV1", "b"));
        assertThat(bar(b, "Y")).isGreaterThan(bar(b, "X"));
        assertThat(bar(b, "Z")).isCloseTo(bar(b, "Y"), within(0.1));
        SteadyState turning = solve("BR", free(FILE.withPosition("DV1", "a")));
        double asked = 2 * Math.PI * 150 / (200e-6 * 0.92) / BAR;
        assertThat(bar(turning, "X") - bar(turning, "Y")).isCloseTo(asked, within(0.002 * asked));
        assertThat(lpm(turning, "RX")).isCloseTo(0, within(1e-6));
    }

    @Test
    void coldOilLoadsTheFilterUntilItsBypassOpens() {
        PowerUnit unit = read(circuit("BR"));
        Situation flowing = free(FILE.withPosition("DV1", "a"));
        double warm = drop(solve(unit, flowing));
        double cold = drop(solve(unit, flowing.withOil(278)));
        assertThat(cold).isGreaterThan(2 * warm);
        assertThat(cold).isLessThan(6);
    }

    private static double drop(SteadyState s) {
        return bar(s, "P") - bar(s, "F");
    }

    @Test
    void dcMotorSlowsWithTorqueAndDrawsByIt() {
        SteadyState s = solve("DC", free(FILE));
        double area = Math.PI / 4 * 0.05 * 0.05;
        assertThat(bar(s, "A")).isCloseTo(15500 / area / BAR, within(0.002 * 15500 / area / BAR));
        double torque = s.driver("M1").power() / (2 * Math.PI * s.driver("M1").speed());
        double rated = 2000 / (2 * Math.PI * 2400 * RPM);
        assertThat(s.driver("M1").speed() / RPM).isCloseTo(3000 - 600 * torque / rated, within(0.5));
        assertThat(s.driver("M1").current()).isCloseTo(20 + 90 * torque / rated, within(0.1));
    }

    @Test
    void aPumpWithItsSuctionShutIsNamed() {
        Situation shut = new Situation(
                Map.of(),
                Map.of(),
                Map.of(),
                Map.of(),
                Set.of(),
                Optional.empty(),
                Set.of("P1"),
                Map.of(),
                OptionalDouble.empty());
        SteadyState s = solve("DC", shut);
        assertThat(s.starved()).containsExactly("P1");
        assertThat(s.pump("P1").flow()).isCloseTo(0, within(1e-9));
    }

    @Test
    void differentialTypeIsPlainWithoutHistory() {
        PowerUnit unit = read(circuit("AC"));
        assertThat(solve(unit, FILE.withPressure("A", 130 * BAR)).valve("UV1").open())
                .isZero();
        assertThat(solve(unit, FILE.withPressure("A", 146 * BAR)).valve("UV1").open())
                .isEqualTo(1);
    }

    @Test
    void catalogueNamesEverySettingOfAUnit() {
        PowerUnit unit = read(circuit("LS"));
        assertThat(unit.settings())
                .extracting(earlygate.unit.Setting::id)
                .containsExactly("P1.compensator", "P1.loadSense", "RV1", "S1.reliefA", "S1.reliefB", "S2.reliefA");
        assertThat(part(circuit("LS"), "components", "S1").get("type").asString())
                .isEqualTo("section");
    }
}
