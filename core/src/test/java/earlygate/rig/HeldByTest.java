package earlygate.rig;

import static earlygate.fixture.Units.lg07;
import static org.assertj.core.api.Assertions.assertThat;

import earlygate.judge.Holder;
import earlygate.judge.Slope;
import earlygate.judge.Watch;
import earlygate.judge.Watch.CurrentScrew;
import earlygate.judge.Watch.Wanted;
import earlygate.solve.Model;
import earlygate.unit.PowerUnit;
import earlygate.unit.Situation;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

/**
 * Who has the gauge, on practice machines that tremble and whose screws are hidden: the truth is which of the two screws
 * stands lower, which nobody but the machine knows.
 */
class HeldByTest {
    private static final int MACHINES = 12;
    private static final int TURNS = 6;
    /** Nearer to each other than this both have a hand in it. */
    private static final double APART = 0.06;

    private final PowerUnit unit = lg07();

    @ParameterizedTest
    @EnumSource(Roughness.class)
    void nobodyIsNamedAloneWhoStandsHigher(Roughness rough) {
        int alone = 0;
        for (int seed = 1; seed <= MACHINES; seed++) {
            alone += walk(seed, rough);
        }
        assertThat(alone).as("named alone, of " + MACHINES * TURNS).isGreaterThan(MACHINES * TURNS / 3);
    }

    /**
     * The compensator is turned in from low by a hand that doesn't know where it stands.
     *
     * @return how often one was named alone
     */
    private int walk(int seed, Roughness rough) {
        Rig rig = new Rig(unit, seed, rough);
        Watch watch = new Watch(Model.of(unit));
        Random chance = new Random(seed);
        Situation planned = Situation.AS_THE_FILE.withSetting("RV1", 176e5).withSetting("P1.compensator", 160e5);
        watch.seek(new Wanted(
                "set",
                Map.of(),
                0,
                Optional.of(new CurrentScrew("P1.compensator", "G1", planned, Slope.ofData(45e5))),
                false));
        rig.nut("P1.compensator", false);
        turn(rig, watch, -2);
        rig.makeReady("lock-out", "M1", false);
        rig.makeReady("suction", "P1", true);
        rig.makeReady("fill", "P1", true);
        rig.makeReady("rotation", "M1", true);
        assertThat(rig.start("M1")).isTrue();
        watch.moved();
        int alone = 0;
        for (int i = 0; i < TURNS; i++) {
            turn(rig, watch, (4 + chance.nextInt(12)) / 16.0);
            look(rig, watch, 12);
            double pump = rig.trueSetting("P1.compensator");
            double relief = rig.trueSetting("RV1");
            List<String> named = watch.holders().stream().map(Holder::setting).toList();
            if (Math.abs(pump - relief) > APART * relief && !named.isEmpty()) {
                assertThat(named)
                        .as("machine %d, turn %d: pump at %.1f, relief at %.1f bar", seed, i, pump / 1e5, relief / 1e5)
                        .contains(pump < relief ? "P1.compensator" : "RV1");
                alone += named.size() == 1 ? 1 : 0;
            }
        }
        return alone;
    }

    private static void turn(Rig rig, Watch watch, double turns) {
        watch.turned("P1.compensator", rig.turn("P1.compensator", turns));
    }

    private static void look(Rig rig, Watch watch, double seconds) {
        for (double s = 0; s < seconds; s += 0.05) {
            rig.advance(0.05);
            Sample seen = rig.sample();
            watch.sample(new Watch.Sample(seen.timeS(), seen.gauges(), seen.currents(), rig.sinceStop()));
        }
    }
}
