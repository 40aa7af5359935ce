package earlygate.planner;

import static earlygate.fixture.Units.lg07;
import static earlygate.quantity.Si.BAR;
import static org.assertj.core.api.Assertions.assertThat;

import earlygate.audit.Audit;
import earlygate.audit.Violation;
import earlygate.audit.Violation.Point;
import earlygate.fixture.ChangedStep;
import earlygate.fixture.Plans;
import earlygate.fixture.Units;
import earlygate.plan.Goal;
import earlygate.plan.Move;
import earlygate.plan.Phase;
import earlygate.plan.Plan;
import earlygate.plan.School;
import earlygate.plan.Step;
import earlygate.plan.Step.Kind;
import earlygate.solve.Model;
import earlygate.unit.PowerUnit;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** A soft relief on a motor that is no larger than the pump's corner: neither read at full flow nor raised past. */
class ReliefProofTest {
    /** @param override bar at 100 L/min; the trade's pilot-operated valves have 2 to 6 % of 176, direct ones 10 to 25 % */
    private static PowerUnit soft(String acting, double override) {
        return lg07(
                u -> Units.part(u, "components", "RV1").put("acting", acting).put("overrideBar", override));
    }

    @ParameterizedTest
    @CsvSource({"pilot,10", "direct,18", "direct,35", "direct,44"})
    void itsCrackIsFoundAgainOnceItIsLocked(String acting, double override) {
        PowerUnit unit = soft(acting, override);
        Plan plan = Plans.of(unit);
        assertThat(plan.refused()).isEmpty();
        assertThat(plan.school()).isEqualTo(School.LEAD_WITH_PUMP);
        assertThat(Audit.of(Model.of(unit), plan)).isEmpty();
        Step lock = locks(plan);
        assertThat(lock.goal()).containsInstanceOf(Goal.Crack.class);
        assertThat(lock.moves())
                .extracting(Move::kind, Move::id)
                .containsExactly(
                        org.assertj.core.groups.Tuple.tuple(Move.Kind.NUT, "RV1"),
                        org.assertj.core.groups.Tuple.tuple(Move.Kind.TURN, "P1.compensator"));
        Step below = plan.steps().get(plan.steps().indexOf(lock) - 1);
        assertThat(below.expect().get(0).high()).as("nothing passes there").isLessThan(176 * BAR);
    }

    /** The same with a motor that carries it: read where the relief has the gauge. */
    @Test
    void aLargerMotorProvesItAtItsOwnPressure() {
        PowerUnit unit = lg07(u -> {
            Units.part(u, "components", "RV1").put("overrideBar", 10);
            Units.part(u, "components", "M1").put("ratedPowerKw", 30);
        });
        Plan plan = Plans.of(unit, School.LEAD_WITH_PUMP);
        assertThat(plan.refused()).isEmpty();
        assertThat(locks(plan).inControl()).contains("RV1");
        assertThat(locks(plan).cracks()).isFalse();
    }

    @Test
    void lockedWhereThePumpHoldsTheLineProvesNothing() {
        PowerUnit unit = soft("pilot", 10);
        Plan plan = Plans.of(unit);
        List<Step> steps = new ArrayList<>(plan.steps());
        int lock = steps.indexOf(locks(plan));
        Step below = steps.get(lock - 1);
        // The pump is not taken down first: what stood there stands there still.
        steps.set(
                lock,
                ChangedStep.moving(
                        steps.get(lock), List.of(steps.get(lock).moves().get(0))));
        steps.remove(below);
        assertThat(Audit.of(Model.of(unit), of(steps, plan)))
                .extracting(Violation::point)
                .contains(Point.SET_AND_LOCKED);
    }

    private static Step locks(Plan plan) {
        return plan.steps().stream()
                .filter(s -> s.kind() == Kind.LOCK
                        && s.setting().filter("RV1"::equals).isPresent())
                .findFirst()
                .orElseThrow();
    }

    private static Plan of(List<Step> steps, Plan plan) {
        return new Plan(
                plan.school(), plan.why(), List.of(new Phase(Phase.Id.SET, steps, List.of())), List.of(), List.of());
    }
}
