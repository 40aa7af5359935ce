package earlygate.planner;

import static org.assertj.core.api.Assertions.assertThat;

import earlygate.fixture.Effort;
import earlygate.network.Network;
import earlygate.plan.Plan;
import earlygate.plan.School;
import earlygate.plan.Step;
import earlygate.solve.Model;
import earlygate.solve.Outcome;
import earlygate.solve.Solver;
import earlygate.unit.Positioned;
import earlygate.unit.PowerUnit;
import earlygate.unit.Setting;
import earlygate.unit.Situation;
import earlygate.unit.Target;
import earlygate.unit.Throttle;
import java.util.List;
import java.util.Random;
import java.util.function.LongFunction;
import java.util.stream.Collectors;
import java.util.stream.LongStream;
import org.junit.jupiter.api.Test;

/** Sound circuits of random structure are planned; {@code -Dseeds=N} for another number of them. */
class RandomCircuitsTest {
    private static final double PLANNED = 0.95;
    /** A few from here on have what is rare, such as a line that loses its oil through a cylinder's or a motor's seals. */
    private static final int FIRST = 21;

    @Test
    void soundCircuitsArePlanned() {
        planned(RandomCircuits::unit, Effort.of("seeds", 15, 300));
    }

    @Test
    void soundPlantsArePlanned() {
        planned(RandomPlants::unit, Effort.of("seeds", 15, 300));
    }

    private static void planned(LongFunction<PowerUnit> units, int seeds) {
        List<String> refused = LongStream.range(FIRST, FIRST + seeds)
                .mapToObj(seed -> refused(seed, units.apply(seed)))
                .filter(r -> !r.isEmpty())
                .toList();
        assertThat(refused).hasSizeLessThanOrEqualTo((int) ((1 - PLANNED) * seeds));
    }

    private static String refused(long seed, PowerUnit unit) {
        Plan plan = Planner.plan(unit, School.AUTO);
        return plan.refused().isEmpty()
                ? ""
                : seed + ": " + plan.refused().get(0).code() + " "
                        + plan.refused().get(0).message();
    }

    /** Whatever hands and screws do to a sound unit, there is a state that it comes to. */
    @Test
    void everySituationHasAnAnswer() {
        for (long seed = 1; seed <= 70; seed++) {
            for (PowerUnit unit : List.of(RandomCircuits.unit(seed), RandomPlants.unit(seed))) {
                Network network = new Network(unit);
                Random random = new Random(seed);
                for (int i = 0; i < 20; i++) {
                    Situation s = anyhow(unit, random);
                    assertThat(new Solver(network).steady(network.conditions(s)))
                            .as("%s %s", unit.tag(), s)
                            .isNotInstanceOf(Outcome.NotConverged.class);
                }
            }
        }
    }

    private static Situation anyhow(PowerUnit unit, Random random) {
        Situation s = Situation.AS_THE_FILE;
        for (Setting x : unit.settings()) {
            double any = x.screw().minPa()
                    + random.nextDouble() * (x.screw().maxPa() - x.screw().minPa());
            double target = unit.target(x.id()).map(Target::pressurePa).orElse(any);
            s = s.withSetting(x.id(), random.nextInt(3) == 0 ? target : any);
        }
        for (Throttle t : unit.handValves()) {
            s = s.withOpening(t.id(), random.nextInt(3) == 0 ? random.nextDouble() : random.nextInt(2));
        }
        for (Positioned v : unit.all(Positioned.class)) {
            List<String> names = v.positionNames();
            s = s.withPosition(v.id(), names.get(random.nextInt(names.size())));
        }
        return s.withBlocked(
                unit.actuators().stream().filter(a -> random.nextInt(3) > 0).collect(Collectors.toSet()));
    }

    /**
     * At full flow over its direct relief a motor of 9.6 kW would carry 108 %: part of the flow through the load valve,
     * less over the relief, and it bears it.
     */
    @Test
    void aReliefIsSetAtPartOfTheFlowWhereAllOfItAsksTooMuch() {
        SheetOfParts sheet = new SheetOfParts("SM-1", new Random(1));
        sheet.line("P", 300);
        sheet.parts
                .addObject()
                .put("id", "P1")
                .put("type", "pump")
                .put("driver", "M1")
                .put("inlet", "T")
                .put("outlet", "P")
                .put("displacementCm3", 20)
                .put("ratedPressureBar", 250)
                .put("volumetricEfficiency", 0.93)
                .put("maxPressureBar", 300);
        sheet.valve("relief-valve", "RV1", "P", "T")
                .put("acting", "direct")
                .put("settingBar", 90)
                .put("overrideBar", 30)
                .put("ratedFlowLpm", 35)
                .put("role", "main")
                .putArray("rangeBar")
                .add(10)
                .add(260);
        sheet.target("RV1", 160, 5, false);
        sheet.restriction("throttle", "TV1", "a", "P", "b", "T", 40).put("purpose", "load");
        sheet.gauge("G1", "P", 200);
        sheet.motor(1, 9);
        PowerUnit unit = sheet.read();
        Situation target = Situation.AS_THE_FILE.withSetting("RV1", 160e5);
        double full = ((Outcome.Converged) Model.of(unit).outcome(target))
                .state()
                .driver("M1")
                .load();
        assertThat(full).isGreaterThan(1.02);
        Plan plan = Planner.plan(unit, School.AUTO);
        assertThat(plan.refused()).isEmpty();
        Step set = plan.steps().stream()
                .filter(x -> x.kind() == Step.Kind.SET)
                .findFirst()
                .orElseThrow();
        assertThat(set.situation().openings().get("TV1")).isPositive();
        assertThat(plan.comparison().get(0).peakMotorLoad()).isLessThanOrEqualTo(1);
    }

    /** In whichever order the file lists its parts, the plan sets the same things in the same order. */
    @Test
    void noPlanDependsOnTheOrderOfParts() {
        for (long seed = 1; seed <= 12; seed++) {
            assertThat(order(RandomCircuits.reversed(seed)))
                    .as("circuit %s", seed)
                    .isEqualTo(order(RandomCircuits.unit(seed)));
            assertThat(order(RandomPlants.reversed(seed)))
                    .as("plant %s", seed)
                    .isEqualTo(order(RandomPlants.unit(seed)));
        }
    }

    private static List<String> order(PowerUnit unit) {
        return Planner.plan(unit, School.AUTO).settingOrder();
    }
}
