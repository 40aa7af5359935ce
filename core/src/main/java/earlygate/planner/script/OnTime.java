package earlygate.planner.script;

import static earlygate.explain.Reason.of;

import earlygate.plan.Step.Demand;
import earlygate.plan.Step.Kind;
import earlygate.unit.DcMotor;

/** A battery motor may be on for so long in so long: each stretch of running is followed by its rest. */
final class OnTime {
    private OnTime() {}

    /** Writes the rest of every such motor that runs now; nothing for other drives. */
    static void rest(Site site) {
        Rehearsal m = site.rehearsal();
        for (DcMotor d : site.unit().all(DcMotor.class)) {
            if (m.situation.drivers().get(d.id()).running()) {
                m.go(m.situation.withDriver(d.id(), false));
                site.script()
                        .step(Kind.CHECK, of("plan.rest").name("motor", d.id()).time("time", d.cycle() - d.onTime()))
                        .why(of("plan.why.rest").time("on", d.onTime()).time("cycle", d.cycle()))
                        .moves(d.id())
                        .demand(Demand.REST)
                        .does("pass", d.id(), d.cycle() - d.onTime())
                        .minutes((d.cycle() - d.onTime()) / 60)
                        .add();
            }
        }
    }
}
