package earlygate.planner;

import static org.assertj.core.api.Assertions.assertThat;

import earlygate.audit.Audit;
import earlygate.audit.Violation.Point;
import earlygate.fixture.Plans;
import earlygate.fixture.Units;
import earlygate.plan.Phase;
import earlygate.plan.Plan;
import earlygate.plan.School;
import earlygate.plan.Step;
import earlygate.solve.Model;
import earlygate.unit.PowerUnit;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;

/** Good plans broken in one way at a time: the auditor, who knows nothing of their making, finds each. */
class MutatedPlansTest {
    private static final List<String> TAGS = List.of("LG-07", "BP-11", "WD-05", "SW-03", "FB-02", "NH-04");

    static Stream<String> good() {
        return TAGS.stream();
    }

    @ParameterizedTest
    @MethodSource("good")
    void aGoodPlanPasses(String tag) {
        PowerUnit unit = unit(tag);
        assertThat(Audit.of(Model.of(unit), Plans.of(unit))).isEmpty();
    }

    static Stream<Arguments> broken() {
        return TAGS.stream().flatMap(tag -> {
            PowerUnit unit = unit(tag);
            List<Step> steps = Plans.of(unit).steps();
            return Mutations.all().stream()
                    .flatMap(m -> m.change().apply(unit, steps).stream()
                            .map(s -> Arguments.of(tag, m.name(), m.point(), unit, s)));
        });
    }

    @ParameterizedTest(name = "{0}: {1}")
    @MethodSource("broken")
    void aBrokenPlanIsCaught(String tag, String name, Point point, PowerUnit unit, List<Step> steps) {
        Plan plan = new Plan(
                School.AUTO,
                steps.get(0).why(),
                List.of(new Phase(Phase.Id.SET, steps, List.of())),
                List.of(),
                List.of());
        Set<Point> found =
                Audit.of(Model.of(unit), plan).stream().map(v -> v.point()).collect(Collectors.toSet());
        assertThat(found).contains(point);
    }

    @Test
    void atLeastFortyAreTried() {
        assertThat(broken().count()).isGreaterThanOrEqualTo(40);
    }

    private static PowerUnit unit(String tag) {
        return Units.read(Units.document(tag));
    }
}
