package earlygate.run;

import earlygate.explain.Reason;
import earlygate.explain.Value.Amount;
import earlygate.explain.Value.Kind;
import earlygate.judge.NextTurn;
import earlygate.judge.ReliefEstimate;
import earlygate.judge.Verdict;
import earlygate.judge.Verdict.Grade;
import earlygate.plan.Expect;
import earlygate.plan.Goal;
import earlygate.plan.Step;
import earlygate.run.RunEvent.Cracked;
import earlygate.run.RunEvent.Reading;
import earlygate.run.StepAssessment.Judged;
import earlygate.unit.Fluid;
import earlygate.unit.Gear;
import earlygate.unit.Meter;
import earlygate.unit.PowerUnit;
import earlygate.unit.TestPoint;
import java.util.Optional;
import java.util.OptionalDouble;

/** One instrument's reading in a step against what it had to be: the schematic's own tolerance, or a band of the model. */
final class ReadingJudge {
    /** Signal pressures, as shares of the model's, between which oil flows as the step says. */
    private static final double SIGNAL_LEAST = 0.5;

    private static final double SIGNAL_MOST = 2;
    /** Of its reading, a clamp meter of which the sheet says nothing. */
    private static final double CLAMP = 0.01;

    /** Of a sixteenth, how far the better side may lie from the target. */
    private static final double FINEST = 0.6;

    private final RunState run;
    private final Step step;
    private final StepRecord record;

    ReadingJudge(RunState run, Step step) {
        this.run = run;
        this.step = step;
        this.record = run.record(step.id());
    }

    /** Empty while it has not been read. */
    Optional<Judged> judged(Expect e) {
        if (step.cracks() && isGoal(e)) {
            return record.crackedEvent()
                    .map(c -> ReliefCheck.onlyHeard(run, step)
                            ? new Judged(
                                    e.instrument(),
                                    Grade.CANNOT_TELL,
                                    Reason.of("verdict.only-heard").name("gauge", e.instrument()))
                            : setting(e, ((Cracked) c.body()).pressurePa(), c));
        }
        return record.readingEvent(e.instrument()).map(r -> {
            if (!isGoal(e)) {
                return band(e, (Reading) r.body());
            }
            if (record.measure().isEmpty()) {
                return new Judged(e.instrument(), Grade.CANNOT_TELL, other(e));
            }
            if (step.judgesSetting()) {
                return setting(e, record.measure().orElseThrow(), r);
            }
            Optional<Reason> oil = step.goal().orElseThrow() instanceof Goal.Rate rate
                    ? outsideBand(r, new Amount(record.measure().orElseThrow(), rate.quantity()))
                    : Optional.empty();
            return oil.map(why -> new Judged(e.instrument(), Grade.CANNOT_TELL, why))
                    .orElseGet(() -> band(e, (Reading) r.body()));
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
        Optional<Reason> oil = outsideBand(event, new Amount(measured, Kind.PRESSURE));
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
        Optional<Reason> low = v.grade() == Grade.PASS && step.cracks()
                ? ReliefCheck.tooLow(run, step).map(stands -> low(stands, goal))
                : Optional.empty();
        return low.map(why -> new Judged(e.instrument(), Grade.FAIL, why))
                .orElseGet(() -> new Judged(e.instrument(), v.grade(), v.reason(gauge.rangePa())));
    }

    /** What was held is right, but the relief was turned past its crack. */
    private static Reason low(ReliefEstimate stands, Goal.Measured goal) {
        return Reason.of("verdict.relief-low")
                .pressure("stands", stands.settingPa())
                .pressure("low", stands.low())
                .pressure("high", stands.high())
                .pressure("target", goal.targetPa())
                .pressure("tolerance", goal.tolerancePa());
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
            // Through a load between pump and tank the signal stays drained while oil flows.
            double error = run.unit().testPoint(signal).errorPa();
            boolean flows = expected <= 2 * error
                    ? read <= expected + 2 * error
                    : read > SIGNAL_LEAST * expected && read < SIGNAL_MOST * expected;
            return flows
                    ? Optional.empty()
                    : Optional.of(Reason.of("verdict.no-flow")
                            .name("gauge", signal)
                            .pressure("signal", read)
                            .pressure("expected", expected));
        });
    }

