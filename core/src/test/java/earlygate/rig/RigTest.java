package earlygate.rig;

import static earlygate.fixture.Units.document;
import static earlygate.fixture.Units.lg07;
import static earlygate.fixture.Units.read;
import static earlygate.quantity.Si.BAR;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import earlygate.circuit.PowerUnit;
import earlygate.judge.CrackDetector;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class RigTest {
    private final PowerUnit unit = lg07();

    /** A technician leads with the pump on machines that all differ; the crack is found where the pump held the line. */
    @ParameterizedTest
    @ValueSource(longs = {3, 7, 14, 21})
    void leadsWithThePump(long seed) {
        Rig rig = new Rig(unit, seed);
        assertThat(rig.turn("RV1", -1)).as("the nut holds it").isZero();
        for (String screw : new String[] {"P1.compensator", "RV1"}) {
            rig.nut(screw, false);
            rig.turn(screw, -20);
        }
        rig.start("M1");
        rig.advance(1);
        assertThat(gauge(rig)).as("both out").isBetween(5e5, 25e5);
        rig.turn("RV1", 20);
        while (gauge(rig) < 170e5) {
            rig.turn("P1.compensator", 0.125);
            rig.advance(0.5);
        }
        double held = gauge(rig);
        CrackDetector crack = new CrackDetector(0.1e5, 0.05);
        watch(rig, crack, 3);
        int turns = 0;
        while (crack.crackedAt().isEmpty()) {
            rig.turn("RV1", -1.0 / 16);
            watch(rig, crack, 1);
            assertThat(++turns).isLessThan(100);
        }
        assertThat(crack.crackedAt().getAsDouble()).isCloseTo(held, within(0.5e5));
        assertThat(gauge(rig)).as("only just").isGreaterThan(held - 4e5);
    }

    private static void watch(Rig rig, CrackDetector crack, double seconds) {
        for (int i = 0; i < seconds * 20; i++) {
            rig.advance(0.05);
            Rig.Sample s = rig.sample();
            crack.add(s.gauges().get("G1"), s.currents().get("M1"));
        }
    }

    @Test
    void warmsAsTheHeatBalanceSays() {
        Rig rig = new Rig(unit, 5);
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
        Rig rig = new Rig(unit, 9);
        rig.nut("RV1", false);
        rig.turn("RV1", -1.5);
        rig.open("TV1", 0.3);
        rig.start("M1");
        rig.pass(300);
        Rig.Standing standing = rig.standing();
        Rig again = new Rig(unit, 9);
        again.restore(standing);
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
        Rig rig = new Rig(read(document("NH-04")), 4);
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

    /** Where a valve stood is remembered over a restart; a standing of before there were valves is taken as well. */
    @Test
    void valvesComeBackAsTheyStood() {
        Rig rig = new Rig(read(document("SW-03")), 1);
        rig.shift("DV1", "east");
        Rig again = new Rig(read(document("SW-03")), 1);
        again.restore(rig.standing());
        assertThat(again.standing().positions()).containsEntry("DV1", "east");
        Rig.Standing s = rig.standing();
        again.restore(new Rig.Standing(s.running(), s.openings(), null, s.screws(), s.oil(), s.timeS()));
        assertThat(again.standing().positions()).containsEntry("DV1", "east");
    }
}
