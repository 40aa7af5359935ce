package earlygate.planner.script;

import static earlygate.explain.Reason.of;
import static earlygate.quantity.Si.BAR;

import earlygate.gauge.Arrangement;
import earlygate.plan.Goal;
import earlygate.plan.Note;
import earlygate.plan.School;
import earlygate.plan.Step.Kind;
import earlygate.planner.search.Course;
import earlygate.unit.Engine;
import earlygate.unit.PowerUnit;
import earlygate.unit.Pump;
import earlygate.unit.Setting;
import earlygate.unit.Situation;
import earlygate.unit.Target;
import earlygate.unit.TestPoint;

/**
 * A main relief found by its crack while the compensated pump holds the line without flow: pump proved low, relief out of
 * the way (in one go or following in stages), pump up to the relief's target, relief out until it just passes.
 */
final class CrackRoute {
    private final Site site;
    private final PowerUnit unit;
    private final Script script;
    private final Readings readings;
    private final School school;
    private final Moves moves;

    CrackRoute(Site site, School school, Moves moves) {
        this.site = site;
        this.unit = site.unit();
        this.script = site.script();
        this.readings = site.readings();
        this.school = school;
        this.moves = moves;
    }

    /** Writes the leg; {@link Rehearsal#refuse} where the pump can't reach. */
    void write(Course.Leg leg, Pump pump) {
        Target t = leg.target();
        Rehearsal m = site.rehearsal();
        Setting compensator = unit.setting(pump.compensatorId());
        Setting relief = unit.setting(t.setting());
        if (compensator.screw().maxPa() < leg.setting()) {
            m.refuse(
                    "never-has-the-gauge",
                    relief.id(),
                    of("plan.refused.reach")
                            .name("relief", relief.id())
                            .name("compensator", compensator.id())
                            .pressure("target", leg.setting())
                            .pressure("max", compensator.screw().maxPa()));
            return;
        }
        TestPoint gauge = leg.shown().gauges().get(0);
        site.rehearsal().go(deadhead(leg, compensator, relief));
        double proved = PumpProof.write(site, gauge, compensator, relief);
        if (school == School.SIDE_BY_SIDE) {
            inStages(leg, gauge, compensator, relief);
        }
        reliefIn(gauge, compensator, relief, proved);
        compensatorUp(leg, gauge, compensator, relief);
        crack(leg, gauge, compensator, relief);
    }

    /** Valves as they must stand for the compensator to hold this line without flow. */
    private Situation deadhead(Course.Leg leg, Setting compensator, Setting relief) {
        Situation up = site.running(site.rehearsal().situation)
                .withSetting(compensator.id(), leg.setting())
                .withSetting(relief.id(), relief.screw().maxPa());
        return site.search()
                .find(compensator.id(), up, none -> false)
                .map(Arrangement::situation)
                .orElse(up);
    }

    private void inStages(Course.Leg leg, TestPoint gauge, Setting compensator, Setting relief) {
        Rehearsal m = site.rehearsal();
        for (double share : new double[] {0.25, 0.5, 0.75}) {
            double aim = share * leg.setting();
            double above = relief.screw().clamp(aim + 0.15 * leg.setting());
            if (above > m.situation.settings().get(relief.id())) {
                moves.move(relief, above, "plan.relief-follows", "plan.why.raise", gauge);
            }
            m.go(m.situation.withSetting(
                    compensator.id(), Math.max(aim, compensator.screw().minPa())));
            m.proveOvershoot(compensator.id(), aim);
            script.step(
                            Kind.START_POSITION,
                            of("plan.stage")
                                    .name("compensator", compensator.id())
                                    .ratio("share", share)
                                    .pressure("target", readings.of(gauge)))
                    .why(of("plan.why.stage"))
                    .setting(compensator.id())
                    .goal(new Goal.OnGauge(gauge.id(), readings.of(gauge), 10 * BAR, moves.limit(gauge)))
                    .expect(readings.pressure(gauge, 10 * BAR))
                    .ifNot(of("plan.if-not.stands-still").name("relief", relief.id()))
                    .caution("injection", "adjuster-only")
                    .minutes(4)
                    .add();
            script.step(Kind.CHECK, of("plan.leak-walk"))
                    .why(of("plan.why.leak-walk"))
                    .note(Note.LEAKS)
                    .caution("injection")
                    .minutes(2)
                    .add();
        }
    }

