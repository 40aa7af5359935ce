package earlygate.run;

import static earlygate.run.Steps.WARM;
import static org.assertj.core.api.Assertions.assertThat;

import earlygate.explain.Reason;
import earlygate.explain.Value.Kind;
import earlygate.plan.Step;
import earlygate.plan.Step.Demand;
import earlygate.run.RunEvent.Body;
import earlygate.run.RunEvent.Cracked;
import earlygate.run.RunEvent.Reading;
import earlygate.run.RunEvent.Source;
import earlygate.run.RunEvent.Turned;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.junit.jupiter.api.Test;

/** What a run knows of its instruments, its oil and its gauges. */
class WhatIsKnownTest {
    private static String refused(Steps steps, Body body) {
        return RunRules.refusal(steps.state(), body).map(Reason::code).orElse("accepted");
    }

    @Test
    void aMachineWritesItsOwnTurnsSoTheyAreNoSlips() {
        Steps lg = Steps.lg().onRig();
        lg.then(new Turned("s1", "RV1", 0.25));
        assertThat(refused(lg, new RunEvent.Struck("s1", 1))).isEqualTo("run.refused.no-slip");
        Steps typed = Steps.lg();
        typed.then(new Turned("s1", "RV1", 0.25), new RunEvent.Noted("s1", "", "a slip"));
        assertThat(refused(typed, new RunEvent.Struck("s1", 1))).isEqualTo("accepted");
        assertThat(refused(typed, new RunEvent.Struck("s1", 2))).isEqualTo("accepted");
        assertThat(refused(typed, new RunEvent.Struck("s1", 3))).isEqualTo("run.refused.no-slip");
        typed.then(new RunEvent.StepDone("s1"));
        assertThat(refused(typed, new RunEvent.Struck("s2", 1)))
                .as("of another step")
                .isEqualTo("run.refused.no-slip");
    }

    @Test
    void readingsAreOfInstrumentsThatAreThere() {
        Steps lg = Steps.lg();
        assertThat(refused(lg, new Reading("s1", "G1", 1e5, Source.TYPED, WARM)))
                .isEqualTo("accepted");
        assertThat(refused(lg, new Reading("s1", "OIL", 300, Source.TYPED, WARM)))
                .isEqualTo("accepted");
        assertThat(refused(lg, new Reading("s1", "G9", 1e5, Source.TYPED, WARM)))
                .isEqualTo("run.refused.no-instrument");
        assertThat(refused(lg, new Reading("s1", "G1", Double.NaN, Source.TYPED, WARM)))
                .isEqualTo("run.refused.no-instrument");
        assertThat(refused(lg, new Cracked("s1", 1e5, Source.TYPED, WARM))).isEqualTo("run.refused.no-crack-here");
    }

    @Test
    void whatCanBeMeantOnAnInstrument() {
        Steps lg = Steps.lg();
        assertThat(RunRules.largest(lg.unit, "G1", Kind.PRESSURE)).isEqualTo(250e5);
        assertThat(RunRules.largest(lg.unit, "M1", Kind.CURRENT)).isEqualTo(345);
        assertThat(RunRules.largest(Steps.of("PL-01").unit, "M1", Kind.CURRENT)).isEqualTo(1100);
        assertThat(RunRules.largest(lg.unit, "OIL", Kind.TEMPERATURE)).isEqualTo(150);
        assertThat(RunRules.largest(lg.unit, "G9", Kind.PRESSURE)).isZero();
    }

    @Test
    void theOilIsTheLastThatWasRead() {
        Steps lg = Steps.lg();
        assertThat(lg.state().oil()).isEmpty();
        assertThat(lg.state().oilReadAt()).isEmpty();
        lg.then(new Reading("s1", "OIL", 310, Source.TYPED, OptionalDouble.empty()));
        lg.then(new Reading("s1", "G1", 1e5, Source.LIVE, OptionalDouble.of(315)));
        assertThat(lg.state().oil().getAsDouble()).isEqualTo(315);
        assertThat(lg.state().oilReadAt()).contains(Instant.EPOCH);
        Step crack = lg.coded("plan.relief-crack");
        lg.then(new Cracked(crack.id(), 176e5, Source.LIVE, OptionalDouble.of(317)));
        assertThat(lg.state().oil().getAsDouble()).isEqualTo(317);
    }

    /** At the compensator going up, the gauge follows from its least to where the relief takes it; LG-07 by its data. */
    @Test
    void theCurveKnowsWhoHasTheGaugeWhere() {
        Steps lg = Steps.lg();
        GaugeCurve down =
                lg.answers.curve(lg.of(Step.Kind.SET, "P1.compensator")).orElseThrow();
        assertThat(down.highHolder()).contains("RV1");
        assertThat(down.lowHolder()).isEmpty();
        assertThat(down.above(177e5)).isTrue();
        assertThat(down.above(165e5)).isFalse();
        assertThat(down.below(20e5)).isFalse();
        // 160 is asked: however near the relief stands, half the way to it is the compensator's.
        assertThat(down.highEnd()).isBetween(165e5, 176e5);
        assertThat(down.from()).isEqualTo(20e5);
        assertThat(down.to()).isBetween(176e5, 195e5);
        GaugeCurve transfer = Steps.of("BP-11")
                .answers
                .curve(Steps.of("BP-11").of(Step.Kind.SET, "RV1"))
                .orElseThrow();
        assertThat(transfer.below(15.7e5)).isTrue();
        assertThat(transfer.below(60e5)).isFalse();
        assertThat(transfer.above(200e5)).isFalse();
        GaugeCurve peak = Steps.of("FB-02")
                .answers
                .curve(Steps.of("FB-02").of(Step.Kind.SET, "UV1"))
                .orElseThrow();
        assertThat(peak.above(158e5)).as("the relief holds").isTrue();
        assertThat(peak.above(142e5)).isFalse();
        assertThat(peak.highHolder()).contains("RV1");
    }

    @Test
    void stepsOutsideOneFamilyStandForThemselves() {
        Steps lg = Steps.lg();
        List<Step> zero =
                lg.plan.steps().stream().filter(s -> s.demands(Demand.ZERO)).toList();
        assertThat(zero).hasSize(2);
        for (Step s : zero) {
            lg.reads(s, "G1", 9);
            assertThat(lg.judge(s).mayBeLeft()).isFalse();
            assertThat(lg.judge(s).missing()).hasSize(1);
        }
        Step set = lg.of(Step.Kind.SET, "P1.compensator");
        assertThat(lg.judge(set).mayBeLeft()).as("nothing read").isFalse();
        lg.reads(set, "G1", 150);
        assertThat(lg.judge(set).mayBeLeft()).isTrue();
        lg.then(new Turned(set.id(), "RV1", 0.25)).reads(set, "G1", 150);
        assertThat(lg.judge(set).mayBeLeft()).as("another screw stands off").isFalse();
        assertThat(Optional.of(lg.judge(set).missing().get(0).code())).contains("run.need.put-back-out");
    }
}
