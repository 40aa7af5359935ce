package earlygate.planner.script;

import static earlygate.explain.Reason.of;

import earlygate.gauge.Arrangement;
import earlygate.plan.Step.Kind;
import earlygate.unit.PowerUnit;
import earlygate.unit.Pump;
import earlygate.unit.Target;
import earlygate.unit.TestPoint;
import java.util.Optional;
import java.util.Set;

/** The cut-off is read again after the margin was set. */
final class CutOffAgain {
    private final Site site;
    private final Moves moves;
    private final Aim aims;

    CutOffAgain(Site site, Moves moves, Aim aims) {
        this.site = site;
        this.moves = moves;
        this.aims = aims;
    }

    /** The two screws sit side by side: what was touched last may have moved the other. */
    void write(Pump pump, Set<String> done) {
        PowerUnit unit = site.unit();
        Script script = site.script();
        Readings readings = site.readings();
        String compensator = pump.compensatorId();
        Rehearsal m = site.rehearsal();
        Optional<Target> target = unit.target(compensator);
        Optional<Arrangement> again = target.flatMap(t -> site.search()
                .find(
                        compensator,
                        m.situation,
                        id -> !done.contains(id) && unit.setting(id).limitsPressure()));
        if (again.isEmpty() || again.get().gauges().isEmpty()) {
            return;
        }
        TestPoint gauge = again.get().gauges().get(0);
        again.get().lifted().forEach((other, to) -> {
            if (m.situation.settings().get(other) < to - 1) {
                moves.move(unit.setting(other), to, "plan.raise", "plan.why.raise", gauge);
            }
        });
        m.go(again.get().situation());
        double aim = aims.at(target.get(), gauge);
        script.step(
                        Kind.TEST,
                        of("plan.cut-off-again")
                                .name("compensator", compensator)
                                .name("gauge", gauge.id()))
                .why(of("plan.why.cut-off-again").name("compensator", compensator))
                .expect(readings.around(gauge, aim, target.get().tolerancePa()))
                .ifNot(of("plan.if-not.does-not-return"))
                .caution("injection")
                .minutes(2)
                .add();
    }
}
