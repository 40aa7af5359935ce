package earlygate.run;

import earlygate.circuit.TestPoint;
import earlygate.explain.Reason;
import earlygate.explain.Value.Amount;
import earlygate.judge.Verdict;
import earlygate.plan.Expect;
import earlygate.plan.Step;
import earlygate.run.RunEvent.Cracked;
import earlygate.run.RunEvent.Reading;
import earlygate.verify.ReturnTest;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;

/** Whether a step's readings let it pass, and if not, what is still missing. */
public final class StepJudge {
    /**
     * @param grade PASS, FAIL or CANNOT_TELL of what was read
     * @param message in figures
     */
    public record Judged(String instrument, Verdict.Grade grade, Reason message) {}

    private final RunState run;
    private final Step step;
    private final StepRecord record;

    public StepJudge(RunState run, Step step) {
        this.run = run;
        this.step = step;
        this.record = run.record(step.id());
    }

    /** One entry for each expected instrument that has been read. */
    public List<Judged> judged() {
        return step.expect().stream().flatMap(e -> judged(e).stream()).toList();
    }

    private Optional<Judged> judged(Expect e) {
        if (cracks() && isGoal(e)) {
            return record.cracked().map(c -> setting(e, c.pressurePa(), c.oil()));
        }
        return record.reading(e.instrument())
                .map(r -> step.judgesSetting() && isGoal(e) ? setting(e, r.value(), r.oil()) : band(e, r));
    }

    private boolean cracks() {
        return step.goal().filter(g -> g.way() == Step.Way.BACK_OUT_TO_CRACK).isPresent();
    }

    private boolean isGoal(Expect e) {
        return step.goal().filter(g -> g.testPoint().equals(e.instrument())).isPresent();
    }

    private Judged setting(Expect e, double measured, OptionalDouble oil) {
        Step.Goal goal = step.goal().orElseThrow();
        TestPoint gauge = gauge(e.instrument());
        double low = run.unit().fluid().bandLow();
        double temperature = oil.orElse(run.oil().orElse(0));
        if (temperature < low) {
            Reason cold = Reason.of(temperature == 0 ? "verdict.oil-unknown" : "verdict.cold")
                    .temperature("oil", Math.max(temperature, 1))
                    .temperature("low", low)
                    .pressure("measured", measured);
            return new Judged(e.instrument(), Verdict.Grade.CANNOT_TELL, cold);
        }
        Verdict v = Verdict.of(measured, goal.targetPa(), goal.tolerancePa(), gauge.errorPa());
        return new Judged(e.instrument(), v.grade(), v.reason(gauge.rangePa()));
    }

    private Judged band(Expect e, Reading r) {
        boolean good = e.accepts(r.value());
        Reason message = Reason.of(good ? "verdict.in-band" : "verdict.out-of-band")
                .with("measured", new Amount(r.value(), e.kind()))
                .with("low", new Amount(e.low(), e.kind()))
                .with("high", new Amount(e.high(), e.kind()));
        return new Judged(e.instrument(), good ? Verdict.Grade.PASS : Verdict.Grade.FAIL, message);
    }

    private TestPoint gauge(String id) {
        return run.unit().testPoints().stream()
                .filter(t -> t.id().equals(id))
                .findFirst()
                .orElseThrow();
    }

    /** What stands between this step and "done"; empty when nothing does. */
    public List<Reason> missing() {
        List<Reason> missing = new ArrayList<>();
        if (record.deviation().isPresent()) {
            return missing;
        }
        List<Judged> judged = judged();
        for (Expect e : step.expect()) {
            Optional<Judged> j = judged.stream()
                    .filter(x -> x.instrument().equals(e.instrument()))
                    .findFirst();
            if (j.isEmpty()) {
                boolean crack = cracks() && isGoal(e);
                missing.add(
                        Reason.of(crack ? "run.need.crack" : "run.need.reading").name("instrument", e.instrument()));
            } else if (j.get().grade() != Verdict.Grade.PASS) {
                missing.add(Reason.of("run.need.pass").name("instrument", e.instrument()));
            }
        }
        if (missing.isEmpty() && step.action().code().equals("plan.return")) {
            returnTest().ifPresent(missing::add);
        }
        return missing;
    }

    private Optional<Reason> returnTest() {
        List<Double> readings = run.plan().steps().stream()
                .filter(s -> s.action().code().equals("plan.return"))
                .flatMap(s -> s.expect().stream().flatMap(e -> run.record(s.id()).reading(e.instrument()).stream()))
                .map(Reading::value)
                .toList();
        double spread = ReturnTest.spread(readings);
        return spread <= ReturnTest.WITHIN
                ? Optional.empty()
                : Optional.of(
                        Reason.of("run.need.return").ratio("spread", spread).ratio("within", ReturnTest.WITHIN));
    }

    /** The value that decides a setting in this step, Pa: its crack point or its last reading. */
    public OptionalDouble decisive() {
        if (cracks()) {
            return record.cracked()
                    .map(Cracked::pressurePa)
                    .map(OptionalDouble::of)
                    .orElse(OptionalDouble.empty());
        }
        return step.goal()
                .flatMap(g -> record.reading(g.testPoint()))
                .map(r -> OptionalDouble.of(r.value()))
                .orElse(OptionalDouble.empty());
    }
}
