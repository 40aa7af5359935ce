package earlygate.planner.script;

import static earlygate.explain.Reason.of;

import earlygate.explain.Reason;
import earlygate.plan.Procedure;
import earlygate.plan.Step.Kind;
import earlygate.solve.SteadyState;
import earlygate.unit.Cylinder;
import earlygate.unit.Line;
import earlygate.unit.PowerUnit;
import earlygate.unit.Situation;
import earlygate.unit.TestPoint;
import earlygate.unit.Throttle;
import earlygate.unit.UnloadingValve;
import java.util.List;
import java.util.Optional;

/** High-low pumps on either side of the transfer: what flows, what the drive takes, and what sending one pump home saves. */
final class Transfer {
    /** Of the setting: where both pumps surely deliver, and where one surely goes home. */
    private static final double BELOW = 0.8;

    private static final double ABOVE = 1.2;
    /** Band around the pressure that the load is opened to. */
    private static final double NEAR = 0.05;
    /** Of what it delivered against, so little is left at the pump that was sent home. */
    private static final double AT_HOME = 0.5;

    private final Site site;
    private final PowerUnit unit;

    Transfer(Site site) {
        this.site = site;
        this.unit = site.unit();
    }

    private record Side(Situation at, SteadyState state) {}

    /** @param set running, levers at rest, loads shut */
    void write(Situation set) {
        unit.all(UnloadingValve.class).stream()
                .filter(v -> v.differential().isEmpty() && !v.pilot().equals(v.inlet()))
                .forEach(v -> write(v, set));
    }

    private void write(UnloadingValve v, Situation set) {
        Optional<TestPoint> gauge = site.finest(v.pilot());
        double setting = site.unit().at(set).setting(v.id());
        for (Throttle load : site.loadsOn(v.pilot())) {
            Optional<Side> below = gauge.flatMap(g -> side(load, set, g, BELOW * setting));
            Optional<Side> above = gauge.flatMap(g -> side(load, set, g, ABOVE * setting));
            if (load.b().equals(Line.TANK)
                    && below.isPresent()
                    && above.isPresent()
                    && goesHome(v, below.get().state(), above.get().state())) {
                read(v, load, gauge.get(), below.get(), above.get());
                OnTime.rest(site);
                site.rehearsal().go(set);
                return;
            }
        }
    }

    private Optional<Side> side(Throttle load, Situation set, TestPoint gauge, double pressurePa) {
        return Opening.at(site, load, set, gauge, pressurePa)
                .flatMap(s -> site.rehearsal().solved(s).map(state -> new Side(s, state)));
    }

    private static boolean goesHome(UnloadingValve v, SteadyState below, SteadyState above) {
        return below.flow(v.id()) <= 0
                && above.flow(v.id()) > 0
                && above.pressure(v.inlet()) < AT_HOME * below.pressure(v.inlet());
    }

    private void read(UnloadingValve v, Throttle load, TestPoint gauge, Side below, Side above) {
        Reason flows = of("plan.why.transfer")
                .flow("before", Math.abs(below.state().flow(load.id())))
                .flow("after", Math.abs(above.state().flow(load.id())))
                .power("powerBefore", below.state().shaftPower())
                .power("powerAfter", above.state().shaftPower())
                .power("both", withoutTransfer(v, load, gauge, above));
        step(v, load, gauge, below, "plan.transfer-below", flows);
        step(v, load, gauge, above, "plan.transfer-above", flows);
    }

    private void step(UnloadingValve v, Throttle load, TestPoint gauge, Side side, String sentence, Reason why) {
        site.rehearsal().go(side.at());
        double reads = side.state().pressure(gauge.line());
        List<TestPoint> other = site.finest(v.inlet()).stream().toList();
        site.script()
                .step(
                        Kind.TEST,
                        of(sentence)
                                .name("throttle", load.id())
                                .name("gauge", gauge.id())
                                .pressure("pressure", reads)
                                .name("pump", Charging.pumpOf(unit, v))
                                .name("setting", v.id())
                                .name("motor", Site.names(site.drivers())))
                .why(speed(gauge.line(), load, side)
                        .map(s -> why.said("speed", s))
                        .orElse(why.said("speed", List.of())))
                .test(Procedure.Kind.TRANSFER, v.id())
                .moves(load.id())
                .expect(site.readings().opened(gauge, load, NEAR))
                .expect(other.stream().map(g -> site.readings().roughly(g)).toList())
                .expect(site.readings().currents())
                .ifNot(of("plan.if-not.transfer").name("setting", v.id()))
                .caution("injection", "hot")
                .onTime(site.drivers())
                .minutes(1)
                .add();
    }

    /** What the shaft would have to give if the valve stayed shut at that pressure. */
    private double withoutTransfer(UnloadingValve v, Throttle load, TestPoint gauge, Side above) {
        Situation shut = above.at().withSetting(v.id(), v.screw().maxPa());
        double pressure = above.state().pressure(gauge.line());
        return Opening.until(site, load, shut, gauge.line(), pressure)
                .flatMap(o -> site.rehearsal().solved(shut.withOpening(load.id(), o)))
                .map(SteadyState::shaftPower)
                .orElse(0.0);
    }

    /** How fast the one cylinder on the line would go. */
    private Optional<Reason> speed(String line, Throttle load, Side side) {
        List<Cylinder> on = unit.all(Cylinder.class).stream()
                .filter(c -> c.cap().equals(line))
                .toList();
        return on.size() != 1
                ? Optional.empty()
                : Optional.of(of("part.speed")
                        .name("part", on.get(0).id())
                        .number(
                                "speed",
                                1000
                                        * Math.abs(side.state().flow(load.id()))
                                        / on.get(0).capArea()));
    }
}
