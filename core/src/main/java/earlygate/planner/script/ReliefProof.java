package earlygate.planner.script;

import static earlygate.explain.Reason.of;
import static earlygate.quantity.Si.BAR;

import earlygate.explain.Reason;
import earlygate.explain.Value;
import earlygate.plan.Expect;
import earlygate.plan.Goal;
import earlygate.plan.Step.Kind;
import earlygate.planner.search.Course;
import earlygate.solve.SteadyState;
import earlygate.unit.Engine;
import earlygate.unit.PowerUnit;
import earlygate.unit.Setting;
import earlygate.unit.Situation;
import earlygate.unit.Target;
import earlygate.unit.TestPoint;
import java.util.List;
import java.util.Optional;

/**
 * The proof of a relief under a compensator, once its crack is found: locked and read where it has the gauge itself, or,
 * where motor or ratings forbid that, its crack found once more after locking.
 */
final class ReliefProof {
    /** Of what the relief is moved by, the reading follows at least so much when the relief has it. */
    private static final double FOLLOWS = 0.5;

    private static final double MOST_OVER = 30 * BAR;
    /** What a crack that was turned past may have left of the relief's setting, and how far a screw may be too far in. */
    private static final double LOW = 0.8;

    private static final double PAST = 0.05;
    /** From so far below a locked relief the pump comes up to it again: enough to feel how its screw answers there. */
    private static final double BELOW = 0.08;

    private final Site site;
    private final PowerUnit unit;
    private final Script script;
    private final Readings readings;
    private final Moves moves;

    ReliefProof(Site site, Moves moves) {
        this.site = site;
        this.unit = site.unit();
        this.script = site.script();
        this.readings = site.readings();
        this.moves = moves;
    }

    /**
     * While the pump holds the line its gauge can't see the relief: with the pump raised until the gauge stops following,
     * the relief has it, and is locked and read there.
     */
    void write(Course.Leg leg, TestPoint gauge, Setting compensator, Setting relief) {
        Rehearsal m = site.rehearsal();
        Target t = leg.target();
        Optional<Double> above = above(gauge, compensator, relief);
        if (above.isEmpty()) {
            again(leg, gauge, compensator, relief);
            return;
        }
        double turns = moves.turnsTo(compensator, above.get());
        m.go(m.situation.withSetting(compensator.id(), above.get()));
        double reads = readings.of(gauge);
        script.step(
                        Kind.START_POSITION,
                        of("plan.prove-relief")
                                .name("compensator", compensator.id())
                                .name("gauge", gauge.id())
                                .turns("turns", turns))
                .why(of("plan.why.prove-relief").name("relief", relief.id()).name("compensator", compensator.id()))
                .setting(compensator.id())
                .goal(new Goal.CountTurns(gauge.id(), reads, moves.limit(gauge), turns))
                .expect(standsSomewhere(gauge, reads))
                .ifNot(of("plan.if-not.keeps-rising").name("compensator", compensator.id()))
                .unprotected(m.alone(compensator.id()))
                .caution("injection", "adjuster-only", "hot")
                .fullFlow()
                .people(2)
                .minutes(2)
                .add();
        Goal again = new Goal.OnGauge(gauge.id(), reads, t.tolerancePa(), moves.limit(gauge));
        moves.lockStep(t.setting(), again, List.of(readings.around(gauge, reads, t.tolerancePa())));
    }

    /** Where the relief really stands is told by its own step, the next: a crack is easily turned past. */
    private static Expect standsSomewhere(TestPoint gauge, double reads) {
        return new Expect(gauge.id(), Value.Kind.PRESSURE, reads, LOW * reads, reads * (1 + PAST) + gauge.errorPa());
    }

