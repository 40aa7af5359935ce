package earlygate.run;

import earlygate.explain.Reason;
import earlygate.explain.Value.Amount;
import earlygate.explain.Value.Kind;
import earlygate.judge.TurnAdvice;
import earlygate.judge.Verdict;
import earlygate.judge.Verdict.Grade;
import earlygate.plan.Expect;
import earlygate.plan.Goal;
import earlygate.plan.Step;
import earlygate.plan.Step.Demand;
import earlygate.run.RunEvent.Cracked;
import earlygate.run.RunEvent.Reading;
import earlygate.unit.Fluid;
import earlygate.unit.TestPoint;
import earlygate.verify.ReturnTest;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;

/** Whether a step's readings let it pass, and if not, what is still missing. */
public final class StepJudge {
    /** A counted turn may be off by a little more than a sixteenth and a half. */
    private static final double COUNT = 1.75 * TurnAdvice.STEP;

    /** Signal pressures, as shares of the model's, between which oil flows as the step says. */
    private static final double SIGNAL_LEAST = 0.5;

    private static final double SIGNAL_MOST = 2;

    private static final double A_TRACE = TurnAdvice.STEP / 2;

    /**
     * @param grade PASS, FAIL or CANNOT_TELL of what was read
     * @param message in figures
     */
    public record Judged(String instrument, Grade grade, Reason message) {}

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
        if (step.cracks() && isGoal(e)) {
            return record.crackedEvent().map(c -> setting(e, ((Cracked) c.body()).pressurePa(), c));
        }
        return record.readingEvent(e.instrument()).map(r -> {
            if (!isGoal(e)) {
                return band(e, (Reading) r.body());
            }
            if (record.measure().isEmpty()) {
                return new Judged(e.instrument(), Grade.CANNOT_TELL, other(e));
            }
            return step.judgesSetting() ? setting(e, record.measure().orElseThrow(), r) : band(e, (Reading) r.body());
        });
    }

    /** The other one of two gauges, which has to be read in the same state. */
    private Reason other(Expect e) {
        Goal goal = step.goal().orElseThrow();
        String missing = goal.testPoint().equals(e.instrument()) ? goal.minus().orElseThrow() : goal.testPoint();
        return Reason.of("verdict.read-both").name("gauge", missing);
    }

    private boolean isGoal(Expect e) {
        return step.goal().filter(g -> g.reads(e.instrument())).isPresent();
    }

    private Judged setting(Expect e, double measured, RunEvent event) {
        Optional<Reason> oil = outsideBand(event, measured);
        if (oil.isPresent()) {
            return new Judged(e.instrument(), Grade.CANNOT_TELL, oil.get());
        }
        Optional<Reason> still = withoutFlow();
        if (still.isPresent()) {
            return new Judged(e.instrument(), Grade.CANNOT_TELL, still.get());
        }
        Goal.Measured goal = step.measured().orElseThrow();
        TestPoint gauge = run.unit().testPoint(goal.testPoint());
        double error = gauge.errorPa()
                + goal.minus().map(m -> run.unit().testPoint(m).errorPa()).orElse(0.0);
        Verdict v = Verdict.of(measured, goal.targetPa(), goal.tolerancePa(), error);
        return new Judged(e.instrument(), v.grade(), v.reason(gauge.rangePa()));
    }

    /** A margin is there only while oil flows: at standby the signal is drained, at stall it stands at its limit. */
    private Optional<Reason> withoutFlow() {
        return step.goal().flatMap(Goal::minus).flatMap(signal -> {
            double read = record.reading(signal).map(Reading::value).orElse(0.0);
            double expected = step.expect().stream()
                    .filter(x -> x.instrument().equals(signal))
                    .mapToDouble(Expect::value)
                    .findFirst()
                    .orElse(read);
            boolean flows = read > SIGNAL_LEAST * expected && read < SIGNAL_MOST * expected;
            return flows
                    ? Optional.empty()
                    : Optional.of(Reason.of("verdict.no-flow")
                            .name("gauge", signal)
                            .pressure("signal", read)
                            .pressure("expected", expected));
        });
    }

    /** A setting counts only with the oil in its band: known, and not cold, and not hot. */
    private Optional<Reason> outsideBand(RunEvent event, double measured) {
        Fluid f = run.unit().fluid();
        OptionalDouble oil = run.oilAt(event, step.id());
        if (oil.isEmpty()) {
            return Optional.of(Reason.of("verdict.oil-unknown")
                    .temperature("low", f.bandLow())
                    .temperature("high", f.bandHigh()));
        }
        OilState state = OilState.of(f, oil.getAsDouble());
        if (state == OilState.OK) {
            return Optional.empty();
        }
        return Optional.of(Reason.of(state == OilState.COLD ? "verdict.cold" : "verdict.hot")
                .temperature("oil", oil.getAsDouble())
                .temperature("low", f.bandLow())
                .temperature("high", f.bandHigh())
                .pressure("measured", measured));
    }

    /**
     * Against the band of an expectation, the gauge's own error taken off where it passes and added where it fails. Where
     * the same gauge is read again for what follows, in a passing move, its error cancels.
     */
    private Judged band(Expect e, Reading r) {
        boolean passing = step.kind() == Step.Kind.START_POSITION && isGoal(e);
        double error = e.kind() == Kind.PRESSURE && !passing
                ? run.unit()
                        .findTestPoint(e.instrument())
                        .map(TestPoint::errorPa)
                        .orElse(0.0)
                : 0;
        // Below an end at zero nothing can be read.
        double low = e.low() <= 0 ? Double.NEGATIVE_INFINITY : e.low();
        boolean good = r.value() >= low + error && r.value() <= e.high() - error;
        boolean bad = r.value() < low - error || r.value() > e.high() + error;
        Grade grade = good ? Grade.PASS : bad ? Grade.FAIL : Grade.CANNOT_TELL;
        String code = good ? "verdict.in-band" : bad ? "verdict.out-of-band" : "verdict.edge-of-band";
        Reason message = Reason.of(code)
                .with("measured", new Amount(r.value(), e.kind()))
                .with("low", new Amount(e.low(), e.kind()))
                .with("high", new Amount(e.high(), e.kind()))
                .with("error", new Amount(error, e.kind()));
        return new Judged(e.instrument(), grade, message);
    }

    /** What stands between this step and "done"; empty when nothing does. */
    public List<Reason> missing() {
        List<Reason> missing = new ArrayList<>(notAsItMustBe());
        if (record.deviation().isEmpty()) {
            missing.addAll(readingsMissing());
        }
        return missing;
    }

    /** What no reason can excuse: turns not made, another screw turned, a nut still slack, a load not moved. */
    private List<Reason> notAsItMustBe() {
        List<Reason> missing = new ArrayList<>();
        for (Map.Entry<String, Double> other : record.turnedBy().entrySet()) {
            boolean own = step.setting().filter(other.getKey()::equals).isPresent()
                    && step.goal().isPresent();
            if (!own && Math.abs(other.getValue()) >= A_TRACE) {
                missing.add(putBack(other.getKey(), other.getValue()));
            }
        }
        turnsMissing().ifPresent(missing::add);
        if (run.onRig()
                && step.kind() == Step.Kind.LOCK
                && !run.nutTight(step.setting().orElse(""))) {
            missing.add(Reason.of("run.need.nut").name("setting", step.setting().orElse("")));
        }
        if (run.onRig() && step.demands(Demand.LOAD_MOVED) && !record.loadMoved()) {
            missing.add(Reason.of("run.need.load-moved"));
        }
        return missing;
    }

    private static Reason putBack(String setting, double turned) {
        return Reason.of(turned > 0 ? "run.need.put-back-out" : "run.need.put-back-in")
                .name("setting", setting)
                .turns("turns", Math.abs(turned));
    }

    private Optional<Reason> turnsMissing() {
        if (!(step.goal().orElse(null) instanceof Goal.Turned goal) || record.touchedEnd()) {
            return Optional.empty();
        }
        String setting = step.setting().orElse("");
        if (goal instanceof Goal.ToEnd) {
            return Optional.of(Reason.of("run.need.end").name("setting", setting));
        }
        return Math.abs(record.turned() - goal.turns()) <= COUNT
                ? Optional.empty()
                : Optional.of(Reason.of("run.need.turns")
                        .name("setting", setting)
                        .turns("turns", Math.abs(goal.turns()))
                        .turns("made", Math.abs(record.turned())));
    }

    private List<Reason> readingsMissing() {
        List<Reason> missing = new ArrayList<>();
        crackVoid().ifPresent(missing::add);
        List<Judged> judged = judged();
        for (Expect e : step.expect()) {
            Optional<Judged> j = judged.stream()
                    .filter(x -> x.instrument().equals(e.instrument()))
                    .findFirst();
            if (j.isEmpty()) {
                boolean crack = step.cracks() && isGoal(e);
                missing.add(
                        Reason.of(crack ? "run.need.crack" : "run.need.reading").name("instrument", e.instrument()));
            } else if (j.get().grade() != Grade.PASS) {
                missing.add(Reason.of("run.need.pass").name("instrument", e.instrument()));
            }
        }
        if (missing.isEmpty() && step.demands(Demand.RETURN)) {
            returnTest().ifPresent(missing::add);
        }
        return missing;
    }

    boolean crackIsVoid() {
        return crackVoid().isPresent();
    }

    /** A relief turned after its crack was found has no valid reading, unless it is locked where it has the gauge. */
    private Optional<Reason> crackVoid() {
        String setting = step.setting().orElse("");
        if (step.kind() != Step.Kind.LOCK || step.readsItself()) {
            return Optional.empty();
        }
        return run.plan().steps().stream()
                .filter(s -> s.cracks() && s.setting().filter(setting::equals).isPresent())
                .flatMap(s -> run.record(s.id()).crackedEvent().stream())
                .filter(c -> run.turnedAfter(c.seq(), setting))
                .findFirst()
                .map(c -> Reason.of("run.need.crack-again").name("setting", setting));
    }

    private Optional<Reason> returnTest() {
        List<Double> readings = run.plan().steps().stream()
                .filter(s -> s.demands(Demand.RETURN) && s.setting().equals(step.setting()))
                .flatMap(s -> s.expect().stream()
                        .filter(e -> e.kind() == Kind.PRESSURE)
                        .flatMap(e -> run.record(s.id()).reading(e.instrument()).stream()))
                .map(Reading::value)
                .toList();
        double spread = ReturnTest.spread(readings);
        return spread <= ReturnTest.WITHIN
                ? Optional.empty()
                : Optional.of(
                        Reason.of("run.need.return").ratio("spread", spread).ratio("within", ReturnTest.WITHIN));
    }

    /** The value that decides a setting in this step, Pa: its crack point, or what its goal is read by. */
    public OptionalDouble decisive() {
        if (step.cracks()) {
            return record.cracked().map(c -> OptionalDouble.of(c.pressurePa())).orElse(OptionalDouble.empty());
        }
        return record.measure();
    }

    /** Whether what was read may be left as it is, for a reason: never a failed proof of zero. */
    public boolean mayBeLeft() {
        return !step.demands(Demand.ZERO)
                && notAsItMustBe().isEmpty()
                && judged().size() == step.expect().size()
                && !readingsMissing().isEmpty();
    }

    /** Whether a setting stands higher than the schematic lets it. */
    public boolean aboveSchematic() {
        return step.judgesSetting()
                && decisive().isPresent()
                && step.measured()
                        .filter(g -> decisive().getAsDouble() > g.targetPa() + g.tolerancePa())
                        .isPresent();
    }
}
