package earlygate.planner.script;

import static earlygate.explain.Reason.of;

import earlygate.explain.Reason;
import earlygate.plan.Procedure;
import earlygate.plan.Step.Demand;
import earlygate.plan.Step.Kind;
import earlygate.solve.SteadyState;
import earlygate.unit.Positioned;
import earlygate.unit.PowerUnit;
import earlygate.unit.Setting;
import earlygate.unit.Situation;
import earlygate.unit.Target;
import earlygate.unit.TestPoint;
import earlygate.unit.Throttle;
import earlygate.verify.ReturnTest;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/**
 * Where a limiter holds a gauge with nothing drawn, it comes back to the same place each time: let go by the load, by
 * the lever behind which it has the gauge, or by the drive.
 */
final class Returns {
    private final Site site;
    private final PowerUnit unit;
    private final Set<String> read = new HashSet<>();

    Returns(Site site) {
        this.site = site;
        this.unit = site.unit();
    }

    /** @param set running, levers at rest, loads shut */
    void write(Situation set) {
        Situation shut = site.loads(set, 0);
        at(shut).forEach(found -> {
            site.rehearsal().go(site.running(shut));
            byLoad(found.target(), found.gauge());
            OnTime.rest(site);
        });
        for (Positioned lever : unit.all(Positioned.class)) {
            for (String to : lever.moved()) {
                Situation held = shut.withPosition(lever.id(), to);
                at(held).forEach(found -> {
                    byLever(found, lever, to, shut, held);
                    OnTime.rest(site);
                });
            }
        }
    }

    private record Found(Target target, TestPoint gauge) {}

    /** Settings that have a gauge there and were not read yet, each on the gauge that is nearest to it. */
    private List<Found> at(Situation way) {
        Optional<SteadyState> state = site.rehearsal().solved(way).filter(site.rehearsal()::safe);
        return unit.targets().stream()
                .filter(t -> holds(unit.setting(t.setting())))
                .flatMap(t -> state.stream()
                        .flatMap(s -> unit.testPoints().stream()
                                .filter(g -> s.limiterOf(g.line()).equals(Optional.of(t.setting()))))
                        .min(Comparator.comparing((TestPoint g) -> !g.line()
                                        .equals(unit.setting(t.setting()).line()))
                                .thenComparingDouble(TestPoint::errorPa))
                        .map(g -> new Found(t, g))
                        .stream())
                .filter(f -> read.add(f.target().setting()))
                .toList();
    }

    private static boolean holds(Setting s) {
        return s.limitsPressure() && s.kind() != Setting.Kind.UNLOADING;
    }

    private void byLoad(Target t, TestPoint gauge) {
        double aim = site.readings().of(gauge);
        for (int i = 1; i <= ReturnTest.TIMES; i++) {
            List<Throttle> loads = site.loadsOn(gauge.line());
            Reason letGo = loads.isEmpty()
                    ? of("plan.drive-moved").name("motor", Site.names(site.drivers()))
                    : of("plan.load-moved").name("throttle", Site.names(loads));
            site.script()
                    .step(Kind.CHECK, letGo.number("time", i).number("times", ReturnTest.TIMES))
                    .why(of("plan.why.load-moved"))
                    .demand(Demand.LOAD_MOVED)
                    .caution("injection")
                    .onTime(site.drivers())
                    .add();
            reading(t, gauge, aim, i, of("plan.return")).add();
        }
    }

    private void byLever(Found found, Positioned lever, String to, Situation rest, Situation held) {
        Rehearsal m = site.rehearsal();
        site.hold(rest, held);
        double aim = site.readings().of(found.gauge());
        for (int i = 1; i <= ReturnTest.TIMES; i++) {
            if (i > 1) {
                m.go(rest);
                site.script()
                        .step(
                                Kind.CHECK,
                                of("plan.lever-let-go")
                                        .name("lever", lever.id())
                                        .name("rest", lever.word(lever.rest()))
                                        .name("gauge", found.gauge().id()))
                        .why(of("plan.why.load-moved"))
                        .demand(Demand.LOAD_MOVED)
                        .moves(lever.id())
                        .caution("loads")
                        .add();
                m.go(held);
            }
            Reason read = of("plan.return-lever").name("lever", lever.id()).name("position", lever.word(to));
            reading(found.target(), found.gauge(), aim, i, read)
                    .moves(lever.id())
                    .caution("loads")
                    .add();
        }
        m.go(rest);
    }

    private Script.Writer reading(Target t, TestPoint gauge, double aim, int time, Reason said) {
        return site.script()
                .step(
                        Kind.TEST,
                        said.number("time", time)
                                .number("times", ReturnTest.TIMES)
                                .name("gauge", gauge.id()))
                .why(of("plan.why.return").ratio("within", ReturnTest.WITHIN))
                .setting(t.setting())
                .tool("")
                .test(Procedure.Kind.RETURN, t.setting())
                .demand(Demand.RETURN)
                .expect(site.readings().around(gauge, aim, t.tolerancePa()))
                .expect(time == 1 ? site.readings().currents() : List.of())
                .ifNot(of("plan.if-not.does-not-return"))
                .caution("injection")
                .onTime(site.drivers())
                .minutes(1);
    }
}
