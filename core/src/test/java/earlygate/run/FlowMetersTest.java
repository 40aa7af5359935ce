package earlygate.run;

import static org.assertj.core.api.Assertions.assertThat;

import earlygate.run.RunEvent.StepDone;
import org.junit.jupiter.api.Test;

/** A flow meter stands in the line from the step that fits it to the step that takes it out. */
class FlowMetersTest {
    @Test
    void oneStandsFromWhereItIsFittedToWhereItIsTakenOut() {
        Steps nh = Steps.of("NH-04");
        assertThat(FlowMeters.fitted(nh.state())).isEmpty();
        nh.then(new StepDone(nh.coded("plan.meter-on").id()));
        assertThat(FlowMeters.fitted(nh.state())).containsExactly("TV1");
        nh.then(new StepDone(nh.coded("plan.meter-off").id()));
        assertThat(FlowMeters.fitted(nh.state())).isEmpty();
    }
}
