package earlygate.judge;

import static earlygate.fixture.Units.document;
import static earlygate.fixture.Units.lg07;
import static earlygate.fixture.Units.read;
import static earlygate.quantity.Si.BAR;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import earlygate.network.Network;
import earlygate.solve.Solver;
import earlygate.solve.SteadyState;
import earlygate.unit.PowerUnit;
import earlygate.unit.Situation;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

/** Who has a gauge, told from readings of machines that were set astray by hand; the current tells a pump from a relief. */
class HolderTest {
    private final PowerUnit lg = lg07();
    private final Situation deadhead =
            Situation.AS_THE_FILE.withSetting("RV1", 200 * BAR).withSetting("P1.compensator", 160 * BAR);

    private static SteadyState solved(PowerUnit unit, Situation s) {
        Network network = new Network(unit);
        return new Solver(network).steady(network.conditions(s)).answer().orElseThrow();
    }

    private List<Holder> holders(Situation really, boolean withCurrent) {
        SteadyState state = solved(lg, really);
        Map<String, Double> others =
                withCurrent ? Map.of("M1", state.driver("M1").current()) : Map.of();
        return Holder.of(lg, deadhead, "P1.compensator", "G1", state.pressure("P"), others);
    }

    @Test
    void aReliefThatStandsTooLowHasTheGaugeAndTheCurrentSaysSo() {
        // The compensator is all in by mistake, the relief passes all there is.
        Situation really = deadhead.withSetting("RV1", 120 * BAR).withSetting("P1.compensator", 240 * BAR);
        Holder first = holders(really, true).get(0);
        assertThat(first.setting()).isEqualTo("RV1");
        assertThat(first.standsPa()).isCloseTo(120 * BAR, within(1 * BAR));
        assertThat(first.shows().get("M1"))
                .isCloseTo(solved(lg, really).driver("M1").current(), within(0.5));
    }

    @Test
    void aPumpThatHoldsItDrawsLittle() {
        Holder first =
                holders(deadhead.withSetting("P1.compensator", 120 * BAR), true).get(0);
        assertThat(first.setting()).isEqualTo("P1.compensator");
        assertThat(first.standsPa()).isCloseTo(120 * BAR, within(1 * BAR));
    }

    /** Without another reading the one that need not have gone astray is the likelier. */
    @Test
    void byItselfTheScrewAtHandIsTheLikeliest() {
        List<Holder> all = holders(deadhead.withSetting("P1.compensator", 120 * BAR), false);
        assertThat(all).extracting(Holder::setting).startsWith("P1.compensator").contains("RV1");
        assertThat(all.get(0).misfit()).isZero();
        assertThat(all.get(1).misfit()).isPositive();
    }

    @Test
    void whatNoValveCouldHoldIsHeldByNone() {
        assertThat(Holder.of(lg, deadhead, "P1.compensator", "G1", 0.5 * BAR, Map.of()))
                .isEmpty();
    }

    /** Four settings on three lines: only those that can hold X are named for its gauge. */
    @Test
    void aGaugeBehindAValveHasItsOwnHolders() {
        PowerUnit sw = read(document("SW-03"));
        Situation east = Situation.AS_THE_FILE
                .withPosition("DV1", "east")
                .withSetting("RV1", 150 * BAR)
                .withSetting("P1.compensator", 200 * BAR)
                .withSetting("RX", 105 * BAR)
                .withSetting("RY", 105 * BAR);
        double reads = solved(sw, east).pressure("X");
        List<Holder> all = Holder.of(sw, east, "RX", "GX", reads, Map.of());
        assertThat(all.get(0).setting()).isEqualTo("RX");
        assertThat(all).extracting(Holder::setting).doesNotContain("RY");
    }
}
