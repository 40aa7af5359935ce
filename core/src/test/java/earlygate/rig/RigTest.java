package earlygate.rig;

import static earlygate.fixture.Units.demo;
import static earlygate.fixture.Units.lg07;
import static earlygate.quantity.Si.BAR;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import earlygate.judge.Slope;
import earlygate.judge.Watch;
import earlygate.solve.Model;
import earlygate.unit.ElectricMotor;
import earlygate.unit.PowerUnit;
import earlygate.unit.Pump;
import earlygate.unit.Situation;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** The practice machine: heat, motion, trips and restarts; figures by the laws of the handbook, by hand. */
class RigTest {
    private final PowerUnit unit = lg07();

    /** As a partner hands it over: suction open, case full, turning the right way. */
    static Rig ready(PowerUnit unit, long seed) {
        Rig rig = new Rig(unit, seed, Roughness.EASY);
        for (Pump p : unit.all(Pump.class)) {
            for (String what : new String[] {"suction", "fill"}) {
                if (rig.ready().has(what, p.id())) {
                    rig.makeReady(what, p.id(), true);
                }
            }
        }
        unit.all(ElectricMotor.class).forEach(m -> rig.makeReady("rotation", m.id(), true));
        return rig;
    }

    /** A technician leads with the pump on machines that all differ; the crack is found where the pump held the line. */
    @ParameterizedTest
    @ValueSource(longs = {3, 7, 14, 21})
    void leadsWithThePump(long seed) {
        Rig rig = ready(unit, seed);
        assertThat(rig.turn("RV1", -1)).as("the nut holds it").isZero();
        for (String screw : new String[] {"P1.compensator", "RV1"}) {
            rig.nut(screw, false);
            rig.turn(screw, -20);
        }
        rig.start("M1");
        rig.advance(31); // until no air comes
        assertThat(gauge(rig)).as("both out").isBetween(5e5, 25e5);
        rig.turn("RV1", 20);
        while (gauge(rig) < 170e5) {
            rig.turn("P1.compensator", 0.125);
            rig.advance(0.5);
        }
        double held = gauge(rig);
        Situation deadhead = Situation.AS_THE_FILE.withSetting("P1.compensator", held);
        Watch watch = new Watch(Model.of(unit));
        watch.seek(new Watch.Wanted(
                "RV1",
                Map.of(),
                0,
                Optional.of(new Watch.CurrentScrew("RV1", "G1", deadhead, Slope.ofData(20e5))),
                true));
        see(rig, watch, 8);
        int turns = 0;
        while (!watch.cracks().found()) {
            watch.turned("RV1", rig.turn("RV1", -1.0 / 16));
            see(rig, watch, 4);
            assertThat(++turns).isLessThan(100);
        }
        see(rig, watch, 6);
        Watch.Cracks seen = watch.cracks();
        assertThat(seen.held().getAsDouble()).isCloseTo(held, within(0.005 * held));
        assertThat(gauge(rig)).as("only just").isGreaterThan(held - 4e5);
        assertThat(seen.stands().orElseThrow().settingPa())
                .as("the relief itself")
                .isCloseTo(rig.trueSetting("RV1"), within(0.01 * held));
    }

    private static void see(Rig rig, Watch watch, double seconds) {
        for (int i = 0; i < seconds * 20; i++) {
            rig.advance(0.05);
            Sample s = rig.sample();
            watch.sample(new Watch.Sample(s.timeS(), s.gauges(), s.currents(), rig.sinceStop()));
        }
    }

    @Test
    void warmsAsTheHeatBalanceSays() {
        Rig rig = ready(unit, 5);
        double before = rig.sample().oil();
        rig.pass(600);
        assertThat(rig.sample().oil()).as("stopped").isCloseTo(before, within(0.1));
        rig.nut("RV1", false);
        rig.turn("RV1", -20);
        rig.start("M1");
        rig.advance(1);
        rig.pass(600);
        double amps = rig.sample().currents().get("M1");
        assertThat(amps).isGreaterThan(13);
        assertThat(rig.sample().oil()).isBetween(before + 2, before + 12);
        rig.turn("RV1", 20);
        rig.open("TV1", 0.3);
        rig.pass(7200);
        assertThat(rig.standing().running()).as("the thermal switch").containsEntry("M1", false);
    }

    @Test
    void comesBackAsItStoodButStopped() {
        Rig rig = ready(unit, 9);
        rig.nut("RV1", false);
        rig.turn("RV1", -1.5);
        rig.open("TV1", 0.3);
        rig.start("M1");
        rig.pass(300);
        Standing standing = rig.standing();
        Rig again = new Rig(unit, 9, Roughness.EASY);
        again.restore(standing, false);
        assertThat(again.standing().screws()).isEqualTo(standing.screws());
        assertThat(again.standing().openings()).isEqualTo(standing.openings());
        assertThat(again.sample().oil()).isEqualTo(standing.oil());
        assertThat(again.standing().running()).containsEntry("M1", false);
    }

    private static double gauge(Rig rig) {
        return rig.sample().gauges().get("G1");
    }

