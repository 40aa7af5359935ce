package earlygate.planner.script;

import static earlygate.explain.Reason.of;
import static earlygate.quantity.Si.BAR;

import earlygate.explain.Reason;
import earlygate.plan.Expect;
import earlygate.plan.Procedure;
import earlygate.plan.Step.Kind;
import earlygate.unit.Line;
import earlygate.unit.PowerUnit;
import earlygate.unit.ReducingValve;
import earlygate.unit.Situation;
import earlygate.unit.Target;
import earlygate.unit.TestPoint;
import earlygate.unit.Throttle;
import earlygate.unit.Work;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/** A reduced branch stands still: at the highest supply, at the lowest that still feeds it, and while oil is taken. */
final class BranchTest {
    /** So much above its setting the supply must be at least for the branch to be held. */
    private static final double ABOVE = 0.2;

    private static final double LEAST_ABOVE = 15 * BAR;
    private static final double NEAR = 0.05;
    /** Of what the valve is rated for, where no work says what is taken. */
    private static final double TAKEN = 0.2;
    /** Nothing is left of a branch that falls below this share of its setting while oil is taken. */
    private static final double STANDS = 0.75;

    private final Site site;
    private final PowerUnit unit;

    BranchTest(Site site) {
        this.site = site;
        this.unit = site.unit();
    }

    /** @param set running, levers at rest, loads shut */
    void write(Situation set) {
        for (ReducingValve v : unit.all(ReducingValve.class)) {
            site.finest(v.outlet()).ifPresent(gauge -> {
                highest(v, gauge, set);
                lowest(v, gauge, set);
                withFlow(v, gauge, set);
                OnTime.rest(site);
                site.rehearsal().go(set);
            });
        }
    }

    private void highest(ReducingValve v, TestPoint gauge, Situation set) {
        site.rehearsal().go(set);
        List<Throttle> loads = site.loadsOn(v.inlet());
        Reason stands = loads.isEmpty()
                ? of("plan.branch-still")
                : of("plan.branch-stands").name("throttle", Site.names(loads));
        step(v, gauge, stands, "plan.why.branch-stands")
                .expect(stands(v, gauge))
                .add();
    }

    /** The lowest supply that leaves the valve something to reduce. */
    private void lowest(ReducingValve v, TestPoint gauge, Situation set) {
        double setting = setting(v, set);
        double supply = Math.max(setting * (1 + ABOVE), setting + LEAST_ABOVE);
        Optional<TestPoint> above = site.finest(v.inlet());
        for (Throttle load : site.loadsOn(v.inlet())) {
            Optional<Situation> at = above.filter(g -> load.b().equals(Line.TANK))
                    .flatMap(g -> Opening.at(site, load, set, g, supply))
                    .filter(s -> held(v, gauge, s));
            if (at.isPresent()) {
                site.rehearsal().go(at.get());
                Reason opened = of("plan.branch-lowest")
                        .name("throttle", load.id())
                        .name("supply", above.get().id())
                        .pressure("pressure", site.readings().of(above.get()));
                step(v, gauge, opened, "plan.why.branch-lowest")
                        .moves(load.id())
                        .expect(site.readings().pressure(above.get(), NEAR * supply))
                        .expect(stands(v, gauge))
                        .caution("hot")
                        .add();
                return;
            }
        }
    }

    /** About what the work takes; it may droop by what the model says. */
    private void withFlow(ReducingValve v, TestPoint gauge, Situation set) {
        double asked = unit.work().stream()
                .filter(w -> w.line().equals(v.outlet()))
                .map(Work::flow)
                .max(Comparator.naturalOrder())
                .orElse(TAKEN * v.ratedFlow());
        for (Throttle load : site.loadsOn(v.outlet())) {
            double setting = setting(v, set);
            double open = asked / (load.ratedFlow() * Math.sqrt(setting / load.ratedDrop()));
            double wholePercent = Math.max(0.01, Math.min(1, Math.round(100 * open) / 100.0));
            Situation at = set.withOpening(load.id(), wholePercent);
            if (load.b().equals(Line.TANK) && held(v, gauge, at)) {
                site.rehearsal().go(at);
                double flow = site.rehearsal()
                        .state
                        .map(s -> Math.abs(s.flow(load.id())))
                        .orElse(0.0);
                Reason taken = of("plan.branch-flow")
                        .name("throttle", load.id())
                        .ratio("opening", wholePercent)
                        .flow("flow", flow);
                step(v, gauge, taken, "plan.why.branch-flow")
                        .moves(load.id())
                        .expect(stands(v, gauge))
                        .caution("hot")
                        .add();
                return;
            }
        }
    }

    private boolean held(ReducingValve v, TestPoint gauge, Situation at) {
        Rehearsal m = site.rehearsal();
        return m.solved(at)
                .filter(m::safe)
                .filter(s -> s.limiterOf(v.outlet()).equals(Optional.of(v.id())))
                .filter(s -> s.pressure(gauge.line()) > STANDS * setting(v, at))
                .isPresent();
    }

    private double setting(ReducingValve v, Situation at) {
        return site.unit().at(at).setting(v.id());
    }

    private Expect stands(ReducingValve v, TestPoint gauge) {
        return site.readings()
                .pressure(gauge, unit.target(v.id()).map(Target::tolerancePa).orElse(2 * BAR));
    }

    private Script.Writer step(ReducingValve v, TestPoint gauge, Reason said, String why) {
        return site.script()
                .step(Kind.TEST, said.name("setting", v.id()).name("gauge", gauge.id()))
                .why(of(why).name("setting", v.id()))
                .test(Procedure.Kind.BRANCH, v.id())
                .ifNot(of("plan.if-not.creeps"))
                .caution("injection")
                .onTime(site.drivers())
                .minutes(3);
    }
}
