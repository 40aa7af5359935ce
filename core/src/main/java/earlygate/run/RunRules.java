package earlygate.run;

import earlygate.explain.Reason;
import earlygate.explain.Value.Amount;
import earlygate.explain.Value.Kind;
import earlygate.plan.Expect;
import earlygate.plan.Goal;
import earlygate.plan.Phase;
import earlygate.plan.Step;
import earlygate.plan.Step.Demand;
import earlygate.run.RunEvent.Again;
import earlygate.run.RunEvent.Body;
import earlygate.run.RunEvent.Cracked;
import earlygate.run.RunEvent.Deviation;
import earlygate.run.RunEvent.Handled;
import earlygate.run.RunEvent.HoldOpened;
import earlygate.run.RunEvent.OfStep;
import earlygate.run.RunEvent.Paused;
import earlygate.run.RunEvent.Reading;
import earlygate.run.RunEvent.Reopened;
import earlygate.run.RunEvent.StepDone;
import earlygate.run.RunEvent.Stopped;
import earlygate.run.RunEvent.Struck;
import earlygate.run.RunEvent.Turned;
import earlygate.run.RunEvent.WentOn;
import earlygate.unit.Electric;
import earlygate.unit.Gear;
import earlygate.unit.PowerUnit;
import earlygate.unit.TestPoint;
import java.util.List;
import java.util.Optional;

/** What may be written into a run next. Everything refused here says why; what is let through never breaks the fold. */
public final class RunRules {
    /** A reason shorter than this says nothing to whoever reads the record. */
    static final int LEAST_REASON = 8;

    private static final double MOST_TURNS = 20;
    private static final int MOST_POINTS = 200;

    private RunRules() {}

    /** Empty when the event may be appended. */
    public static Optional<Reason> refusal(RunState run, Body body) {
        if (body instanceof RunEvent.OfRecord of) {
            return Signatures.refusal(run, of);
        }
        if (run.signatures().locked()) {
            return Optional.of(Reason.of("run.refused.locked"));
        }
        Optional<RunEvent> paused = Pause.of(run);
        if (paused.isPresent() && !(body instanceof WentOn) && !(body instanceof Stopped)) {
            return Optional.of(
                    Reason.of("run.refused.paused").name("by", paused.get().by()));
        }
        if (body instanceof RunEvent.OfFiles f) {
            return Attachments.refusal(run, f);
        }
        if (body instanceof HoldOpened h) {
            return hold(run, h);
        }
        if (body instanceof RunEvent.Began) {
            return Optional.of(Reason.of("run.refused.began"));
        }
        if (body instanceof Paused || body instanceof WentOn) {
            return pause(run, body);
        }
        OfStep of = (OfStep) body;
        Optional<Step> step = run.step(of.step());
        if (step.isEmpty()) {
            return Optional.of(Reason.of("run.refused.no-step").name("step", of.step()));
        }
        // What a machine reports has happened, whatever stands in the plan; it is never dropped.
        if (run.onRig() && (body instanceof Turned || body instanceof Handled) || body instanceof Stopped) {
            return body instanceof Turned t ? turned(run, t) : Optional.empty();
        }
        if (run.finished()) {
            return Optional.of(Reason.of("run.refused.finished"));
        }
        if (body instanceof Reopened) {
            return run.record(of.step()).isDone()
                    ? Optional.empty()
                    : Optional.of(Reason.of("run.refused.not-done").name("step", of.step()));
        }
        Optional<Step> current = run.current();
        if (current.isEmpty() || !current.get().id().equals(of.step())) {
            Reason other = Reason.of("run.refused.other-step").name("step", of.step());
            return Optional.of(
                    current.isPresent()
                            ? other.name("current", current.get().id())
                            : other.said("current", Reason.of("part.last-gate")));
        }
        if (run.waitingAt().isPresent() && !(body instanceof Turned)) {
            return Optional.of(Reason.of("run.refused.hold")
                    .name("phase", run.waitingAt().get().id().key()));
        }
        return ofStep(run, current.get(), of);
    }