    /** A load-sense unit on the rig: standby with the valves at rest, a section shifted lifts the signal. */
    @Test
    void valvesShiftAndTheSignalFallsThroughItsBleed() {
        Rig rig = ready(demo("NH-04"), 4);
        rig.start("E1");
        rig.advance(15);
        double standby = rig.sample().gauges().get("GP");
        assertThat(standby / BAR).isBetween(10.0, 30.0);
        rig.shift("S2", "b");
        rig.advance(2);
        double fed = rig.sample().gauges().get("GP");
        assertThat(fed / BAR).isGreaterThan(150);
        rig.shift("S2", "neutral");
        rig.advance(15);
        assertThat(rig.sample().gauges().get("GP") / BAR).isCloseTo(standby / BAR, within(3.0));
        rig.shift("S2", "sideways");
        assertThat(rig.standing().positions()).containsEntry("S2", "neutral");
        assertThat(rig.positions("S2")).containsExactly("neutral", "a", "b");
        assertThat(rig.standing().openings()).containsOnlyKeys("TV1");
    }

    /** What was forgotten has its true consequence, told by its cause; mended, the machine runs. */
    @ParameterizedTest
    @CsvSource({"suction,P1,suction", "fill,P1,case", "rotation,M1,rotation"})
    void whatIsForgottenStopsTheMachine(String what, String part, String cause) {
        Rig rig = ready(unit, 3);
        rig.makeReady(what, part, false);
        assertThat(rig.start("M1")).isTrue();
        rig.advance(2);
        assertThat(rig.stops()).isEmpty();
        rig.advance(2);
        assertThat(rig.stops()).containsEntry("M1", cause);
        assertThat(rig.standing().running()).containsEntry("M1", false);
        rig.makeReady(what, part, true);
        rig.start("M1");
        rig.advance(5);
        assertThat(rig.stops()).isEmpty();
        assertThat(gauge(rig)).isPositive();
    }

    @Test
    void aMachineAsDeliveredIsNotReady() {
        Rig rig = new Rig(unit, 3, Roughness.EASY);
        assertThat(rig.ready().suctionOpen()).containsEntry("P1", false);
        assertThat(rig.ready().caseFilled()).containsEntry("P1", false);
        rig.makeReady("lock-out", "M1", true);
        assertThat(rig.start("M1")).as("locked out").isFalse();
        assertThat(rig.standing().running()).containsEntry("M1", false);
        Rig pack = new Rig(demo("PL-01"), 3, Roughness.EASY);
        assertThat(pack.ready().suctionOpen())
                .as("a pump that hangs in its tank")
                .isEmpty();
        assertThat(pack.ready().caseFilled()).isEmpty();
    }

    /** 40 s on in 10 min: its own switch opens at half as much again, and rest gives the time back. */
    @Test
    void aPackRunsOutOfItsOnTime() {
        Rig rig = ready(demo("PL-01"), 3);
        rig.open("TV1", 1);
        rig.start("M1");
        rig.advance(39);
        assertThat(rig.onTime().get("M1")).isCloseTo(39, within(0.1));
        assertThat(rig.stops()).isEmpty();
        for (int i = 0; i < 25; i++) {
            rig.advance(1);
        }
        assertThat(rig.stops()).containsEntry("M1", "on-time");
        double before = rig.onTime().get("M1");
        assertThat(before).isBetween(55.0, 62.0);
        rig.pass(280);
        double rested = rig.onTime().get("M1");
        assertThat(rested).as("half its rest").isCloseTo(before - 20, within(0.5));
        Rig again = new Rig(demo("PL-01"), 5, Roughness.EASY);
        again.restore(rig.standing(), true);
        assertThat(again.onTime()).as("put away hot, it comes back hot").containsEntry("M1", rested);
    }

    /** The relief of a fixed pump wound fully in against a shut load: a gauge or hose does not stand that. */
    @Test
    void aReliefWoundInOnAFixedPumpIsTold() {
        Rig rig = ready(demo("BP-11"), 2);
        rig.nut("RV1", false);
        rig.turn("RV1", 20);
        rig.start("M1");
        for (int i = 0; i < 10; i++) {
            rig.advance(1);
        }
        assertThat(rig.stops().get("M1")).isEqualTo("burst");
    }

    /** Overload by hand: 124 % of a 22 kW motor is cut off within half a minute or so, 100 % never. */
    @Test
    void theMotorProtectionOpens() {
        Rig rig = ready(demo("SW-03"), 1);
        for (String screw : new String[] {"RV1", "P1.compensator"}) {
            rig.nut(screw, false);
            rig.turn(screw, 20);
        }
        rig.start("M1");
        for (int i = 0; i < 60 && rig.stops().isEmpty(); i++) {
            rig.advance(1);
        }
        assertThat(rig.stops()).containsEntry("M1", "overload");
    }

    /** A parked machine comes back with the pressure it held and its drives running. */
    @Test
    void comesBackFromAPauseWithItsPressure() {
        Rig rig = ready(demo("FB-02"), 6);
        rig.open("IV1", 1);
        rig.nut("RV1", false);
        rig.turn("RV1", 1);
        rig.start("M1");
        rig.advance(40);
        double stored = rig.sample().gauges().get("G3");
        assertThat(stored / BAR).isGreaterThan(80);
        Rig again = ready(demo("FB-02"), 6);
        again.restore(rig.standing(), true);
        again.advance(0.5);
        assertThat(again.sample().gauges().get("G3") / BAR).isCloseTo(stored / BAR, within(3.0));
        assertThat(again.standing().running()).containsEntry("M1", true);
    }

    @Test
    void aCappedScrewJetsOnlyWhileTheDriveRuns() {
        Rig rig = ready(demo("PL-01"), 3);
        assertThat(rig.jets("RV1")).isFalse();
        rig.start("M1");
        assertThat(rig.jets("RV1")).isTrue();
    }
}
