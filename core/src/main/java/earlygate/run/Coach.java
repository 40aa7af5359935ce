package earlygate.run;

import earlygate.explain.Reason;
import earlygate.judge.ScrewModel;
import earlygate.judge.TurnAdvice;
import earlygate.judge.Verdict.Grade;
import earlygate.plan.Goal;
import earlygate.plan.Step;
import earlygate.run.StepRecord.Point;
import earlygate.unit.Screw;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;

/** The next turn, from what the run has read and turned so far. */
public final class Coach {
    /** Standard deviation of a change between two readings, as a fraction of full scale. */
    private static final double READING_NOISE = 0.002;

    /** Silent turns in a row after which the adjuster at hand doesn't have the gauge. */
    private static final int SILENT = 2;

    private static final double UNPROVEN = TurnAdvice.UNPROVEN_MOST;

    private final RunState run;
    private final Step step;
    private final Goal.Measured goal;
    private final StepRecord record;

    private Coach(RunState run, Step step, Goal.Measured goal) {
        this.run = run;
        this.step = step;
        this.goal = goal;
        this.record = run.record(step.id());
    }

    /**
     * @param turns clockwise positive; 0 when there is nothing to turn now
     * @param relock turns to set against the nut's drag once it is slack again; 0 where nothing was locked
     */
    public record Advice(double turns, Reason reason, double relock) {
        Advice(double turns, Reason reason) {
            this(turns, reason, 0);
        }
    }

    /** Empty for steps without an adjuster, and for a locked screw whose reading passes or is still to come. */
    public static Optional<Advice> advice(RunState run, Step step, Answers answers) {
        if (step.goal().isEmpty() || step.setting().isEmpty()) {
            return Optional.empty();
        }
        Goal goal = step.goal().get();
        if (goal instanceof Goal.Turned t) {
            StepRecord record = run.record(step.id());
            return Optional.of(t instanceof Goal.ToEnd end ? toTheEnd(record, end) : counted(record, t));
        }
        if (goal instanceof Goal.Rate rate) {
            return RateAdvice.next(run, step, rate);
        }
        boolean locks = step.kind() == Step.Kind.LOCK;
        if (goal instanceof Goal.Crack crack
                && !(locks && run.record(step.id()).cracked().isPresent())) {
            return CrackAdvice.next(run, step, crack);
        }
        Coach coach = new Coach(run, step, (Goal.Measured) goal);
        if (locks) {
            return coach.afterLocking();
        }
        return Optional.of(coach.toReading(answers.curve(step)));
    }

    private static Advice counted(StepRecord record, Goal.Turned goal) {
        double left = goal.turns() - record.turned();
        if (Math.abs(left) < TurnAdvice.STEP / 2) {
            return new Advice(0, Reason.of("advice.counted"));
        }
        Reason reason = Reason.of(left > 0 ? "advice.count-in" : "advice.count-out")
                .turns("turns", Math.abs(left))
                .turns("all", Math.abs(goal.turns()));
        return new Advice(left, reason);
    }

    /** The data only say about how far it is; the screw says when it is there. */
    private static Advice toTheEnd(StepRecord record, Goal.ToEnd goal) {
        double left = goal.turns() - record.turned();
        boolean on = Math.abs(left) >= TurnAdvice.STEP && Math.signum(left) == Math.signum(goal.turns());
        Reason reason = Reason.of(goal.inward() ? "advice.in-to-end" : "advice.out-to-end")
                .turns("turned", Math.abs(record.turned()));
        double next = on ? left : Math.copySign(TurnAdvice.STEP, goal.turns());
        return new Advice(record.touchedEnd() ? 0 : next, reason);
    }

    /** The nut drags: how far to set against it before it is tightened again. */
    private Optional<Advice> afterLocking() {
        boolean failed = new StepJudge(run, step)
                .judged().stream().anyMatch(j -> goal.reads(j.instrument()) && j.grade() != Grade.PASS);
        boolean cracked = run.plan().steps().stream()
                .anyMatch(s -> s.cracks() && s.setting().equals(step.setting()));
        boolean held = cracked && !step.readsItself() && !step.cracks();
        OptionalDouble left = new StepJudge(run, step).decisive();
        if (!failed || held || left.isEmpty()) {
            return Optional.empty();
        }
        double off = goal.targetPa() - left.getAsDouble();
        double turns = Math.round(off / model().slope() / TurnAdvice.STEP) * TurnAdvice.STEP;
        if (turns == 0) {
            turns = Math.copySign(TurnAdvice.STEP, off);
        }
        Reason reason = Reason.of(turns > 0 ? "advice.relock-in" : "advice.relock-out")
                .turns("turns", Math.abs(turns))
                .pressure("off", Math.abs(off));
        return Optional.of(new Advice(0, reason, turns));
    }

    private Advice toReading(Optional<GaugeCurve> curve) {
        OptionalDouble measure = record.measure();
        if (measure.isEmpty()) {
            String gauge = record.reading(goal.testPoint()).isEmpty()
                    ? goal.testPoint()
                    : goal.minus().orElse(goal.testPoint());
            return new Advice(0, Reason.of("advice.read-first").name("gauge", gauge));
        }
        double reading = measure.getAsDouble();
        boolean down = reading > goal.targetPa() + close();
        boolean up = reading < goal.targetPa() - close();
        if (curve.isPresent()
                && (down && curve.get().above(reading) || up && curve.get().below(reading))) {
            return silently(curve.get(), down);
        }
        if (silentTurns(curve) >= SILENT) {
            return lost(curve.flatMap(GaugeCurve::highHolder));
        }
        return of(TurnAdvice.next(new TurnAdvice.Case(
                reading,
                goal.targetPa(),
                close(),
                // A difference of two gauges has no limit of its own; the pump's line has, and stands far from it.
                goal instanceof Goal.Difference ? Double.POSITIVE_INFINITY : goal.limitPa(),
                error(),
                model(),
                doubled(curve),
                position().isPresent() && position().getAsDouble() < TurnAdvice.STEP / 2)));
    }

