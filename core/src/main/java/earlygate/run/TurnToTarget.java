package earlygate.run;

import static earlygate.judge.NextTurn.SIXTEENTH;

import earlygate.explain.Reason;
import earlygate.judge.NextTurn;
import earlygate.judge.Slope;
import earlygate.plan.Goal;
import earlygate.plan.Step;
import earlygate.run.Coach.Advice;
import earlygate.unit.PowerUnit;
import earlygate.unit.Screw;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;

/**
 * The next turn of a screw that is brought to a reading: by what its turns and readings say ({@link NextTurn}) where it
 * has the gauge; where another limiter has it by the model, silently as far as is sure. A setting is come to from below:
 * the last turn that was made goes in.
 */
final class TurnToTarget {
    private static final double UNPROVEN = 4 * SIXTEENTH;

    private final RunState run;
    private final Step step;
    private final Goal.Measured goal;
    private final ModelCache answers;
    private final Optional<GaugeCurve> curve;
    private final String setting;
    private final TurnHistory history;
    private final Slope slope;

    TurnToTarget(RunState run, Step step, Goal.Measured goal, ModelCache answers) {
        this.run = run;
        this.step = step;
        this.goal = goal;
        this.answers = answers;
        curve = answers.curve(step);
        setting = step.setting().orElseThrow();
        history = run.screws().history(step);
        slope = run.screws().slope(setting, goal);
    }

