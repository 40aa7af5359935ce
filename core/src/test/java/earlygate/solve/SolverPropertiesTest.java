package earlygate.solve;

import static earlygate.fixture.Units.circuit;
import static earlygate.fixture.Units.read;
import static earlygate.quantity.Si.BAR;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import earlygate.network.Conditions;
import earlygate.network.Network;
import earlygate.unit.Component;
import earlygate.unit.DirectionalValve;
import earlygate.unit.PowerUnit;
import earlygate.unit.Section;
import earlygate.unit.Setting;
import earlygate.unit.Situation;
import earlygate.unit.Throttle;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** What holds for any circuit in any situation, over seeded random ones. */
class SolverPropertiesTest {
    static Stream<Arguments> situations() {
        return Stream.of("LS", "AC", "BR", "DC")
                .flatMap(name -> IntStream.range(1, 16).mapToObj(seed -> Arguments.of(name, seed)));
    }

    private static Situation random(PowerUnit unit, Random r) {
        Situation s = Situation.AS_THE_FILE.withOil(280 + 60 * r.nextDouble());
        for (Setting x : unit.settings()) {
            s = s.withSetting(x.id(), x.present() * (0.6 + 0.7 * r.nextDouble()));
        }
        for (Component c : unit.components()) {
            if (c instanceof Throttle t && r.nextBoolean()) {
                s = s.withOpening(t.id(), Math.max(0.02, r.nextDouble()));
            } else if (c instanceof DirectionalValve v) {
                List<String> all = List.copyOf(v.positions().keySet());
                s = s.withPosition(v.id(), all.get(r.nextInt(all.size())));
            } else if (c instanceof Section x) {
                s = s.withPosition(x.id(), Section.POSITIONS.get(r.nextInt(3)));
            }
        }
        Optional<Set<String>> blocked = r.nextBoolean() ? Optional.empty() : Optional.of(Set.of());
        return new Situation(
                s.drivers(),
                s.openings(),
                s.positions(),
                s.settings(),
                s.vented(),
                blocked,
                s.suctionShut(),
                s.pressures(),
                s.oil());
    }

    @ParameterizedTest(name = "{0} {1}")
    @MethodSource("situations")
    void balancesAndDoesNotCareAboutOrder(String name, int seed) {
        Random r = new Random(100L * seed + name.hashCode());
        ObjectNode document = circuit(name);
        PowerUnit unit = read(document);
        Situation situation = random(unit, r);
        Outcome first = Model.of(unit).outcome(situation);
        assertThat(first).as("%s", situation).isInstanceOf(Outcome.Converged.class);
        SteadyState state = ((Outcome.Converged) first).state();
        assertThat(state.pressures().values()).allSatisfy(p -> assertThat(p).isBetween(-2 * BAR, 1200 * BAR));

        List<JsonNode> parts = new ArrayList<>();
        document.get("components").forEach(parts::add);
        Collections.shuffle(parts, r);
        ((ArrayNode) document.get("components")).removeAll().addAll(parts);
        Outcome second = Model.of(read(document)).outcome(situation);
        SteadyState shuffled = ((Outcome.Converged) second).state();
        state.pressures().forEach((line, pa) -> {
            if (!state.sealed().contains(line)) {
                assertThat(shuffled.pressure(line)).as(line).isCloseTo(pa, within(Math.max(2e3, 1e-3 * Math.abs(pa))));
            }
        });
    }

    static Stream<Arguments> sweeps() {
        return Stream.of(
                        new String[] {"AC", "TV1", "UV1"},
                        new String[] {"BR", "TV1", "RD1"},
                        new String[] {"BR", "TV2", "SQ1"},
                        new String[] {"LS", "OR1", "P1.compensator"})
                .map(Arguments::of);
    }

    /** Without a latch nothing remembers: a load opened and shut again, a screw in and out, pass the same pressures. */
    @ParameterizedTest(name = "{0} {1} {2}")
    @MethodSource("sweeps")
    void sweepUpEqualsSweepDown(String name, String throttle, String setting) {
        PowerUnit unit = read(circuit(name));
        Network network = new Network(unit);
        double present = unit.setting(setting).present();
        for (boolean load : new boolean[] {true, false}) {
            Conditions c = network.conditions(Situation.AS_THE_FILE);
            Solver solver = new Solver(network);
            List<SteadyState> up = new ArrayList<>();
            for (int i = 0; i <= 40; i++) {
                vary(c, load, throttle, setting, i / 40.0, present);
                up.add(((Outcome.Converged) solver.next(c)).state());
            }
            for (int i = 40; i >= 0; i--) {
                vary(c, load, throttle, setting, i / 40.0, present);
                SteadyState down = ((Outcome.Converged) solver.next(c)).state();
                int at = i;
                up.get(i)
                        .pressures()
                        .forEach((line, pa) -> assertThat(down.pressure(line))
                                .as("%s at %d/40, load %s", line, at, load)
                                .isCloseTo(pa, within(Math.max(2e3, 1e-3 * Math.abs(pa)))));
            }
        }
    }

    private static void vary(
            Conditions c, boolean load, String throttle, String setting, double share, double present) {
        if (load) {
            c.opening(throttle, share);
        } else {
            c.setting(setting, present * (0.5 + share));
        }
    }
}