    /** What lasts already, or what there is nothing left of, is not paused. */
    private static Optional<Reason> pause(RunState run, Body body) {
        if (body instanceof WentOn) {
            return Pause.of(run).isPresent() ? Optional.empty() : Optional.of(Reason.of("run.refused.not-paused"));
        }
        return run.finished() ? Optional.of(Reason.of("run.refused.finished")) : Optional.empty();
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
            List<Reason> missing = run.assess(step).missing();
            return missing.stream().findFirst();
        }
        if (body instanceof Reading r) {
            return instrument(run.unit(), step, r);
        }
        if (body instanceof Turned t) {
            return turned(run, t);
        }
        if (body instanceof Cracked && !step.cracks()) {
            return Optional.of(Reason.of("run.refused.no-crack-here"));
        }
        if (body instanceof Struck s) {
            return struck(run, step, s);
        }
        if (body instanceof RunEvent.OfCurve) {
            return ofCurve(run, step, body);
        }
        if (body instanceof RunEvent.Replaced r && !known(run, r.setting())) {
            return Optional.of(Reason.of("run.refused.no-screw").name("setting", r.setting()));
        }
        if (body instanceof Again || body instanceof RunEvent.Noted || body instanceof RunEvent.Replaced) {
            return Optional.empty();
        }
        return body instanceof Deviation d ? deviation(run, step, d) : Optional.empty();
    }

    private static Optional<Reason> ofCurve(RunState run, Step step, OfStep body) {
        if (step.curve().isEmpty()) {
            return Optional.of(Reason.of("run.refused.no-curve"));
        }
        if (body instanceof RunEvent.Point p) {
            return run.record(step.id()).points().size() >= MOST_POINTS
                    ? Optional.of(Reason.of("run.refused.points").number("limit", MOST_POINTS))
                    : p.signalPa().isEmpty() && step.curve().get().signal().isPresent()
                            ? Optional.of(Reason.of("verify.fit.no-signal"))
                            : Optional.empty();
        }
        RunEvent.LeftOut l = (RunEvent.LeftOut) body;
        boolean there = run.record(step.id()).points().stream().anyMatch(e -> e.seq() == l.point());
        if (!there || run.record(step.id()).leftOut(l.point()).isPresent()) {
            return Optional.of(Reason.of("run.refused.no-point").number("seq", l.point()));
        }
        return l.reason().strip().length() < LEAST_REASON
                ? Optional.of(Reason.of("run.refused.no-reason").number("least", LEAST_REASON))
                : Optional.empty();
    }

    private static boolean known(RunState run, String setting) {
        return run.unit().settings().stream().anyMatch(s -> s.id().equals(setting));
    }

    private static Optional<Reason> turned(RunState run, Turned t) {
        if (!known(run, t.setting())) {
            return Optional.of(Reason.of("run.refused.no-screw").name("setting", t.setting()));
        }
        return Math.abs(t.turns()) <= MOST_TURNS && (t.turns() != 0 || t.atEnd())
                ? Optional.empty()
                : Optional.of(Reason.of("run.refused.turns").number("limit", MOST_TURNS));
    }

    private static Optional<Reason> instrument(PowerUnit unit, Step step, Reading r) {
        boolean known = r.instrument().equals(Expect.OIL)
                || step.expect().stream().anyMatch(e -> e.instrument().equals(r.instrument()))
                || unit.testPoints().stream().map(TestPoint::id).anyMatch(r.instrument()::equals);
        return known && Double.isFinite(r.value())
                ? Optional.empty()
                : Optional.of(Reason.of("run.refused.no-instrument").name("instrument", r.instrument()));
    }

    /** A slip can be named in the step in which it was made, as long as that is at hand. */
    private static Optional<Reason> struck(RunState run, Step step, Struck s) {
        boolean there = run.event(s.wrong()).stream()
                .filter(e -> !run.isStruck(e.seq()))
                .map(RunEvent::body)
                .anyMatch(b -> b instanceof OfStep of
                        && of.step().equals(step.id())
                        && (b instanceof Reading
                                || b instanceof Cracked
                                || b instanceof RunEvent.Noted
                                || b instanceof RunEvent.Point
                                || b instanceof Turned && !run.onRig()));
        return there
                ? Optional.empty()
                : Optional.of(Reason.of("run.refused.no-slip").number("seq", s.wrong()));
    }

    /** Lower than the schematic is allowed with a reason; higher needs a second person's release. */
    private static Optional<Reason> deviation(RunState run, Step step, Deviation d) {
        if (d.reason().strip().length() < LEAST_REASON) {
            return Optional.of(Reason.of("run.refused.no-reason").number("least", LEAST_REASON));
        }
        StepAssessment judge = run.assess(step);
        if (step.demands(Demand.ZERO)) {
            return Optional.of(Reason.of("run.refused.zero-proof"));
        }
        if (judge.judged().size() < step.expect().size()) {
            return Optional.of(Reason.of("run.refused.nothing-read"));
        }
        if (judge.missing().isEmpty()) {
            return Optional.of(Reason.of("run.refused.already-good"));
        }
        if (!judge.mayBeLeft()) {
            return judge.missing().stream().findFirst();
        }
        if (judge.aboveSchematic() && d.releasedBy().filter(r -> !r.isBlank()).isEmpty()) {
            return Optional.of(above(step, judge.decisive().orElseThrow()));
        }
        return Optional.empty();
    }

    private static Reason above(Step step, double measured) {
        Reason above = Reason.of("run.refused.above-schematic");
        if (step.goal().orElseThrow() instanceof Goal.Rate rate) {
            return above.with("measured", new Amount(measured, rate.quantity()))
                    .with("target", new Amount(rate.target(), rate.quantity()))
                    .with("tolerance", new Amount(rate.tolerance(), rate.quantity()));
        }
        Goal.Measured goal = step.measured().orElseThrow();
        return above.pressure("measured", measured)
                .pressure("target", goal.targetPa())
                .pressure("tolerance", goal.tolerancePa());
    }

    /** The largest value that can be meant on an instrument, in SI; what lies above is a slip of the finger. */
    public static double largest(PowerUnit unit, String instrument, Kind kind) {
        return switch (kind) {
            case PRESSURE ->
                unit.findTestPoint(instrument).map(TestPoint::rangePa).orElse(0.0);
            case CURRENT ->
                10
                        * unit.all(Electric.class).stream()
                                .filter(m -> m.id().equals(instrument))
                                .mapToDouble(Electric::ratedCurrent)
                                .findFirst()
                                .orElse(100);
            case FLOW -> unit.flowMeter(instrument).map(Gear.FlowMeter::range).orElse(0.0);
            default -> 150;
        };
    }
}