    /** A setting counts only with the oil in its band: known, and not cold, and not hot. */
    private Optional<Reason> outsideBand(RunEvent event, Amount measured) {
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
                .with("measured", measured));
    }

    /**
     * Against the band of an expectation, the gauge's own error taken off where it passes and added where it fails. Where
     * the same gauge is read again for what follows, in a passing move, its error cancels.
     */
    private Judged band(Expect e, Reading r) {
        boolean passing = step.kind() == Step.Kind.START_POSITION && isGoal(e);
        double error = passing ? 0 : error(e);
        double wider = passing ? coarser(e) : 0;
        // Below an end at zero nothing can be read.
        double low = e.low() <= 0 ? Double.NEGATIVE_INFINITY : e.low() - wider;
        double high = e.high() + wider;
        boolean good = r.value() >= low + error && r.value() <= high - error;
        boolean bad = r.value() < low - error || r.value() > high + error;
        Grade grade = good ? Grade.PASS : bad ? Grade.FAIL : Grade.CANNOT_TELL;
        String code = good ? "verdict.in-band" : bad ? "verdict.out-of-band" : "verdict.edge-of-band";
        Reason message = Reason.of(code)
                .with("measured", new Amount(r.value(), e.kind()))
                .with("low", new Amount(e.low() - wider, e.kind()))
                .with("high", new Amount(high, e.kind()))
                .with("error", new Amount(error, e.kind()));
        Optional<Reason> warms =
                e.instrument().equals(Expect.OIL) ? Warming.left(run, step, r.value()) : Optional.empty();
        return new Judged(e.instrument(), grade, warms.orElse(message));
    }

    /**
     * Where a relief's crack is found at what this screw holds, and the screw proves coarser than its data said: by how
     * much the band grows so that one of its sixteenths lies in it, as far as a crack found there can still pass. Pa.
     */
    private double coarser(Expect e) {
        if (!(step.goal().orElseThrow() instanceof Goal.Measured goal)
                || step.setting().isEmpty()) {
            return 0;
        }
        double half = (e.high() - e.low()) / 2;
        double sixteenth = run.slope(step.setting().get()).perTurn() * NextTurn.SIXTEENTH;
        double passes = run.plan().steps().stream()
                .filter(Step::cracks)
                .flatMap(s -> s.measured().stream())
                .filter(c -> c.testPoint().equals(goal.testPoint()) && c.targetPa() == goal.targetPa())
                .mapToDouble(c -> c.tolerancePa() - error(e))
                .findFirst()
                .orElse(half);
        return Math.max(0, Math.min(FINEST * sixteenth, passes) - half);
    }

    private double error(Expect e) {
        boolean goal = step.goal()
                .filter(g -> g instanceof Goal.Rate && g.reads(e.instrument()))
                .isPresent();
        return switch (e.kind()) {
            case PRESSURE ->
                run.unit().findTestPoint(e.instrument()).map(TestPoint::errorPa).orElse(0.0);
            case FLOW -> error(run.unit(), e.instrument(), e.value());
            // The wide band of any other current has the clamp meter in it.
            case CURRENT -> goal ? error(run.unit(), e.instrument(), e.value()) : 0;
            default -> 0;
        };
    }

    /** By which a flow meter, or the clamp meter on a drive, may be wrong at a reading: m3/s, A. */
    static double error(PowerUnit unit, String instrument, double reads) {
        return unit.flowMeter(instrument)
                .map(Gear.FlowMeter::error)
                .or(() -> unit.meters().stream()
                        .filter(m -> m.kind() == Meter.Kind.CURRENT && m.of().equals(instrument))
                        .map(m -> m.accuracyClass() / 100 * m.range())
                        .findFirst())
                .orElse(CLAMP * reads);
    }
}
