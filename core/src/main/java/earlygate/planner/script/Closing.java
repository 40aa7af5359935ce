package earlygate.planner.script;

import static earlygate.explain.Reason.of;

import earlygate.plan.Expect;
import earlygate.plan.Move;
import earlygate.plan.Note;
import earlygate.plan.Phase;
import earlygate.plan.Procedure;
import earlygate.plan.Step.Kind;
import earlygate.unit.PowerUnit;
import earlygate.unit.Pump;
import earlygate.unit.Situation;
import earlygate.unit.TestPoint;
import earlygate.unit.Throttle;

/** Phases 8 and 9: the tests after locking, and handing over. */
public final class Closing {
    private final Site site;
    private final PowerUnit unit;
    private final Script script;
    private final Readings readings;

    public Closing(Site site) {
        this.site = site;
        this.unit = site.unit();
        this.script = site.script();
        this.readings = site.readings();
    }

    public void verify() {
        script.phase(Phase.Id.VERIFY);
        Rehearsal m = site.rehearsal();
        Situation set = site.running(site.loads(m.situation, 0)).centred(unit).allBlocked();
        for (Throttle t : site.handValves()) {
            set = set.withOpening(t.id(), 0);
        }
        new Returns(site).write(set);
        new BothWays(site).write(set);
        new VentTest(site).write(set);
        new Curves(site).write(set);
        for (Pump p : unit.all(Pump.class)) {
            if (p.loadSense().isPresent()) {
                Standby.write(site, p, set);
                Stall.write(site, p, set);
            }
        }
        new Transfer(site).write(set);
        new BranchTest(site).write(set);
        new Cycle(site).write();
        new WorkingPoints(site).write(set);
        new Rates(site, new Moves(site)).read();
        set = set.withGearOf(m.situation.withGearOpen(0));
        m.go(site.stopped(set));
        script.step(Kind.TEST, of("plan.temperature"))
                .why(of("plan.why.temperature"))
                .test(Procedure.Kind.TEMPERATURE, Expect.OIL)
                .expect(readings.oilInBand())
                .ifNot(of("plan.if-not.hot"))
                .add();
        new HoldTest(site).write(set);
    }

    public void handOver() {
        script.phase(Phase.Id.HAND_OVER);
        Rehearsal m = site.rehearsal();
        m.go(site.stopped(m.situation));
        Script.Writer stop = script.step(Kind.CHECK, of("plan.stop-all").name("motor", Site.names(site.drivers())))
                .why(of("plan.why.stop-all"));
        site.drivers().forEach(d -> stop.does("lock-out", d.id(), 1));
        stop.moves(site.drivers()).caution("lock-out").minutes(2).add();
        DepressuriseSteps.afterRunning(site);
        DepressuriseSteps.proveZero(site, "plan.prove-zero-again");
        GearFitting.takeOff(site);
        GearFitting.takeMetersOff(site);
        for (TestPoint gauge : unit.testPoints()) {
            script.step(Kind.RESTORE, of("plan.remove-gear").name("gauge", gauge.id()))
                    .why(of("plan.why.remove-gear"))
                    .handles(Move.of(Move.Kind.REMOVE, gauge.id()))
                    .caution("rated-parts")
                    .minutes(3)
                    .add();
        }
        script.step(Kind.RESTORE, of("plan.tag"))
                .why(of("plan.why.tag"))
                .note(Note.NEXT_CHECK)
                .minutes(5)
                .add();
    }
}