    /** The least compensator setting, Pa, at which the relief decides the gauge, no rating and no motor passed. */
    private Optional<Double> above(TestPoint gauge, Setting compensator, Setting relief) {
        Rehearsal m = site.rehearsal();
        double crack = m.situation.settings().get(relief.id());
        double by = 2 * gauge.errorPa() + 0.1 * BAR;
        for (double over = 2 * BAR; over <= MOST_OVER; over += 0.5 * BAR) {
            double to = crack + over;
            if (to > compensator.screw().maxPa()) {
                return Optional.empty();
            }
            Situation s = m.situation.withSetting(compensator.id(), to);
            Optional<SteadyState> at = m.solved(s).filter(m::safe);
            if (at.isEmpty()) {
                return Optional.empty();
            }
            Optional<SteadyState> up = m.solved(s.withSetting(relief.id(), crack + by));
            Optional<SteadyState> down = m.solved(s.withSetting(relief.id(), crack - by));
            double now = at.get().pressure(gauge.line());
            boolean follows = up.isPresent()
                    && down.isPresent()
                    && up.get().pressure(gauge.line()) - now > FOLLOWS * by
                    && now - down.get().pressure(gauge.line()) > FOLLOWS * by;
            if (follows) {
                return Optional.of(to);
            }
        }
        return Optional.empty();
    }

    /**
     * The nut is tightened with the pump well below; coming up again the gauge follows its screw one to one until the
     * relief begins to pass: from there on it gets behind, and the current climbs.
     */
    private void again(Course.Leg leg, TestPoint gauge, Setting compensator, Setting relief) {
        Rehearsal m = site.rehearsal();
        Target t = leg.target();
        double hold = m.situation.settings().get(compensator.id());
        double perStep = compensator.screw().paPerTurn() / 16;
        double way = Math.max(BELOW * leg.setting(), 4 * gauge.errorPa());
        double down = Math.ceil(way / perStep) * perStep;
        if (hold - down < compensator.screw().minPa()) {
            m.refuse(
                    "relief-not-proved",
                    relief.id(),
                    of("plan.refused.not-proved").name("relief", relief.id()).name("compensator", compensator.id()));
            return;
        }
        m.go(m.situation.withSetting(compensator.id(), hold - down));
        double turns = down / compensator.screw().paPerTurn();
        script.step(
                        Kind.START_POSITION,
                        of("plan.below-relief")
                                .name("compensator", compensator.id())
                                .name("gauge", gauge.id())
                                .turns("turns", turns)
                                .pressure("reads", readings.of(gauge)))
                .why(of("plan.why.below-relief").name("relief", relief.id()).name("compensator", compensator.id()))
                .setting(compensator.id())
                .goal(new Goal.CountTurns(gauge.id(), readings.of(gauge), moves.limit(gauge), -turns))
                .expect(readings.pressure(gauge, down / 2))
                .ifNot(of("plan.if-not.stands-still").name("relief", relief.id()))
                .caution("injection", "adjuster-only")
                .minutes(2)
                .add();
        m.go(m.situation.withSetting(compensator.id(), hold));
        boolean engine = site.drivers().stream().allMatch(d -> d instanceof Engine);
        Reason why = of(engine ? "plan.why.lock-crack-engine" : "plan.why.lock-crack")
                .name("relief", relief.id())
                .name("compensator", compensator.id());
        script.step(
                        Kind.LOCK,
                        of("plan.lock-crack")
                                .name("relief", relief.id())
                                .name("compensator", compensator.id())
                                .pressure("target", leg.setting()))
                .why(why)
                .setting(relief.id())
                .goal(new Goal.Crack(gauge.id(), leg.setting(), t.tolerancePa(), moves.limit(gauge)))
                .expect(readings.around(gauge, leg.setting(), t.tolerancePa()))
                .ifNot(
                        of("plan.if-not.lock-moved").name("setting", relief.id()),
                        of("plan.if-not.follows-on").name("relief", relief.id()))
                .unprotected(m.alone(compensator.id()))
                .caution("injection", "adjuster-only")
                .people(2)
                .minutes(6)
                .add();
    }
}