    Advice next() {
        StepRecord record = run.record(step.id());
        OptionalDouble measure = record.measure();
        if (measure.isEmpty() || history.isEmpty()) {
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
        List<NextTurn.Reading> own = history.own(curve);
        if (own.isEmpty()) {
            own = List.of(new NextTurn.Reading(0, reading));
        }
        NextTurn next = answers.next(ask(own, aim()));
        boolean outward = next instanceof NextTurn.Turn t && t.turns() < 0;
        if (outward && step.judgesSetting() && reading > goal.targetPa()) {
            // Below it, so that the last turn comes up from there.
            next = answers.next(ask(own, aim() - 2 * close()));
        }
        return said(next, reading, own);
    }

    private Advice said(NextTurn next, double reading, List<NextTurn.Reading> own) {
        if (next instanceof NextTurn.NoGauge) {
            return lost();
        }
        if (next instanceof NextTurn.Turn t) {
            return turn(t, reading, own);
        }
        if (next instanceof NextTurn.Stop) {
            return new Advice(0, reason("advice.limit", reading, own).pressure("limit", goal.limitPa()));
        }
        boolean fromAbove = history.lastTurn() < 0;
        if (fromAbove && step.judgesSetting() && !allOut()) {
            // Where it stands the spring may still hang: out past it, and in again.
            Slope now = now(own);
            double below =
                    Math.ceil(Math.max(SIXTEENTH, (reading - goal.targetPa() + close()) / now.perTurn()) / SIXTEENTH)
                            * SIXTEENTH;
            return new Advice(-below, reason("advice.from-above", reading, own).turns("turns", below));
        }
        return next instanceof NextTurn.Finest
                ? new Advice(
                        0, reason("advice.finest", reading, own).pressure("sixteenth", now(own).perTurn() * SIXTEENTH))
                : new Advice(0, reason("advice.leave", reading, own));
    }

    private Advice turn(NextTurn.Turn t, double reading, List<NextTurn.Reading> own) {
        if (t.turns() == 0) {
            return new Advice(0, reason("advice.read-again", reading, own).name("gauge", goal.testPoint()));
        }
        if (t.turns() < 0 && allOut()) {
            return new Advice(0, reason("advice.all-out", reading, own));
        }
        return new Advice(
                t.turns(),
                reason(t.turns() > 0 ? "advice.in" : "advice.out", reading, own)
                        .turns("turns", Math.abs(t.turns()))
                        .pressure("expected", t.value())
                        .pressure("low", t.low())
                        .pressure("high", t.high()));
    }

    private Reason reason(String code, double reading, List<NextTurn.Reading> own) {
        Slope now = now(own);
        return Reason.of(code)
                .pressure("reading", reading)
                .pressure("target", goal.targetPa())
                .pressure("slope", now.perTurn())
                .pressure("slopeError", 2 * now.sd());
    }

    private Slope now(List<NextTurn.Reading> own) {
        return own.size() > 1 ? answers.learned(ask(own, aim())) : slope;
    }

    /** The target, set against the drag of the nut as far as that passes for sure. */
    private double aim() {
        double drag = step.judgesSetting() ? run.screws().drag(setting) * slope.perTurn() : 0;
        return goal.targetPa() - Math.max(-close() / 2, Math.min(close() / 2, drag));
    }

    private NextTurn.Ask ask(List<NextTurn.Reading> own, double target) {
        Screw screw = screw();
        double more = run.screws().more(step);
        // A difference of two gauges has no limit of its own; the pump's line has, and stands far from it.
        boolean limited = !(goal instanceof Goal.Difference) && Double.isFinite(goal.limitPa());
        return new NextTurn.Ask(
                screw.paPerTurn(),
                screw.minPa() + more,
                screw.maxPa() + more,
                own,
                target,
                goal.tolerancePa(),
                close(),
                range(),
                0,
                0,
                limited ? OptionalDouble.of(goal.limitPa() - error()) : OptionalDouble.empty(),
                slope,
                Math.max(1, 2 * Math.abs(history.lastTurn())));
    }

    /**
     * Somebody else has the gauge here by the model, and the screw must come to where it takes it: no answer is expected
     * on the way. Only when it was turned further than even the gentlest slope would need, it has lost it.
     */
    private Advice silently(GaugeCurve curve, boolean down) {
        Screw screw = screw();
        OptionalDouble position = run.position(setting);
        double stands = position.isPresent()
                ? screw.minPa() + position.getAsDouble() * slope.perTurn()
                : down ? screw.maxPa() : screw.minPa();
        double edge = down ? Math.min(curve.highEnd(), curve.to()) : Math.max(curve.lowEnd(), curve.from());
        double way = down ? stands - edge : edge - stands;
        double turned = Math.abs(history.turned());
        // From where the step began even the gentlest slope comes there in so many turns.
        double most = position.isPresent()
                ? Math.max(0, way + turned * slope.perTurn()) / slope.lower() + 1
                : screw.travel() * slope.perTurn() / slope.lower();
        if (turned > most) {
            return lost();
        }
        // In one go only as far as even the steepest slope can't carry it past; then by quarters. Down may be bolder.
        double sure = Math.floor(Math.max(0, way) / slope.upper() / UNPROVEN) * UNPROVEN;
        double turns = down && position.isPresent() ? Math.max(UNPROVEN, sure) : UNPROVEN;
        Reason reason = Reason.of(down ? "advice.silent-out" : "advice.silent-in")
                .name("holder", (down ? curve.highHolder() : curve.lowHolder()).orElse(""))
                .name("setting", setting)
                .turns("about", Math.max(SIXTEENTH, way / slope.perTurn()));
        return new Advice(down ? -turns : turns, reason);
    }

    private Advice lost() {
        Optional<String> holder = WhoHas.of(run, step, true).flatMap(WhoHas::setting);
        return new Advice(
                0,
                Reason.of(holder.isPresent() ? "advice.no-answer" : "advice.no-answer-unknown")
                        .name("setting", setting)
                        .name("gauge", goal.testPoint())
                        .name("holder", holder.orElse("")),
                0,
                true);
    }

    private boolean allOut() {
        OptionalDouble position = run.position(setting);
        return position.isPresent() && position.getAsDouble() < SIXTEENTH / 2;
    }

    private Screw screw() {
        return run.unit().setting(setting).screw();
    }

    private double range() {
        PowerUnit unit = run.unit();
        return unit.testPoint(goal.testPoint()).rangePa()
                + goal.minus().map(m -> unit.testPoint(m).rangePa()).orElse(0.0);
    }

    private double error() {
        PowerUnit unit = run.unit();
        return unit.testPoint(goal.testPoint()).errorPa()
                + goal.minus().map(m -> unit.testPoint(m).errorPa()).orElse(0.0);
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
        return Math.min(passes, Math.max(passes / 2, 0.55 * slope.perTurn() * SIXTEENTH));
    }
}
