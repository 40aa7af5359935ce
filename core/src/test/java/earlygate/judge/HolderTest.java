package earlygate.judge;

import static earlygate.fixture.Units.document;
import static earlygate.fixture.Units.lg07;
import static earlygate.fixture.Units.read;
import static earlygate.quantity.Si.BAR;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import earlygate.judge.ReliefPlace.Believed;
import earlygate.judge.Watch.AtHand;
import earlygate.network.Network;
import earlygate.solve.Solver;
import earlygate.solve.SteadyState;
import earlygate.unit.PowerUnit;
import earlygate.unit.Situation;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import org.junit.jupiter.api.Test;

/** Who has a gauge, told from readings of machines that were set astray by hand; the current tells a pump from a relief. */
class HolderTest {
    private static final int MACHINES = 300;

    private final PowerUnit lg = lg07();
    private final Situation deadhead =
            Situation.AS_THE_FILE.withSetting("RV1", 200 * BAR).withSetting("P1.compensator", 160 * BAR);

    private static SteadyState solved(PowerUnit unit, Situation s) {
        Network network = new Network(unit);
        return new Solver(network).steady(network.conditions(s)).answer().orElseThrow();
    }

    private static AtHand hand(Situation situation, String setting, String gauge) {
        return new AtHand(setting, gauge, situation, Optional.empty());
    }

    private List<Holder> holders(Situation really, boolean withCurrent) {
        SteadyState state = solved(lg, really);
        Map<String, Double> others =
                withCurrent ? Map.of("M1", state.driver("M1").current()) : Map.of();
        return Holder.of(lg, hand(deadhead, "P1.compensator", "G1"), state.pressure("P"), others);
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

    /** Turned in past what it should hold, it would have to stand where its turns say that it doesn't. */
    @Test
    void aScrewThatIsKnownToStandElsewhereHasItNot() {
        Believed turnedIn = new Believed(200 * BAR, 10 * BAR);
        AtHand known = new AtHand("P1.compensator", "G1", deadhead, Optional.of(turnedIn));
        List<Holder> all = Holder.of(lg, known, 165 * BAR, Map.of());
        assertThat(all).extracting(Holder::setting).startsWith("RV1");
        assertThat(all.get(1).misfit()).as("3.5 of its errors").isCloseTo(12.25, within(0.5));
    }

    /** Machines whose relief went astray and whose pump stands anywhere: the truth is what their solved state is held by. */
    @Test
    void nobodyIsNamedWhoHasItNot() {
        Random chance = new Random(7);
        int alone = 0;
        int wrong = 0;
        for (int i = 0; i < MACHINES; i++) {
            double relief = 200 * BAR * (1 + 0.12 * chance.nextGaussian());
            double pump = (60 + 150 * chance.nextDouble()) * BAR;
            SteadyState really = solved(lg, deadhead.withSetting("RV1", relief).withSetting("P1.compensator", pump));
            double reads = really.pressure("P") + 1.2 * BAR * chance.nextGaussian();
            double amps = really.driver("M1").current() + 0.3 * chance.nextGaussian();
            List<Holder> named =
                    Holder.alike(Holder.of(lg, hand(deadhead, "P1.compensator", "G1"), reads, Map.of("M1", amps)));
            String holds = really.limiterOf("P").orElseThrow();
            alone += named.size() == 1 ? 1 : 0;
            wrong += !named.isEmpty()
                            && named.stream().noneMatch(h -> h.setting().equals(holds))
                            // So near each other the relief passes some already while the pump holds the rest.
                            && Math.abs(relief - pump) > 0.02 * relief
                    ? 1
                    : 0;
        }
        assertThat(wrong).as("of " + MACHINES).isZero();
        assertThat(alone).isGreaterThan(MACHINES * 9 / 10);
    }

    @Test
    void whatNoValveCouldHoldIsHeldByNone() {
        assertThat(Holder.of(lg, hand(deadhead, "P1.compensator", "G1"), 0.5 * BAR, Map.of()))
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
        List<Holder> all = Holder.of(sw, hand(east, "RX", "GX"), reads, Map.of());
        assertThat(all.get(0).setting()).isEqualTo("RX");
        assertThat(all).extracting(Holder::setting).doesNotContain("RY");
    }
}
