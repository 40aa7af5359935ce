package earlygate.judge;

import static earlygate.fixture.Units.demo;
import static earlygate.fixture.Units.lg07;
import static earlygate.quantity.Si.BAR;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import earlygate.judge.Watch.CurrentScrew;
import earlygate.network.Network;
import earlygate.solve.Model;
import earlygate.solve.Solver;
import earlygate.solve.SteadyState;
import earlygate.unit.PowerUnit;
import earlygate.unit.Situation;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Who has a gauge, told from readings of machines that were set astray by hand; the current tells a pump from a relief. */
class HolderTest {
    private static final int MACHINES = 300;
    private static final Slope TWENTY_A_TURN = new Slope(20 * BAR, 2 * BAR, 2);

    private final PowerUnit lg = lg07();
    private final Situation deadhead =
            Situation.AS_THE_FILE.withSetting("RV1", 200 * BAR).withSetting("P1.compensator", 160 * BAR);

    private static SteadyState solved(PowerUnit unit, Situation s) {
        Network network = new Network(unit);
        return new Solver(network).steady(network.conditions(s)).answer().orElseThrow();
    }

    private static CurrentScrew hand(Situation situation, String setting, String gauge) {
        return new CurrentScrew(setting, gauge, situation, TWENTY_A_TURN);
    }

    private List<Holder> holders(Situation really, boolean withCurrent) {
        SteadyState state = solved(lg, really);
        Map<String, Double> others =
                withCurrent ? Map.of("M1", state.driver("M1").current()) : Map.of();
        return Holder.of(Model.of(lg), hand(deadhead, "P1.compensator", "G1"), state.pressure("P"), others);
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

    /** No current is read. At 165 bar the compensator is turned, and what the gauge does tells who has it. */
    @ParameterizedTest(name = "{0} turns, then {1} bar: {2}")
    @CsvSource({
        "1, 185, P1.compensator",
        "1, 165.4, RV1",
        "-1, 145, P1.compensator",
        "-1, 164.6, RV1",
    })
    void whoeverFollowsHasIt(double turns, double then, String holder) {
        assertThat(Holder.alike(after(turns, then))).extracting(Holder::setting).containsExactly(holder);
    }

    /** A sixteenth is lost in what a gauge repeats by. */
    @Test
    void aSmallTurnSaysNothing() {
        assertThat(Holder.alike(after(1 / 16.0, 166)))
                .extracting(Holder::setting)
                .containsExactly("P1.compensator", "RV1");
    }

    private List<Holder> after(double turns, double then) {
        Followed followed = new Followed(lg.testPoint("G1"));
        followed.turned(165 * BAR, turns);
        CurrentScrew pump = hand(deadhead, "P1.compensator", "G1");
        return Holder.of(Model.of(lg), pump, then * BAR, Map.of(), followed.at(then * BAR, TWENTY_A_TURN));
    }

    /** 20 bar a turn, known to a tenth; the gauge repeats to 0.3 of its error and 0.3 % of what it reads. By hand. */
    @Test
    void whatATurnSaysIsCountedInDoubts() {
        Followed followed = new Followed(lg.testPoint("G1"));
        assertThat(followed.at(100 * BAR, TWENTY_A_TURN)).isEqualTo(Followed.Misfit.NONE);
        followed.turned(100 * BAR, 1);
        double repeats = 0.3 * lg.testPoint("G1").errorPa() / BAR + 0.3;
        double doubt = Math.hypot(2, repeats);
        // Stayed: ten doubts of its own, and another may have taken it anywhere in 20 bar.
        double apart = 400 / (doubt * doubt) + 2 * Math.log(doubt * Math.sqrt(2 * Math.PI)) - 2 * Math.log(20);
        assertThat(followed.at(100 * BAR, TWENTY_A_TURN).own()).isCloseTo(apart, within(1e-6));
        assertThat(followed.at(100 * BAR, TWENTY_A_TURN).other()).isZero();
        // Further in the same way the turns add up; back out again they begin anew.
        followed.turned(120 * BAR, 1 / 16.0);
        assertThat(followed.at(121 * BAR, TWENTY_A_TURN).own()).isZero();
        followed.turned(121 * BAR, -0.5);
        assertThat(followed.at(111 * BAR, TWENTY_A_TURN).own()).isZero();
        assertThat(followed.at(111 * BAR, TWENTY_A_TURN).other()).isGreaterThan(30);
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
            List<Holder> named = Holder.alike(
                    Holder.of(Model.of(lg), hand(deadhead, "P1.compensator", "G1"), reads, Map.of("M1", amps)));
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
        assertThat(Holder.of(Model.of(lg), hand(deadhead, "P1.compensator", "G1"), 0.5 * BAR, Map.of()))
                .isEmpty();
    }

    /** Four settings on three lines: only those that can hold X are named for its gauge. */
    @Test
    void aGaugeBehindAValveHasItsOwnHolders() {
        PowerUnit sw = demo("SW-03");
        Situation east = Situation.AS_THE_FILE
                .withPosition("DV1", "east")
                .withSetting("RV1", 150 * BAR)
                .withSetting("P1.compensator", 200 * BAR)
                .withSetting("RX", 105 * BAR)
                .withSetting("RY", 105 * BAR);
        double reads = solved(sw, east).pressure("X");
        List<Holder> all = Holder.of(Model.of(sw), hand(east, "RX", "GX"), reads, Map.of());
        assertThat(all.get(0).setting()).isEqualTo("RX");
        assertThat(all).extracting(Holder::setting).doesNotContain("RY");
    }
}
