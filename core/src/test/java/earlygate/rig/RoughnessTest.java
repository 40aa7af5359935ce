package earlygate.rig;

import static earlygate.fixture.Units.demo;
import static earlygate.fixture.Units.lg07;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import earlygate.unit.Driver;
import earlygate.unit.PowerUnit;
import earlygate.unit.Pump;
import earlygate.unit.Screw;
import java.util.Arrays;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** A practice machine is as rough as it was ordered; figures of docs/model.md. */
class RoughnessTest {
    /** 10 to 250 bar, 40 bar a turn: 6 turns by the data. */
    private static final Screw DATA = new Screw(10e5, 250e5, 40e5, "");

    private static Rig running(PowerUnit unit, Roughness rough) {
        Rig rig = new Rig(unit, 11, rough);
        for (Pump p : unit.all(Pump.class)) {
            for (String what : List.of("suction", "fill")) {
                if (rig.ready().has(what, p.id())) {
                    rig.makeReady(what, p.id(), true);
                }
            }
        }
        for (Driver d : unit.all(Driver.class)) {
            if (rig.ready().has("rotation", d.id())) {
                rig.makeReady("rotation", d.id(), true);
            }
            rig.makeReady("lock-out", d.id(), false);
            rig.start(d.id());
        }
        rig.advance(60); // until no air comes
        return rig;
    }

    /** Told by the median of differences, which no drift moves and no knock. */
    @ParameterizedTest
    @CsvSource({"EASY, 0.0004, 0", "WORKSHOP, 0.001, 0.1e5", "ROUGH, 0.003, 0.5e5"})
    void gaugesTrembleAndStepAsOrdered(Roughness rough, double share, double step) {
        Rig rig = running(lg07(), rough);
        double[] pa = new double[2400];
        for (int i = 0; i < pa.length; i++) {
            rig.advance(0.05);
            pa[i] = rig.sample().gauges().get("G1");
            if (step > 0) {
                assertThat(Math.abs(pa[i] / step - Math.rint(pa[i] / step))).isLessThan(1e-6);
            }
        }
        double[] off = new double[pa.length - 1];
        for (int i = 0; i < off.length; i++) {
            off[i] = Math.abs(pa[i + 1] - pa[i]);
        }
        Arrays.sort(off);
        double sd = Math.hypot(share * pa[0], step / Math.sqrt(12));
        assertThat(1.4826 * off[off.length / 2] / Math.sqrt(2)).isCloseTo(sd, within(0.35 * sd));
    }

    /** The knob takes up its play before the spring follows; then a hand misses by no more than it may. */
    @ParameterizedTest
    @CsvSource({"EASY, 0, 0", "WORKSHOP, 0.03125, 0.015625", "ROUGH, 0.0625, 0.03125"})
    void knobsHavePlayAndHandsMiss(Roughness rough, double play, double hand) {
        for (int seed = 0; seed < 50; seed++) {
            RigScrew screw = new RigScrew(DATA, 120e5, new Random(seed), rough);
            screw.nut(false);
            screw.turn(-0.5);
            double out = screw.standing().turns();
            assertThat(screw.turn(0.5)).as("as the hand meant it").isEqualTo(0.5);
            assertThat(screw.standing().turns() - out).isBetween(0.5 - play - hand - 1e-9, 0.5 - play + hand + 1e-9);
        }
    }

    /** From end to end it is steeper by so much; its mean slope is off the data by no more than it may. */
    @ParameterizedTest
    @CsvSource({"EASY, 1, 0.15", "WORKSHOP, 1.4, 0.25", "ROUGH, 2, 0.45"})
    void springsStiffenAndDifferAsOrdered(Roughness rough, double rise, double spread) {
        for (int seed = 0; seed < 50; seed++) {
            RigScrew screw = new RigScrew(DATA, 120e5, new Random(seed), rough);
            double travel = (DATA.maxPa() - at(screw, 0)) / slope(screw, 0, rise);
            double low = (at(screw, 1e-4) - at(screw, 0)) / 1e-4;
            double high = (at(screw, travel) - at(screw, travel - 1e-4)) / 1e-4;
            assertThat(at(screw, travel)).as("all in").isCloseTo(DATA.maxPa(), within(1000.0));
            assertThat(high / low).isCloseTo(rise, within(0.001));
            assertThat((DATA.maxPa() - at(screw, 0)) / travel / DATA.paPerTurn())
                    .isBetween(1 - spread, 1 + spread);
        }
    }

    private static double at(RigScrew screw, double turns) {
        screw.restore(new Standing.ScrewStanding(turns, true, 0.0));
        return screw.settingPa();
    }

    /** Mean slope by the slope at one end: a spring of even stiffening is as steep half-way as on the mean. */
    private static double slope(RigScrew screw, double from, double rise) {
        double low = (at(screw, from + 1e-4) - at(screw, from)) / 1e-4;
        return low * (rise + 1) / 2;
    }

    @ParameterizedTest
    @CsvSource({"EASY, 0.002, 0.008", "WORKSHOP, 0.004, 0.015", "ROUGH, 0.01, 0.035"})
    void nutsDragAsOrdered(Roughness rough, double least, double most) {
        for (int seed = 0; seed < 50; seed++) {
            RigScrew screw = new RigScrew(DATA, 120e5, new Random(seed), rough);
            screw.nut(false);
            double before = screw.standing().turns();
            screw.nut(true);
            assertThat(Math.abs(screw.standing().turns() - before)).isBetween(least, most);
            assertThat(screw.turn(0.25)).as("the nut holds it").isZero();
        }
    }

    /** An engine has no current: pulled down to its margin's flow at pressure it turns slower than without. */
    @Test
    void anEnginesLoadShowsAsItsSpeed() {
        PowerUnit unit = demo("NH-04");
        Rig rig = running(unit, Roughness.EASY);
        double idle = rig.sample().speeds().get("E1");
        rig.nut("P1.compensator", false);
        rig.nut("RV1", false);
        rig.turn("RV1", -20);
        rig.turn("P1.compensator", 20);
        rig.nut("P1.loadSense", false);
        rig.turn("P1.loadSense", 20);
        rig.advance(2);
        assertThat(rig.sample().currents()).isEmpty();
        assertThat(rig.sample().speeds().get("E1")).isLessThan(idle);
    }

    @Test
    void theSameSeedAndRoughnessAreTheSameMachine() {
        PowerUnit unit = lg07();
        assertThat(new Rig(unit, 5, Roughness.ROUGH).trueSetting("RV1"))
                .isEqualTo(new Rig(unit, 5, Roughness.ROUGH).trueSetting("RV1"));
    }
}
