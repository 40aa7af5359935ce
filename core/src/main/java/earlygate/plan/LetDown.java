package earlygate.plan;

import static earlygate.explain.Reason.of;

import earlygate.circuit.DirectionalValve;
import earlygate.circuit.PowerUnit;
import earlygate.circuit.Section;
import earlygate.circuit.Situation;
import earlygate.circuit.TestPoint;
import earlygate.circuit.Throttle;
import earlygate.plan.Step.Demand;
import earlygate.plan.Step.Kind;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;

/**
 * Pressure let out of every line with the drives off: hand valves open, every lever worked through its positions so that
 * work ports and signal lines fall too; then zero is proved on each gauge.
 */
final class LetDown {
    private LetDown() {}

    static void write(Bench bench) {
        Machine m = bench.machine();
        PowerUnit unit = bench.unit();
        Situation open = bench.stopped(m.situation);
        for (Throttle t : bench.handValves()) {
            open = open.withOpening(t.id(), 1);
        }
        m.go(open);
        bench.draft().arrange(Set.of());
        int most =
                levers(unit).stream().mapToInt(l -> l.positions().size()).max().orElse(0);
        for (int i = 0; i < most; i++) {
            Situation s = m.situation;
            for (Lever l : levers(unit)) {
                s = s.withPosition(
                        l.id(), l.positions().get(Math.min(i, l.positions().size() - 1)));
            }
            m.go(s);
            bench.draft().arrange(Set.of());
        }
        m.go(m.situation.centred(unit));
        bench.draft().arrange(Set.of());
    }

    static void proveZero(Bench bench, String code) {
        for (TestPoint gauge : bench.unit().testPoints()) {
            bench.draft()
                    .step(Kind.TEST, of(code).name("gauge", gauge.id()).name("line", gauge.line()))
                    .why(of("plan.why.prove-zero"))
                    .demand(Demand.ZERO)
                    .expect(bench.readings().zero(gauge))
                    .ifNot(of("plan.if-not.pressure-left"))
                    .caution("injection", "stored-pressure")
                    .minutes(2)
                    .add();
        }
    }

    /** @param positions those in which it doesn't rest */
    private record Lever(String id, List<String> positions) {}

    private static List<Lever> levers(PowerUnit unit) {
        List<Lever> levers = new ArrayList<>();
        for (DirectionalValve v : unit.all(DirectionalValve.class)) {
            levers.add(new Lever(
                    v.id(),
                    v.positions().keySet().stream()
                            .filter(p -> !p.equals(v.start()))
                            .toList()));
        }
        for (Section x : unit.all(Section.class)) {
            levers.add(new Lever(x.id(), Section.POSITIONS.subList(1, Section.POSITIONS.size())));
        }
        return levers.stream().filter(l -> !l.positions().isEmpty()).toList();
    }
}
