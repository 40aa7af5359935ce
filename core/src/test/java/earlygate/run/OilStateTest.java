package earlygate.run;

import static org.assertj.core.api.Assertions.assertThat;

import earlygate.plan.Step;
import earlygate.run.RunEvent.Reading;
import earlygate.run.RunEvent.Source;
import earlygate.run.RunEvent.StepDone;
import java.time.Duration;
import java.time.Instant;
import java.util.OptionalDouble;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** LG-07's oil counts from 40 to 60 °C, for a quarter of an hour. */
class OilStateTest {
    private static final double ZERO_C = 273.15;

    private final Steps lg = Steps.lg();
    private final String step = lg.plan.steps().get(0).id();

    private OilState at(Duration later) {
        return OilState.at(lg.state(), Instant.EPOCH.plus(later));
    }

    private void oil(double c) {
        lg.then(new Reading(step, "OIL", c + ZERO_C, Source.TYPED, OptionalDouble.empty()));
    }

    @ParameterizedTest
    @CsvSource({"39.9, COLD", "40, OK", "50, OK", "60, OK", "60.1, HOT"})
    void inItsBandItCounts(double c, OilState state) {
        oil(c);
        assertThat(at(Duration.ZERO)).isEqualTo(state);
    }

    @Test
    void unreadItIsNotKnownAndAfterAQuarterOfAnHourItIsOld() {
        assertThat(at(Duration.ZERO)).isEqualTo(OilState.UNKNOWN);
        oil(50);
        assertThat(at(Duration.ofMinutes(15))).isEqualTo(OilState.OK);
        assertThat(at(Duration.ofMinutes(15).plusSeconds(1))).isEqualTo(OilState.STALE);
        oil(30);
        assertThat(at(Duration.ofMinutes(1))).isEqualTo(OilState.COLD);
    }

    /** A reading has its own oil, or the last one that was read before its step was done. */
    @Test
    void aReadingCountsWithTheOilOfItsTime() {
        Step set = lg.of(Step.Kind.SET, "P1.compensator");
        lg.then(new Reading(set.id(), "G1", 160e5, Source.TYPED, OptionalDouble.empty()));
        RunEvent reading = lg.state().events().get(0);
        assertThat(lg.state().oilAt(reading, set.id())).isEmpty();
        oil(45);
        assertThat(lg.state().oilAt(reading, set.id()).getAsDouble())
                .as("read after it, in the same step")
                .isEqualTo(45 + ZERO_C);
        lg.then(new StepDone(set.id()));
        oil(70);
        assertThat(lg.state().oilAt(reading, set.id()).getAsDouble())
                .as("what came after the step says nothing of it")
                .isEqualTo(45 + ZERO_C);
        lg.reads(set, "G1", 161);
        RunEvent own = lg.state().events().get(lg.state().events().size() - 1);
        assertThat(lg.state().oilAt(own, set.id())).isEqualTo(Steps.WARM);
    }
}
