package earlygate.planner.script;

import static earlygate.explain.Reason.of;

import earlygate.plan.Expect;
import earlygate.plan.Goal;
import earlygate.plan.Step.Kind;
import earlygate.unit.PowerUnit;
import earlygate.unit.Screw;
import earlygate.unit.Setting;
import earlygate.unit.TestPoint;
import java.util.List;

/** The moves that every leg is made of: valves put in place, a screw moved out of the way, a nut tightened. */
final class Moves {
    private final Site site;
    private final PowerUnit unit;
    private final Script script;
    private final Readings readings;

    Moves(Site site) {
        this.site = site;
        this.unit = site.unit();
        this.script = site.script();
        this.readings = site.readings();
    }

    void move(Setting s, double to, String code, String why, TestPoint gauge) {
        Rehearsal m = site.rehearsal();
        double turns = turnsTo(s, to);
        boolean end = to >= s.screw().maxPa();
        m.go(m.situation.withSetting(s.id(), to));
        script.step(Kind.START_POSITION, of(code).name("setting", s.id()).turns("turns", turns))
                .why(of(why).name("setting", s.id()))
                .setting(s.id())
                .goal(
                        end
                                ? new Goal.ToEnd(gauge.id(), readings.of(gauge), limit(gauge), turns)
                                : new Goal.CountTurns(gauge.id(), readings.of(gauge), limit(gauge), turns))
                .ifNot(of("plan.if-not.keeps-rising").name("compensator", s.id()))
                .caution("injection", "adjuster-only")
                .minutes(2)
                .add();
    }

    void lockStep(String setting, Goal goal, List<Expect> expect) {
        boolean cap = unit.capped(setting);
        script.step(Kind.LOCK, of(cap ? "plan.lock-cap" : "plan.lock").name("setting", setting))
                .why(of("plan.why.lock"))
                .setting(setting)
                .goal(goal)
                .expect(expect)
                .ifNot(of("plan.if-not.lock-moved").name("setting", setting))
                .caution("injection")
                .onTime(site.drivers())
                .minutes(3)
                .add();
    }

    double limit(TestPoint gauge) {
        return unit.weakest(gauge.line()).pressurePa();
    }

    double turnsTo(Setting s, double to) {
        Screw screw = s.screw();
        return Site.sixteenths((to - site.rehearsal().situation.settings().get(s.id())) / screw.paPerTurn());
    }
}
