package earlygate.planner.script;

import static earlygate.explain.Reason.of;

import earlygate.plan.Procedure;
import earlygate.plan.Step.Demand;
import earlygate.plan.Step.Kind;
import earlygate.solve.SteadyState;
import earlygate.unit.Positioned;
import earlygate.unit.PowerUnit;
import earlygate.unit.Pump;
import earlygate.unit.Situation;
import earlygate.unit.TestPoint;
import earlygate.verify.BothWaysTest;
import java.util.List;
import java.util.Optional;

/**
 * The lever to one side and to the other with the actuator held: where the model has the same limit both ways, the pump's
 * gauge must show it. A difference points to a port relief or a shuttle, not to the compensator.
 */
final class BothWays {
    /** So near by the model, as a share, they are the same limit. */
    private static final double SAME = 0.01;

    private final Site site;
    private final PowerUnit unit;

    BothWays(Site site) {
        this.site = site;
        this.unit = site.unit();
    }

    /** @param set running, levers at rest, loads shut */
    void write(Situation set) {
        for (Positioned lever : unit.all(Positioned.class)) {
            List<String> ways = lever.moved();
            unit.all(Pump.class).stream()
                    .flatMap(p -> site.finest(p.outlet()).stream())
                    .filter(g -> ways.size() == 2 && same(set, lever, ways, g))
                    .findFirst()
                    .ifPresent(g -> {
                        ways.forEach(to -> read(set, lever, to, g));
                        OnTime.rest(site);
                    });
        }
    }

    private boolean same(Situation set, Positioned lever, List<String> ways, TestPoint gauge) {
        Optional<Double> one = limit(set.withPosition(lever.id(), ways.get(0)), gauge);
        Optional<Double> other = limit(set.withPosition(lever.id(), ways.get(1)), gauge);
        return one.isPresent()
                && other.isPresent()
                && Math.abs(one.get() - other.get()) < SAME * Math.max(one.get(), other.get());
    }

    /** What a relief or a compensator holds the gauge at. */
    private Optional<Double> limit(Situation held, TestPoint gauge) {
        Rehearsal m = site.rehearsal();
        Optional<SteadyState> state = m.solved(held).filter(m::safe);
        return state.filter(s -> s.limiterOf(gauge.line())
                        .filter(id -> unit.setting(id).limitsPressure())
                        .isPresent())
                .map(s -> s.pressure(gauge.line()));
    }

    private void read(Situation set, Positioned lever, String to, TestPoint gauge) {
        site.hold(set, set.withPosition(lever.id(), to));
        double tolerance = site.rehearsal()
                .state
                .flatMap(s -> s.limiterOf(gauge.line()))
                .flatMap(unit::target)
                .map(t -> t.tolerancePa())
                .orElse(BothWaysTest.WITHIN * site.readings().of(gauge));
        site.script()
                .step(
                        Kind.TEST,
                        of("plan.both-ways")
                                .name("lever", lever.id())
                                .name("position", lever.word(to))
                                .name("gauge", gauge.id()))
                .why(of("plan.why.both-ways").ratio("within", BothWaysTest.WITHIN))
                .test(Procedure.Kind.BOTH_WAYS, lever.id())
                .demand(Demand.BOTH_WAYS)
                .moves(lever.id())
                .expect(site.readings().pressure(gauge, tolerance))
                .ifNot(of("plan.if-not.both-ways"))
                .caution("injection", "loads")
                .onTime(site.drivers())
                .minutes(1)
                .add();
    }
}
