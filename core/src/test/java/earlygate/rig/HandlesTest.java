package earlygate.rig;

import static earlygate.fixture.Units.demo;
import static earlygate.fixture.Units.stranger;
import static earlygate.quantity.Si.BAR;
import static earlygate.rig.RigTest.ready;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import earlygate.unit.PowerUnit;
import org.junit.jupiter.api.Test;

/** Levers, vents and engine speeds: each has its consequence, and stands as it stood after a restart. */
class HandlesTest {
    /** Where a valve stood is remembered over a restart; a standing of before there were valves is taken as well. */
    @Test
    void valvesComeBackAsTheyStood() {
        Rig rig = new Rig(demo("SW-03"), 1, Roughness.EASY);
        rig.shift("DV1", "east");
        Rig again = new Rig(demo("SW-03"), 1, Roughness.EASY);
        again.restore(rig.standing(), false);
        assertThat(again.standing().positions()).containsEntry("DV1", "east");
        Standing s = rig.standing();
        again.restore(
                new Standing(
                        s.running(),
                        s.openings(),
                        null,
                        s.screws(),
                        s.oil(),
                        s.timeS(),
                        null,
                        null,
                        null,
                        null,
                        null,
                        null),
                false);
        assertThat(again.standing().positions()).containsEntry("DV1", "east");
    }

    /** A vented relief lets the whole flow go at its main spring, 3 bar and its override: 20.9 of 60 L/min at 6 bar. */
    @Test
    void aVentLetsGoAndComesBackAsItStood() {
        PowerUnit vented = stranger("12-accu-vented-relief");
        Rig rig = ready(vented, 5);
        rig.nut("RV1", false);
        rig.turn("RV1", -20);
        rig.turn("RV1", 3);
        rig.start("M1");
        rig.advance(20);
        double held = rig.sample().gauges().get("G1") / BAR;
        rig.vent("RV1", true);
        rig.advance(5);
        assertThat(held).isGreaterThan(60);
        assertThat(rig.sample().gauges().get("G1") / BAR).isCloseTo(3 + 6 * 20.9 / 60, within(1.5));
        Rig again = ready(vented, 5);
        again.restore(rig.standing(), true);
        assertThat(again.standing().vents()).containsEntry("RV1", true);
        again.vent("RV1", false);
        again.advance(20);
        assertThat(again.sample().gauges().get("G1") / BAR).isCloseTo(held, within(2.0));
    }

    /** Without load an engine turns as fast as its lever says; its pump's leakage and drag leave it there to a percent. */
    @Test
    void anEngineTurnsAsItsLeverSays() {
        PowerUnit hauler = demo("NH-04");
        Rig rig = ready(hauler, 4);
        rig.start("E1");
        rig.advance(5);
        assertThat(rpm(rig)).isCloseTo(1500, within(30.0));
        rig.speed("E1", 2200 / 60.0);
        rig.advance(2);
        assertThat(rpm(rig)).isCloseTo(2200, within(40.0));
        Rig again = ready(hauler, 4);
        again.restore(rig.standing(), true);
        again.advance(1);
        assertThat(rpm(again)).isCloseTo(2200, within(40.0));
    }

    private static double rpm(Rig rig) {
        return 60 * rig.sample().speeds().get("E1");
    }
}