    private static Advice of(TurnAdvice next) {
        if (next instanceof TurnAdvice.Turn t) {
            return new Advice(t.turns(), t.reason());
        }
        Reason why = next instanceof TurnAdvice.Leave l
                ? l.reason()
                : next instanceof TurnAdvice.Finest f ? f.reason() : ((TurnAdvice.Stop) next).reason();
        return new Advice(0, why);
    }

    /**
     * Somebody else has the gauge here by the model, and the screw must come to where it takes it: no answer is expected
     * on the way. Only when it was turned further than even the gentlest slope would need, it has lost it.
     */
    private Advice silently(GaugeCurve curve, boolean down) {
        ScrewModel m = model();
        Screw screw = run.unit().setting(step.setting().orElseThrow()).screw();
        OptionalDouble position = position();
        double stands = position.isPresent()
                ? screw.minPa() + position.getAsDouble() * m.slope()
                : down ? screw.maxPa() : screw.minPa();
        double edge = down ? Math.min(curve.highEnd(), curve.to()) : Math.max(curve.lowEnd(), curve.from());
        double way = down ? stands - edge : edge - stands;
        double turned =
                Math.abs(record.points().stream().mapToDouble(Point::turns).sum());
        // From where the step began even the gentlest slope comes there in so many turns.
        double most = position.isPresent()
                ? Math.max(0, way + turned * m.slope()) / m.lower() + 1
                : screw.travel() * m.slope() / m.lower();
        if (turned > most) {
            return lost(down ? curve.highHolder() : curve.lowHolder());
        }
        // In one go only as far as even the steepest slope can't carry it past; then by quarters. Down may be bolder.
        double sure = Math.floor(Math.max(0, way) / m.upper() / UNPROVEN) * UNPROVEN;
        double turns = down && position.isPresent() ? Math.max(UNPROVEN, sure) : UNPROVEN;
        Reason reason = Reason.of(down ? "advice.silent-out" : "advice.silent-in")
                .name("holder", holder(down ? curve.highHolder() : curve.lowHolder()))
                .name("setting", step.setting().orElseThrow())
                .turns("about", Math.max(TurnAdvice.STEP, way / m.slope()));
        return new Advice(down ? -turns : turns, reason);
    }

    private Advice lost(Optional<String> holder) {
        return new Advice(
                0,
                Reason.of(holder.isPresent() ? "advice.no-answer" : "advice.no-answer-unknown")
                        .name("setting", step.setting().orElseThrow())
                        .name("gauge", goal.testPoint())
                        .name("holder", holder(holder)));
    }

    private static String holder(Optional<String> id) {
        return id.orElse("");
    }

    /** How many of the last turns the gauge did not answer although by the model it had to. */
    private int silentTurns(Optional<GaugeCurve> curve) {
        List<Point> points = record.points();
        double noise = READING_NOISE * run.unit().testPoint(goal.testPoint()).rangePa();
        int silent = 0;
        for (int i = points.size() - 1; i > 0; i--) {
            Point p = points.get(i);
            double before = points.get(i - 1).measure();
            boolean excused = curve.isPresent()
                    && (curve.get().above(before) || curve.get().below(before));
            if (p.turns() == 0) {
                continue;
            }
            if (excused || !model().silent(p.turns(), p.measure() - before, noise)) {
                return silent;
            }
            silent++;
        }
        return silent;
    }

    /** Twice the last turn that the gauge answered; unlimited by that before the first, when a quarter is the most. */
    private double doubled(Optional<GaugeCurve> curve) {
        List<Point> points = record.points();
        for (int i = points.size() - 1; i > 0; i--) {
            double turns = Math.abs(points.get(i).turns());
            if (turns != 0) {
                double before = points.get(i - 1).measure();
                boolean own = curve.isEmpty()
                        || !curve.get().above(before) && !curve.get().below(before);
                // An answer begun under another limiter says nothing of the next one.
                return own ? 2 * turns : UNPROVEN;
            }
        }
        return model().proven() ? Double.POSITIVE_INFINITY : UNPROVEN;
    }

    private ScrewModel model() {
        return run.screw(step.setting().orElseThrow());
    }

    private OptionalDouble position() {
        return run.position(step.setting().orElseThrow());
    }

    private double error() {
        return run.unit().testPoint(goal.testPoint()).errorPa()
                + goal.minus().map(m -> run.unit().testPoint(m).errorPa()).orElse(0.0);
    }

    /**
     * Well inside what passes for sure, so that the nut's drag and a few degrees of oil don't carry it out again; but no
     * finer than half a sixteenth of a turn can do, nor where the gauge can't tell anyway.
     */
    private double close() {
        if (!step.judgesSetting()) {
            return goal.tolerancePa();
        }
        double passes = goal.tolerancePa() - error();
        if (passes <= 0.1 * goal.tolerancePa()) {
            return goal.tolerancePa() / 4;
        }
        return Math.min(passes, Math.max(passes / 2, 0.55 * model().slope() * TurnAdvice.STEP));
    }
}
