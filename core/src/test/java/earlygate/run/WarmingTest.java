package earlygate.run;

import static org.assertj.core.api.Assertions.assertThat;

import earlygate.explain.Reason;
import earlygate.plan.Expect;
import earlygate.plan.Step;
import earlygate.run.RunEvent.Handled;
import earlygate.run.RunEvent.Reading;
import earlygate.run.RunEvent.Source;
import java.util.OptionalDouble;
import org.assertj.core.data.Percentage;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** How long warming takes still, told again with each reading; the truth by small steps of time, by hand. */
class WarmingTest {
    private static final double ZERO = 273.15;

    private final Steps lg = Steps.lg();
    private final Step warmUp = lg.coded("plan.warm-up");
    /** J/K of 120 L. */
    private final double tank =
            lg.unit.fluid().density() * 1900 * lg.unit.fluid().tankVolume();

    private Reason read(Steps run, double celsius) {
        run.then(new Reading(warmUp.id(), Expect.OIL, celsius + ZERO, Source.TYPED, OptionalDouble.empty()));
        return run.judge(warmUp).judged().get(0).message();
    }

    /** Minutes from one warmth to 40 C in a hall of 18 C. */
    private double minutes(double from, double watts) {
        double seconds = 0;
        for (double t = from; t < 40; t += watts / tank - 1.5e-4 * (t - 18)) {
            seconds++;
        }
        return seconds / 60;
    }

    private static double told(Reason said) {
        return said.amounts().get("time").si() / 60;
    }

    @Test
    void atFirstByTheHeatOfThePlan() {
        Reason said = read(lg, 22);
        double heat = warmUp.why().amounts().get("heat").si();
        assertThat(said.code()).isEqualTo("warming.planned");
        assertThat(told(said)).isCloseTo(minutes(22, heat), Percentage.withPercentage(1));
        assertThat(warmUp.why().amounts().get("time").si() / 60)
                .as("and the plan's own")
                .isCloseTo(minutes(18, heat), Percentage.withPercentage(1));
    }

    /** Four kelvin in ten minutes: what goes in is what warmed it and what the tank lost, by the clock or let pass on a rig. */
    @ParameterizedTest
    @CsvSource({"false", "true"})
    void thenAsItReallyWarms(boolean rig) {
        Steps run = rig ? lg.onRig() : lg;
        read(run, 22);
        if (rig) {
            run.then(new Handled(warmUp.id(), "pass", "", "600"));
        } else {
            run.later(10);
        }
        Reason said = read(run, 26);
        assertThat(said.code()).isEqualTo("warming.measured");
        assertThat(told(said))
                .isCloseTo(minutes(26, tank * (4 / 600.0 + 1.5e-4 * (24 - 18))), Percentage.withPercentage(1));
    }

    /** Two kelvin in half an hour end at 28 C: nobody is left waiting for 40. */
    @Test
    void whereItNeverComesThereItIsSaid() {
        read(lg, 24);
        lg.later(30);
        Reason said = read(lg, 26);
        assertThat(said.code()).isEqualTo("warming.never");
        assertThat(said.amounts().get("most").si() - ZERO)
                .isCloseTo(18 + 2 / 1800.0 / 1.5e-4 + (25 - 18), Percentage.withPercentage(1));
        assertThat(read(lg, 41).code()).as("warm at last").isEqualTo("verdict.in-band");
    }
}
