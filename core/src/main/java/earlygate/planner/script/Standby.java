package earlygate.planner.script;

import static earlygate.explain.Reason.of;

import earlygate.plan.Procedure;
import earlygate.plan.Step.Kind;
import earlygate.unit.PowerUnit;
import earlygate.unit.Pump;
import earlygate.unit.Situation;
import earlygate.unit.Target;
import java.util.Set;

/** What a load-sense pump holds with its signal drained: the offset of every reading at its gauge. */
final class Standby {
    private Standby() {}

    /** Written where the pump has a gauge; nothing where it has none. */
    static void write(Site site, Pump p, Situation set) {
        PowerUnit unit = site.unit();
        Script script = site.script();
        Readings readings = site.readings();
        site.rehearsal().go(set.centred(unit));
        unit.gaugesOn(p.outlet()).stream()
                .findFirst()
                .ifPresent(gauge -> script.step(Kind.TEST, of("plan.standby").name("gauge", gauge.id()))
                        .why(of("plan.why.standby"))
                        .test(Procedure.Kind.STANDBY, p.id())
                        .expect(readings.pressure(
                                gauge,
                                unit.target(p.loadSenseId())
                                        .map(Target::tolerancePa)
                                        .orElse(2e5)))
                        .ifNot(of("plan.if-not.signal-trapped"))
                        .caution("injection")
                        .minutes(2)
                        .add());
    }

    /** Read before the first port relief, whose reading at the pump it shifts; only of margins that are set. */
    static void beforePortReliefs(Site site, Set<String> done) {
        PowerUnit unit = site.unit();
        Situation drained = site.loads(site.rehearsal().situation, 0).centred(unit);
        unit.all(Pump.class).stream()
                .filter(p -> p.loadSense().isPresent() && done.contains(p.loadSenseId()))
                .forEach(p -> write(site, p, site.running(drained)));
    }
}
