package earlygate.planner;

import static earlygate.fixture.Units.demo;
import static org.assertj.core.api.Assertions.assertThat;

import earlygate.fixture.Plans;
import earlygate.plan.Plan;
import java.util.List;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** The order in which each demo unit's settings are brought to their targets, derived from its circuit. */
class DemoPlansTest {
    @ParameterizedTest
    @CsvSource({
        "LG-07, RV1 P1.compensator",
        "FB-02, RV1 UV1",
        "BP-11, RV1 UV1",
        "NH-04, RV1 P1.compensator P1.loadSense S1.reliefB S1.reliefA S2.reliefA",
        "SW-03, RV1 RX RY P1.compensator",
        "WD-05, RV1 P1.compensator RD1",
        "DR-09, RV1 P1.compensator",
        "PL-01, RV1"
    })
    void settingOrder(String tag, String order) {
        Plan plan = Plans.of(demo(tag));
        assertThat(plan.refused()).isEmpty();
        assertThat(plan.settingOrder()).isEqualTo(List.of(order.split(" ")));
    }
}
