package earlygate.planner;

import static earlygate.explain.Reason.of;

import earlygate.plan.Step.Demand;
import earlygate.plan.Step.Kind;
import earlygate.unit.Positioned;
import earlygate.unit.PowerUnit;
import earlygate.unit.Situation;
import earlygate.unit.TestPoint;
import earlygate.unit.Throttle;
import java.util.List;
import java.util.Set;

/**
 * Pressure let out of every line with the drives off: hand valves open, every lever worked through its positions so that
 * work ports and signal lines fall too; then zero is proved on each gauge.
 */
final class LetDown {
    private LetDown() {}

    static void write(Site site) {
        Rehearsal m = site.rehearsal();
        PowerUnit unit = site.unit();
        Situation open = site.stopped(m.situation);
        for (Throttle t : site.handValves()) {
            open = open.withOpening(t.id(), 1);
        }
        m.go(open);
        site.script().arrange(Set.of());
        List<Positioned> levers = unit.all(Positioned.class).stream()
                .filter(v -> !v.moved().isEmpty())
                .toList();
        int most = levers.stream().mapToInt(v -> v.moved().size()).max().orElse(0);
        for (int i = 0; i < most; i++) {
            Situation s = m.situation;
            for (Positioned v : levers) {
                s = s.withPosition(v.id(), v.moved().get(Math.min(i, v.moved().size() - 1)));
            }
            m.go(s);
            site.script().arrange(Set.of());
        }
        m.go(m.situation.centred(unit));
        site.script().arrange(Set.of());
    }

    static void proveZero(Site site, String code) {
        for (TestPoint gauge : site.unit().testPoints()) {
            site.script()
                    .step(Kind.TEST, of(code).name("gauge", gauge.id()).name("line", gauge.line()))
                    .why(of("plan.why.prove-zero"))
                    .demand(Demand.ZERO)
                    .expect(site.readings().zero(gauge))
                    .ifNot(of("plan.if-not.pressure-left"))
                    .caution("injection", "stored-pressure")
                    .minutes(2)
                    .add();
        }
    }
}
