package earlygate.audit;

import earlygate.audit.Violation.Point;
import earlygate.explain.Reason;
import earlygate.plan.Expect;
import earlygate.plan.Move;
import earlygate.plan.Step;
import earlygate.unit.Driver;
import earlygate.unit.TestPoint;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;

/** No gauge beyond its range, no setting judged below what its gauge can tell, no drive and no gauge left out. */
final class GaugeFitsReading implements Check {
    @Override
    public List<Violation> of(Replay replay) {
        List<Violation> found = new ArrayList<>();
        Set<String> started = new HashSet<>();
        Set<String> stopped = new HashSet<>();
        Set<String> proved = new HashSet<>();
        for (Replay.ReplayedStep s : replay.steps()) {
            for (TestPoint g : replay.unit.testPoints()) {
                s.state()
                        .filter(x -> x.pressure(g.line()) > g.rangePa() * (1 + 1e-6))
                        .ifPresent(x -> found.add(new Violation(
                                Point.ON_THE_DIAL,
                                s.step().id(),
                                Reason.of("audit.off-the-dial")
                                        .name("gauge", g.id())
                                        .pressure("pressure", x.pressure(g.line()))
                                        .pressure("range", g.rangePa()))));
            }
            below(replay, s, found);
            for (Move m : s.step().moves()) {
                if (m.kind() == Move.Kind.START) {
                    started.add(m.id());
                }
            }
            s.step().does().stream()
                    .filter(d -> d.action().equals("lock-out") && d.to() > 0.5)
                    .forEach(d -> stopped.add(d.part()));
            if (s.step().demands(Step.Demand.ZERO)) {
                s.step().expect().forEach(e -> proved.add(e.instrument()));
            }
        }
        String last = replay.steps().get(replay.steps().size() - 1).step().id();
        for (Driver d : replay.unit.all(Driver.class)) {
            if (!started.contains(d.id()) || !stopped.contains(d.id())) {
                found.add(new Violation(
                        Point.ON_THE_DIAL, last, Reason.of("audit.left-out").name("part", d.id())));
            }
        }
        for (TestPoint g : replay.unit.testPoints()) {
            if (!proved.contains(g.id())) {
                found.add(new Violation(
                        Point.ON_THE_DIAL, last, Reason.of("audit.left-out").name("part", g.id())));
            }
        }
        return found;
    }

    private static void below(Replay replay, Replay.ReplayedStep s, List<Violation> found) {
        if (!s.step().judgesSetting()) {
            return;
        }
        for (Expect e : s.step().expect()) {
            replay.unit
                    .findTestPoint(e.instrument())
                    .filter(g -> s.step().goal().orElseThrow().testPoint().equals(g.id()))
                    .filter(g -> e.value() < g.errorPa())
                    .ifPresent(g -> found.add(new Violation(
                            Point.ON_THE_DIAL,
                            s.step().id(),
                            Reason.of("audit.too-small-to-tell")
                                    .name("gauge", g.id())
                                    .pressure("value", e.value())
                                    .pressure("error", g.errorPa()))));
        }
    }
}
