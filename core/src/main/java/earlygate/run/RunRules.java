package earlygate.run;

import earlygate.circuit.PowerUnit;
import earlygate.circuit.TestPoint;
import earlygate.explain.Reason;
import earlygate.explain.Value.Kind;
import earlygate.plan.Phase;
import earlygate.plan.Step;
import earlygate.run.RunEvent.Body;
import earlygate.run.RunEvent.Cracked;
import earlygate.run.RunEvent.Deviation;
import earlygate.run.RunEvent.HoldOpened;
import earlygate.run.RunEvent.OfStep;
import earlygate.run.RunEvent.Reading;
import earlygate.run.RunEvent.StepDone;
import earlygate.run.RunEvent.Turned;
import java.util.List;
import java.util.Optional;

/** What may be written into a run next. Everything refused here says why. */
public final class RunRules {
    private RunRules() {}

    /** Empty when the event may be appended. */
    public static Optional<Reason> refusal(RunState run, Body body) {
        if (body instanceof HoldOpened h) {
            return hold(run, h);
        }
        OfStep of = (OfStep) body;
        Optional<Step> current = run.current();
        if (current.isEmpty()) {
            return Optional.of(Reason.of("run.refused.finished"));
        }
        if (!current.get().id().equals(of.step())) {
            return Optional.of(Reason.of("run.refused.other-step")
                    .name("step", of.step())
                    .name("current", current.get().id()));
        }
        if (run.waitingAt().isPresent()) {
            return Optional.of(Reason.of("run.refused.hold")
                    .name("phase", run.waitingAt().get().id().key()));
        }
        return ofStep(run, current.get(), of);
    }

    private static Optional<Reason> hold(RunState run, HoldOpened h) {
        Optional<Phase> waiting = run.waitingAt();
        if (waiting.isPresent() && waiting.get().id().key().equals(h.phase())) {
            return Optional.empty();
        }
        return Optional.of(Reason.of("run.refused.not-at-hold").name("phase", h.phase()));
    }

    private static Optional<Reason> ofStep(RunState run, Step step, OfStep body) {
        if (body instanceof StepDone) {
            List<Reason> missing = new StepJudge(run, step).missing();
            return missing.stream().findFirst();
        }
        if (body instanceof Reading r) {
            return instrument(run.unit(), step, r);
        }
        if (body instanceof Turned t) {
            return run.unit().settings().stream().anyMatch(s -> s.id().equals(t.setting()))
                    ? Optional.empty()
                    : Optional.of(Reason.of("run.refused.no-screw").name("setting", t.setting()));
        }
        if (body instanceof Cracked
                && step.goal()
                        .filter(g -> g.way() == Step.Way.BACK_OUT_TO_CRACK)
                        .isEmpty()) {
            return Optional.of(Reason.of("run.refused.no-crack-here"));
        }
        return body instanceof Deviation d ? deviation(run, step, d) : Optional.empty();
    }

    private static Optional<Reason> instrument(PowerUnit unit, Step step, Reading r) {
        boolean known = step.expect().stream().anyMatch(e -> e.instrument().equals(r.instrument()))
                || unit.testPoints().stream().map(TestPoint::id).anyMatch(r.instrument()::equals);
        return known
                ? Optional.empty()
                : Optional.of(Reason.of("run.refused.no-instrument").name("instrument", r.instrument()));
    }

    /** Lower than the schematic is allowed with a reason; higher needs a second person's release, which isn't here. */
    private static Optional<Reason> deviation(RunState run, Step step, Deviation d) {
        if (d.reason().isBlank()) {
            return Optional.of(Reason.of("run.refused.no-reason"));
        }
        StepJudge judge = new StepJudge(run, step);
        if (judge.judged().size() < step.expect().size()) {
            return Optional.of(Reason.of("run.refused.nothing-read"));
        }
        if (judge.missing().isEmpty()) {
            return Optional.of(Reason.of("run.refused.already-good"));
        }
        if (step.judgesSetting()) {
            Step.Goal goal = step.goal().orElseThrow();
            double measured = judge.decisive().orElse(0);
            if (measured > goal.targetPa() + goal.tolerancePa()) {
                return Optional.of(Reason.of("run.refused.above-schematic")
                        .pressure("measured", measured)
                        .pressure("target", goal.targetPa())
                        .pressure("tolerance", goal.tolerancePa()));
            }
        }
        return Optional.empty();
    }

    /** The largest value that can be meant on an instrument, in SI; what lies above is a slip of the finger. */
    public static double largest(PowerUnit unit, String instrument, Kind kind) {
        return switch (kind) {
            case PRESSURE ->
                unit.testPoints().stream()
                        .filter(t -> t.id().equals(instrument))
                        .mapToDouble(TestPoint::rangePa)
                        .findFirst()
                        .orElse(0);
            case CURRENT ->
                10
                        * unit.all(earlygate.circuit.ElectricMotor.class).stream()
                                .mapToDouble(earlygate.circuit.ElectricMotor::ratedCurrent)
                                .max()
                                .orElse(100);
            default -> 150;
        };
    }
}
