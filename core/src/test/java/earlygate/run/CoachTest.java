package earlygate.run;

import static earlygate.run.Steps.WARM;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import earlygate.explain.Value.Name;
import earlygate.plan.Goal;
import earlygate.plan.Step;
import earlygate.run.RunEvent.Cracked;
import earlygate.run.RunEvent.Source;
import earlygate.run.RunEvent.Turned;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** The next turn, case by case; figures by hand from the data of the screws. */
class CoachTest {
    @Test
    void countsTurnsToTheOneAskedAndBack() {
        Steps lg = Steps.lg();
        Step clear = lg.coded("plan.relief-clear");
        double all = ((Goal.Turned) clear.goal().orElseThrow()).turns();
        lg.says(clear, all, "advice.count-in");
        lg.turns(clear, all - 0.25);
        lg.says(clear, 0.25, "advice.count-in");
        assertThat(Steps.amount(lg.advice(clear).orElseThrow(), "all")).isEqualTo(all);
        lg.turns(clear, 0.25);
        lg.says(clear, 0, "advice.counted");
        lg.turns(clear, 0.5);
        lg.says(clear, -0.5, "advice.count-out");
    }

    @Test
    void goesToTheEndWhereverThatIs() {
        Steps lg = Steps.lg();
        Step out = lg.coded("plan.back-out");
        double nominal = ((Goal.Turned) out.goal().orElseThrow()).turns();
        assertThat(nominal).isEqualTo(-(145 - 20) / 45.0, within(1 / 32.0));
        lg.says(out, nominal, "advice.out-to-end");
        lg.turns(out, -1);
        lg.says(out, nominal + 1, "advice.out-to-end");
        assertThat(Steps.amount(lg.advice(out).orElseThrow(), "turned")).isEqualTo(1);
        lg.turns(out, -2);
        lg.says(out, -1 / 16.0, "advice.out-to-end");
        lg.then(new Turned(out.id(), "P1.compensator", -0.25, true));
        lg.says(out, 0, "advice.out-to-end");
        assertThat(lg.judge(out).missing()).isEmpty();
        // Turned away from it again, it does not stand there.
        lg.turns(out, 0.5);
        assertThat(lg.judge(out).missing()).hasSize(1);
        Step in = lg.coded("plan.relief-in");
        lg.says(in, ((Goal.Turned) in.goal().orElseThrow()).turns(), "advice.in-to-end");
        // The wrong end is not the end.
        lg.then(new Turned(in.id(), "RV1", -3, true));
        assertThat(lg.judge(in).missing().get(0).code()).isEqualTo("run.need.end");
    }

    /** From all in (250) to 176 bar at 40 bar a turn are 1.85 turns: quarters, then eighths, then sixteenths. */
    @ParameterizedTest
    @CsvSource({"0, -0.25, 10", "-0.5, -0.25, 10", "-0.8, -0.125, 5", "-1.2, -0.125, 5", "-1.4, -0.0625, 2.5"})
    void backsOutFinerTowardsTheCrack(double made, double next, double movesBar) {
        Steps lg = Steps.lg();
        Step crack = lg.coded("plan.relief-crack");
        if (made != 0) {
            lg.turns(crack, made);
        }
        lg.says(crack, next, "advice.back-out");
        assertThat(Steps.amount(lg.advice(crack).orElseThrow(), "moves")).isCloseTo(movesBar * 1e5, within(1.0));
        lg.then(new Cracked(crack.id(), 176e5, Source.TAPPED, WARM));
        lg.says(crack, 0, "advice.cracked");
    }

    /** Never out past the thread: 1.85 turns by the data, 4.6 at the gentlest slope and one for luck, then back. */
    @Test
    void aCrackThatNeverCameIsNotTurnedAfter() {
        Steps lg = Steps.lg();
        Step crack = lg.coded("plan.relief-crack");
        lg.turns(crack, -5.5);
        lg.says(crack, -0.0625, "advice.back-out");
        assertThat(StepToRepeat.of(lg.state(), crack)).isEmpty();
        lg.turns(crack, -0.25);
        lg.says(crack, 0, "advice.no-crack");
        assertThat(StepToRepeat.of(lg.state(), crack)).contains(lg.coded("plan.relief-in"));
        Steps end = Steps.lg();
        end.then(new Turned(crack.id(), "RV1", -0.5, true));
        end.says(crack, 0, "advice.no-crack");
        end.then(new Cracked(crack.id(), 176e5, Source.LIVE, WARM));
        end.says(crack, 0, "advice.cracked");
    }

    /** 45 bar a turn: 10 bar too low are 4/16 in, 8 too high 3/16 out, 3 too high still one sixteenth. */
    @ParameterizedTest
    @CsvSource({"150, 0.25, in", "168, -0.1875, out", "163, -0.0625, out", "157.2, 0.0625, in"})
    void saysHowFarToSetAgainstTheNut(double reads, double relock, String way) {
        Steps lg = Steps.lg();
        Step lock = lg.of(Step.Kind.LOCK, "P1.compensator");
        assertThat(lg.advice(lock)).as("nothing read yet").isEmpty();
        Coach.Advice a = lg.reads(lock, "G1", reads).advice(lock).orElseThrow();
        assertThat(a.turns()).as("not while it is tight").isZero();
        assertThat(a.relock()).isEqualTo(relock);
        assertThat(a.reason().code()).isEqualTo("advice.relock-" + way);
        assertThat(Steps.amount(a, "turns")).isEqualTo(Math.abs(relock));
        assertThat(Steps.amount(a, "off")).isCloseTo(Math.abs(160 - reads) * 1e5, within(1.0));
        lg.reads(lock, "G1", 161);
        assertThat(lg.advice(lock)).as("it passes").isEmpty();
    }

    @Test
    void aReliefFoundByItsCrackIsSetAgainstItsNutWhereItHasTheGauge() {
        Steps lg = Steps.lg();
        Step lock = lg.of(Step.Kind.LOCK, "RV1");
        assertThat(lock.inControl()).contains("RV1");
        assertThat(lg.reads(lock, "G1", 150).advice(lock).orElseThrow().relock())
                .isPositive();
    }

    @Test
    void readsFirstAndBothGaugesOfADifference() {
        Steps nh = Steps.of("NH-04");
        Step margin = nh.of(Step.Kind.SET, "P1.loadSense");
        assertThat(nh.advice(margin).orElseThrow().reason().values().get("gauge"))
                .isEqualTo(new Name("GP"));
        nh.reads(margin, "GP", 52);
        nh.says(margin, 0, "advice.read-first");
        assertThat(nh.advice(margin).orElseThrow().reason().values().get("gauge"))
                .isEqualTo(new Name("GL"));
        nh.reads(margin, "GL", 36).says(margin, 0.25, "advice.in");
    }

    @Test
    void stepsWithoutAScrewHaveNoAdvice() {
        Steps lg = Steps.lg();
        assertThat(lg.advice(lg.coded("plan.flush"))).isEmpty();
        assertThat(lg.advice(lg.coded("plan.return"))).isEmpty();
    }
}
