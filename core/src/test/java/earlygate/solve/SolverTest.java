package earlygate.solve;

import static earlygate.fixture.Units.component;
import static earlygate.fixture.Units.document;
import static earlygate.fixture.Units.lg07;
import static earlygate.fixture.Units.part;
import static earlygate.fixture.Units.read;
import static earlygate.fixture.Units.without;
import static earlygate.quantity.Si.BAR;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import earlygate.curve.PumpCurve;
import earlygate.network.Conditions;
import earlygate.network.Network;
import earlygate.unit.PowerUnit;
import earlygate.unit.Pump;
import earlygate.unit.Situation;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** The steady solver: closed forms, sweeps both ways, and circuits without an answer named by their lines. */
class SolverTest {
    @Test
    void deadheadUnderACompensatorHasAClosedForm() {
        PowerUnit unit = lg07();
        Pump pump = unit.all(Pump.class).get(0);
        SteadyState s = solve(unit, Situation.AS_THE_FILE);
        double speed = s.driver("M1").speed();
        double k = PumpCurve.leakage(
                        unit.driverOf(pump).ratedSpeed(),
                        pump.displacement(),
                        pump.volumetricEfficiency(),
                        pump.ratedPressure())
                * new Network(unit).leakageFactor(unit.fluid().middleOfBand());
        double band = pump.compensator().orElseThrow().bandPa();
        double expected = 145 * BAR / (1 + band * k / (speed * pump.displacement()));
        assertThat(s.pressure("P")).isCloseTo(expected, within(200.0));
        assertThat(s.limiterOf("P")).contains("P1.compensator");
    }

    /** Seeded circuits of the family, in any order of their parts: one answer. */
    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5, 6, 7, 8})
    void answerDoesNotDependOnTheOrderOfParts(long seed) {
        Random random = new Random(seed);
        ObjectNode document = document("LG-07");
        part(document, "components", "P1").put("displacementCm3", 10 + 80 * random.nextDouble());
        part(document, "components", "RV1").put("settingBar", 30 + 180 * random.nextDouble());
        Situation situation = Situation.AS_THE_FILE
                .withOpening("TV1", random.nextDouble() * random.nextDouble())
                .withSetting("P1.compensator", (40 + 180 * random.nextDouble()) * BAR);
        SteadyState first = solve(read(document), situation);
        List<JsonNode> parts = new ArrayList<>();
        document.get("components").forEach(parts::add);
        Collections.shuffle(parts, random);
        ((ArrayNode) document.get("components")).removeAll().addAll(parts);
        SteadyState second = solve(read(document), situation);
        assertThat(second.pressure("P")).isCloseTo(first.pressure("P"), within(2.0));
        assertThat(second.inControl()).isEqualTo(first.inControl());
    }

    @Test
    void sweepUpEqualsSweepDown() {
        Network network = new Network(lg07());
        Solver solver = new Solver(network);
        Conditions c = network.conditions(Situation.AS_THE_FILE);
        double[] up = new double[41];
        for (int i = 0; i <= 40; i++) {
            c.opening("TV1", i / 40.0);
            up[i] = ((Outcome.Converged) solver.next(c)).state().pressure("P");
        }
        for (int i = 40; i >= 0; i--) {
            c.opening("TV1", i / 40.0);
            double down = ((Outcome.Converged) solver.next(c)).state().pressure("P");
            assertThat(down).as("opening %d/40", i).isCloseTo(up[i], within(2.0));
        }
    }

    @Test
    void blockedFixedPumpWithoutReliefNamesItsLine() {
        PowerUnit unit = lg07(u -> {
            part(u, "components", "P1").remove("compensator");
            without("components", "RV1").accept(u);
            u.putArray("targets");
        });
        Outcome outcome = Model.of(unit).outcome(Situation.AS_THE_FILE);
        assertThat(outcome).isInstanceOf(Outcome.Implausible.class);
        assertThat(((Outcome.Implausible) outcome).lines()).containsExactly("P");
    }

    /** A pump that takes from one line and gives to another, tied to each other and to nothing else. */
    @Test
    void aLoopWithoutATankNamesItsLines() {
        PowerUnit unit = lg07(u -> {
            ((ArrayNode) u.get("lines")).addObject().put("id", "S").put("ratingBar", 250);
            part(u, "components", "P1").put("inlet", "S");
            part(u, "components", "RV1").put("outlet", "S");
            part(u, "components", "TV1").put("b", "S");
        });
        Outcome outcome = Model.of(unit).outcome(Situation.AS_THE_FILE.withOpening("TV1", 0.5));
        assertThat(outcome).isInstanceOf(Outcome.WithoutTank.class);
        assertThat(((Outcome.Failed) outcome).lines()).containsExactlyInAnyOrder("P", "S");
    }

    @Test
    void aLineNothingIsTiedToIsNamedAndWithoutPressure() {
        PowerUnit unit = lg07(
                u -> ((ArrayNode) u.get("lines")).addObject().put("id", "S").put("ratingBar", 250));
        SteadyState s = solve(unit, Situation.AS_THE_FILE);
        assertThat(s.sealed()).containsExactly("S");
        assertThat(s.pressure("S")).isCloseTo(0, within(1.0));
    }

    @Test
    void transientEndsWhereTheSteadySolverIs() {
        PowerUnit unit = lg07(component("RV1", "settingBar", 150));
        Network network = new Network(unit);
        Situation situation = Situation.AS_THE_FILE.withOpening("TV1", 0.2).withSetting("P1.compensator", 180 * BAR);
        Transient machine = new Transient(network);
        Conditions c = network.conditions(situation);
        double before = 0;
        for (int i = 0; i < 500; i++) {
            machine.advance(c, 1e-3);
            assertThat(machine.pressure("P")).as("rises without swinging").isGreaterThanOrEqualTo(before - 1);
            before = machine.pressure("P");
        }
        double steady = solve(unit, situation).pressure("P");
        assertThat(machine.pressure("P")).isCloseTo(steady, within(1e-3 * steady));
    }

    private static SteadyState solve(PowerUnit unit, Situation situation) {
        return ((Outcome.Converged) Model.of(unit).outcome(situation)).state();
    }
}
