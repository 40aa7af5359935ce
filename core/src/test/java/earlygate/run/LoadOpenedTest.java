package earlygate.run;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.data.Percentage.withPercentage;

import earlygate.explain.Value.Kind;
import earlygate.network.Network;
import earlygate.plan.Expect;
import earlygate.plan.Step;
import earlygate.solve.Solver;
import earlygate.solve.SteadyState;
import earlygate.unit.Situation;
import org.junit.jupiter.api.Test;

/** A press whose last pump gives 20 L/min through a valve for 120: one per cent of its handle is worth 40 bar. */
class LoadOpenedTest {
    private static final double BAR = 1e5;

    private final Steps bp = Steps.of("BP-11");
    private final Step working = bp.first(s ->
            s.action().code().equals("plan.working-point") && s.expect().get(0).value() > 100 * BAR);
    private final Expect pressure = working.expect().get(0);
    private final Expect planned = working.expect().get(1);

    private Expect current() {
        return bp.state().step(working.id()).orElseThrow().expect().get(1);
    }

    private SteadyState with(double opening) {
        return solved(working.situation().withOpening("TV1", opening));
    }

    private SteadyState solved(Situation s) {
        Network network = new Network(bp.unit);
        return new Solver(network).steady(network.conditions(s)).answer().orElseThrow();
    }

    private double bar(SteadyState s) {
        return s.pressure(bp.unit.testPoint(pressure.instrument()).line()) / BAR;
    }

    /** Whole per cent lie on both sides of what is asked, and one of them is near enough. */
    @Test
    void aHandleInWholePerCentCanPass() {
        double opening = working.situation().openings().get("TV1");
        assertThat(opening * 100 % 1).as("no whole per cent").isGreaterThan(0.05);
        double wider = bar(with(Math.ceil(opening * 100) / 100));
        double narrower = bar(with(Math.floor(opening * 100) / 100));
        assertThat(narrower - wider).isGreaterThan(25);
        assertThat(pressure.accepts(wider * BAR) || pressure.accepts(narrower * BAR))
                .isTrue();
        assertThat(planned.kind()).isEqualTo(Kind.CURRENT);
        assertThat(planned.high() / planned.low())
                .as("the current's band is no wider")
                .isCloseTo(1.15 / 0.85, withPercentage(0.01));
    }

    /** kW that M1 gives at a current, and back: I = sqrt(I0^2 + (Ir^2 - I0^2) (P/Pr)^2), 11.4, 28.5 A and 15 kW by its plate. */
    private static double power(double amps) {
        return 15 * Math.sqrt((amps * amps - 11.4 * 11.4) / (28.5 * 28.5 - 11.4 * 11.4));
    }

    private static double amps(double kilowatts) {
        return Math.sqrt(11.4 * 11.4 + (28.5 * 28.5 - 11.4 * 11.4) * Math.pow(kilowatts / 15, 2));
    }

    /** By hand, each bar more asks 14 cm3 a turn at 24.6 turns a second: 34 W; and by the model, put there. */
    @Test
    void theCurrentIsExpectedAtThePressureThatWasRead() {
        for (double per : new double[] {0.95, 1.06}) {
            SteadyState there = with(working.situation().openings().get("TV1") * per);
            Steps anew = Steps.of("BP-11");
            anew.reads(working, pressure.instrument(), bar(there));
            RunState run = anew.state();
            Expect now = run.step(working.id()).orElseThrow().expect().get(1);
            double draws = there.driver("M1").current();
            double byHand = amps(power(planned.value()) + 14e-6 * 24.6 * 100 * (bar(there) - 165));
            assertThat(now.value()).isCloseTo(byHand, withPercentage(1));
            assertThat(Math.abs(draws / planned.value() - 1)).isGreaterThan(0.02);
            assertThat(now.value()).isCloseTo(draws, withPercentage(0.5));
            assertThat(now.high() / now.value()).isCloseTo(1.15, withPercentage(0.01));
            assertThat(run.carried(working.id())).extracting("code").contains("run.carried-opened");
        }
    }

    /** One per cent further lies the transfer, where the drive draws nearly twice as much: nothing of it may be felt before. */
    @Test
    void pastTheTransferTheLowPressurePumpIsNotFelt() {
        Step above = bp.coded("plan.transfer-above");
        for (double per : new double[] {0.93, 1.07}) {
            Situation s = above.situation()
                    .withOpening("TV1", above.situation().openings().get("TV1") * per);
            SteadyState there = solved(s);
            assertThat(there.pressure("L") / BAR).as("at home").isLessThan(6);
            Steps anew = Steps.of("BP-11");
            anew.reads(above, "GH", there.pressure("H") / BAR);
            Expect now = anew.state().step(above.id()).orElseThrow().expect().stream()
                    .filter(e -> e.kind() == Kind.CURRENT)
                    .findFirst()
                    .orElseThrow();
            assertThat(now.value()).isCloseTo(there.driver("M1").current(), withPercentage(0.5));
        }
    }
}
