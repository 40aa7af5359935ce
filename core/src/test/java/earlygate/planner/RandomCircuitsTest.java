package earlygate.planner;

import static org.assertj.core.api.Assertions.assertThat;

import earlygate.plan.Plan;
import earlygate.plan.School;
import java.util.List;
import java.util.stream.LongStream;
import org.junit.jupiter.api.Test;

/** Sound circuits of random structure are planned; {@code -Dseeds=500} for more of them. */
class RandomCircuitsTest {
    private static final double PLANNED = 0.95;

    @Test
    void soundCircuitsArePlanned() {
        int seeds = Integer.getInteger("seeds", 60);
        List<String> refused = LongStream.rangeClosed(1, seeds)
                .mapToObj(RandomCircuitsTest::refused)
                .filter(r -> !r.isEmpty())
                .toList();
        assertThat(refused).hasSizeLessThanOrEqualTo((int) ((1 - PLANNED) * seeds));
    }

    private static String refused(long seed) {
        Plan plan = Planner.plan(RandomCircuits.unit(seed), School.AUTO);
        return plan.refused().isEmpty()
                ? ""
                : seed + ": " + plan.refused().get(0).message();
    }

    /** In whichever order the file lists its parts, the plan sets the same things in the same order. */
    @Test
    void noPlanDependsOnTheOrderOfParts() {
        for (long seed = 1; seed <= 12; seed++) {
            List<String> order =
                    Planner.plan(RandomCircuits.unit(seed), School.AUTO).settingOrder();
            List<String> turned =
                    Planner.plan(RandomCircuits.reversed(seed), School.AUTO).settingOrder();
            assertThat(turned).as("seed %s", seed).isEqualTo(order);
        }
    }
}