    private void reliefIn(TestPoint gauge, Setting compensator, Setting relief, double band) {
        Rehearsal m = site.rehearsal();
        double turns = moves.turnsTo(relief, relief.screw().maxPa());
        m.go(m.situation.withSetting(relief.id(), relief.screw().maxPa()));
        script.step(Kind.START_POSITION, of("plan.relief-in").name("relief", relief.id()))
                .why(of("plan.why.relief-in").name("relief", relief.id()).turns("turns", turns))
                .setting(relief.id())
                .goal(new Goal.ToEnd(gauge.id(), readings.of(gauge), moves.limit(gauge), turns))
                .expect(readings.pressure(gauge, band))
                .ifNot(of("plan.if-not.relief-moves-gauge")
                        .name("relief", relief.id())
                        .name("compensator", compensator.id()))
                .unprotected(m.alone(compensator.id()))
                .caution("adjuster-only")
                .minutes(2)
                .add();
    }

    private void compensatorUp(Course.Leg leg, TestPoint gauge, Setting compensator, Setting relief) {
        Rehearsal m = site.rehearsal();
        double near = near(leg.target(), gauge, compensator);
        m.go(m.situation.withSetting(compensator.id(), leg.setting()));
        m.proveOvershoot(compensator.id(), leg.setting());
        script.step(
                        Kind.START_POSITION,
                        of("plan.compensator-up")
                                .name("compensator", compensator.id())
                                .name("relief", relief.id())
                                .pressure("target", leg.setting()))
                .why(of("plan.why.compensator-up").name("relief", relief.id()))
                .setting(compensator.id())
                .goal(new Goal.OnGauge(gauge.id(), leg.setting(), near, moves.limit(gauge)))
                .expect(readings.around(gauge, leg.setting(), near))
                .ifNot(
                        of("plan.if-not.stands-still").name("relief", relief.id()),
                        of("plan.if-not.value-not-passed"),
                        of("plan.if-not.no-pressure"))
                .unprotected(m.alone(compensator.id()))
                .caution("injection", "adjuster-only", "hot")
                .people(2)
                .minutes(8)
                .add();
    }

    /**
     * How near to the relief's target the pump must hold the line, Pa: a crack is found at what the pump holds, so that
     * it can pass there; half a sixteenth of a turn where the hand is coarser than that.
     */
    private static double near(Target t, TestPoint gauge, Setting compensator) {
        double twice = t.tolerancePa() - 2 * gauge.errorPa();
        double hand = 0.5 * compensator.screw().paPerTurn() / 16 + 0.3 * BAR;
        double passes = t.tolerancePa() - gauge.errorPa() - 0.2 * BAR;
        return Math.max(0.3 * BAR, Math.min(Math.max(twice, hand), passes));
    }

    private void crack(Course.Leg leg, TestPoint gauge, Setting compensator, Setting relief) {
        Rehearsal m = site.rehearsal();
        Target t = leg.target();
        boolean alone = m.alone(compensator.id());
        boolean engine = site.drivers().stream().allMatch(d -> d instanceof Engine);
        m.go(m.situation.withSetting(relief.id(), leg.setting()));
        m.proveOvershoot(relief.id(), leg.setting());
        Goal goal = new Goal.Crack(gauge.id(), leg.setting(), t.tolerancePa(), moves.limit(gauge));
        script.step(
                        Kind.SET,
                        of("plan.relief-crack")
                                .name("relief", relief.id())
                                .name("compensator", compensator.id())
                                .pressure("target", leg.setting()))
                .why(of(engine ? "plan.why.relief-crack-engine" : "plan.why.relief-crack")
                        .name("relief", relief.id())
                        .name("compensator", compensator.id())
                        .pressure("target", leg.setting()))
                .setting(relief.id())
                .goal(goal)
                .expect(readings.around(gauge, leg.setting(), t.tolerancePa()))
                .ifNot(
                        of("plan.if-not.never-falls").name("relief", relief.id()),
                        of("plan.if-not.falls-early").name("relief", relief.id()))
                .unprotected(alone)
                .caution("injection", "thread")
                .people(2)
                .minutes(8)
                .add();
        new ReliefProof(site, moves).write(leg, gauge, compensator, relief);
    }
}
