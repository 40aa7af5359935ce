package earlygate.planner.script;

import static earlygate.explain.Reason.of;

import earlygate.plan.Step.Kind;
import earlygate.unit.Situation;
import java.util.LinkedHashSet;
import java.util.Set;

/** Test gear goes on and comes off with the drives stopped and every line empty, and stays shut on the line until hand-over. */
final class GearFitting {
    private GearFitting() {}

    /** Writes the fitting of what a situation needs and the machine hasn't got yet; nothing where all is there. */
    static void before(Site site, Situation there) {
        Rehearsal m = site.rehearsal();
        boolean fitted = there.gear().entrySet().stream().allMatch(e -> {
            Situation.Between has = m.situation.gear().get(e.getKey());
            return has != null && has.a().equals(e.getValue().a());
        });
        fitted &= there.metered().entrySet().stream()
                .allMatch(e -> e.getValue().equals(m.situation.metered().get(e.getKey())));
        if (fitted) {
            return;
        }
        Situation before = m.situation;
        m.go(site.stopped(m.situation));
        lock(site, "plan.lock-to-fit", 1)
                .moves(site.drivers())
                .caution("lock-out")
                .minutes(2)
                .add();
        DepressuriseSteps.afterRunning(site);
        DepressuriseSteps.proveZero(site, "plan.prove-zero-to-fit");
        Situation s = m.situation;
        for (var e : there.gear().entrySet()) {
            s = s.withGear(
                    e.getKey(),
                    new Situation.Between(e.getValue().a(), e.getValue().b(), 0));
        }
        for (var e : there.metered().entrySet()) {
            s = s.withMeter(e.getKey(), e.getValue());
        }
        m.go(s);
        site.script().arrange(Set.of());
        lock(site, "plan.unlock-fitted", 0).caution("rated-parts").add();
        // The drives go on again with the gear shut and everything else as it was.
        m.go(site.running(before).withGearOf(s));
    }

    private static Script.Writer lock(Site site, String code, int on) {
        Script.Writer step = site.script()
                .step(Kind.CHECK, of(code).name("motor", Site.names(site.drivers())))
                .why(of("plan.why.lock-out"));
        site.drivers().forEach(d -> step.does("lock-out", d.id(), on));
        return step;
    }

    /** With the lines proved empty. */
    static void takeOff(Site site) {
        Rehearsal m = site.rehearsal();
        Set<String> fitted = new LinkedHashSet<>(m.situation.metered().keySet());
        fitted.addAll(m.situation.gear().keySet());
        for (String id : fitted) {
            m.go(m.situation.withoutGear(id));
            site.script()
                    .step(Kind.RESTORE, of("plan.take-off").name("gear", id))
                    .why(of("plan.why.remove-gear"))
                    .moves(id)
                    .caution("rated-parts")
                    .minutes(3)
                    .add();
        }
    }

    static void takeMetersOff(Site site) {
        for (String place : site.rehearsal().metersAt) {
            site.script()
                    .step(Kind.RESTORE, of("plan.meter-off").name("metered", place))
                    .why(of("plan.why.remove-gear"))
                    .caution("rated-parts")
                    .minutes(2)
                    .add();
        }
    }
}
