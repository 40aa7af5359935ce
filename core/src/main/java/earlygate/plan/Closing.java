package earlygate.plan;

import static earlygate.explain.Reason.of;

import earlygate.circuit.Line;
import earlygate.circuit.PowerUnit;
import earlygate.circuit.Pump;
import earlygate.circuit.ReducingValve;
import earlygate.circuit.Setting;
import earlygate.circuit.Situation;
import earlygate.circuit.Target;
import earlygate.circuit.TestPoint;
import earlygate.circuit.Throttle;
import earlygate.circuit.UnloadingValve;
import earlygate.circuit.Work;
import earlygate.plan.Step.Kind;
import earlygate.reach.Reach;
import earlygate.solve.SteadyState;
import earlygate.verify.ReturnTest;
import java.util.Optional;

/** Phases 8 and 9: the tests after locking, and handing over. */
final class Closing {
    private final Bench bench;
    private final PowerUnit unit;
    private final Draft draft;
    private final Readings readings;

    Closing(Bench bench) {
        this.bench = bench;
        this.unit = bench.unit();
        this.draft = bench.draft();
        this.readings = bench.readings();
    }

    void verify() {
        draft.phase(Phase.Id.VERIFY);
        Machine m = bench.machine();
        Situation set = bench.loads(m.situation, 0);
        atDeadhead(set);
        unit.all(Pump.class).stream().filter(p -> p.loadSense().isPresent()).forEach(p -> standby(p, set));
        unit.all(ReducingValve.class).forEach(v -> branch(v, set));
        unit.all(UnloadingValve.class).stream()
                .filter(v -> v.differential().isPresent())
                .forEach(this::cutIn);
        unit.work().forEach(w -> workingPoint(w, set));
        m.go(set);
        draft.step(Kind.TEST, of("plan.temperature"))
                .why(of("plan.why.temperature"))
                .expect(readings.oilInBand())
                .ifNot(of("plan.if-not.hot"))
                .add();
        draft.step(Kind.CHECK, of("plan.hold"))
                .why(of("plan.why.hold"))
                .ifNot(of("plan.if-not.falls"))
                .minutes(3)
                .add();
    }

    /** The lowest limiter of the pump line comes back to the same place each time the load is shut. */
    private void atDeadhead(Situation set) {
        Machine m = bench.machine();
        for (TestPoint gauge : unit.testPoints()) {
            for (Target t : unit.targets()) {
                Optional<Reach> reach = bench.reaching().find(t.setting(), set, none -> false);
                boolean direct = reach.isPresent()
                        && reach.get().situation().positions().equals(set.positions())
                        && reach.get().gauges().contains(gauge)
                        && unit.setting(t.setting()).kind() != Setting.Kind.LOAD_SENSE
                        && bench.load().a().equals(gauge.line());
                if (direct) {
                    m.go(bench.loads(reach.get().situation(), 0));
                    returns(t, gauge);
                    return;
                }
            }
        }
    }

    private void returns(Target t, TestPoint gauge) {
        double aim = readings.of(gauge);
        for (int i = 1; i <= ReturnTest.TIMES; i++) {
            draft.step(
                            Kind.TEST,
                            of("plan.return")
                                    .number("time", i)
                                    .number("times", ReturnTest.TIMES)
                                    .name("throttle", bench.load().id())
                                    .name("gauge", gauge.id()))
                    .why(of("plan.why.return").ratio("within", ReturnTest.WITHIN))
                    .setting(t.setting())
                    .tool("")
                    .expect(readings.around(gauge, aim, t.tolerancePa()))
                    .ifNot(of("plan.if-not.does-not-return"))
                    .caution("injection")
                    .onTime(bench.drivers())
                    .minutes(1)
                    .add();
        }
    }

    private void standby(Pump p, Situation set) {
        bench.machine().go(set.centred(unit));
        unit.gaugesOn(p.outlet()).stream()
                .findFirst()
                .ifPresent(gauge -> draft.step(Kind.TEST, of("plan.standby").name("gauge", gauge.id()))
                        .why(of("plan.why.standby"))
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

    private void branch(ReducingValve v, Situation set) {
        bench.machine().go(set);
        unit.gaugesOn(v.outlet()).stream()
                .findFirst()
                .ifPresent(gauge -> draft.step(
                                Kind.TEST,
                                of("plan.branch-stands")
                                        .name("setting", v.id())
                                        .name("gauge", gauge.id())
                                        .name("throttle", bench.load().id()))
                        .why(of("plan.why.branch-stands"))
                        .expect(readings.pressure(
                                gauge,
                                unit.target(v.id()).map(Target::tolerancePa).orElse(2e5)))
                        .ifNot(of("plan.if-not.creeps"))
                        .caution("injection")
                        .minutes(3)
                        .add());
    }

    private void cutIn(UnloadingValve v) {
        Machine m = bench.machine();
        double cutOut = m.situation.settings().getOrDefault(v.id(), v.settingPa());
        double cutIn = cutOut * (1 - v.differential().orElseThrow());
        m.go(m.situation.withPressure(v.pilot(), cutIn));
        unit.gaugesOn(v.pilot()).stream()
                .findFirst()
                .ifPresent(gauge -> draft.step(
                                Kind.TEST,
                                of("plan.cut-in").name("setting", v.id()).name("gauge", gauge.id()))
                        .why(of("plan.why.cut-in")
                                .ratio("differential", v.differential().getAsDouble()))
                        .expect(readings.pressure(gauge, 0.03 * cutOut))
                        .ifNot(of("plan.if-not.cut-in"))
                        .caution("stored-pressure")
                        .minutes(5)
                        .add());
        m.go(m.situation.freed());
    }

    /** The load opened until the gauge shows what the work needs; the motor must then draw what the model says. */
    private void workingPoint(Work w, Situation set) {
        Optional<Throttle> load = bench.loads().stream()
                .filter(t -> t.a().equals(w.line()) && t.b().equals(Line.TANK))
                .findFirst();
        Optional<TestPoint> gauge = unit.gaugesOn(w.line()).stream().findFirst();
        if (load.isEmpty() || gauge.isEmpty()) {
            return;
        }
        Machine m = bench.machine();
        double opening = openingFor(load.get(), w, set);
        if (opening >= 1) {
            return;
        }
        m.go(set.withOpening(load.get().id(), opening));
        draft.step(
                        Kind.TEST,
                        of("plan.working-point")
                                .name("throttle", load.get().id())
                                .name("work", w.name().isEmpty() ? w.id() : w.name())
                                .pressure("pressure", w.pressurePa())
                                .name("motor", bench.drivers().get(0).id()))
                .why(of("plan.why.working-point")
                        .name("motor", bench.drivers().get(0).id()))
                .expect(readings.pressure(gauge.get(), w.pressurePa() * 0.05))
                .expect(readings.currents())
                .ifNot(of("plan.if-not.current-high"), of("plan.if-not.worn"))
                .caution("injection", "hot")
                .onTime(bench.drivers())
                .minutes(1)
                .add();
        m.go(set);
    }

    /** Pressure falls as the throttle opens, so bisection finds the opening. */
    private double openingFor(Throttle load, Work w, Situation set) {
        double low = 0;
        double high = 1;
        for (int i = 0; i < 24; i++) {
            double mid = (low + high) / 2;
            SteadyState s = bench.machine().solved(set.withOpening(load.id(), mid));
            if (s != null && s.pressure(w.line()) > w.pressurePa()) {
                low = mid;
            } else {
                high = mid;
            }
        }
        return high;
    }

    void handOver() {
        draft.phase(Phase.Id.HAND_OVER);
        Machine m = bench.machine();
        m.go(bench.loads(bench.stopped(m.situation), 1));
        for (TestPoint gauge : unit.testPoints()) {
            draft.step(
                            Kind.TEST,
                            of("plan.depressurise")
                                    .name("motor", bench.drivers().get(0).id())
                                    .name("throttle", bench.load().id())
                                    .name("gauge", gauge.id()))
                    .why(of("plan.why.prove-zero"))
                    .expect(readings.zero(gauge))
                    .ifNot(of("plan.if-not.pressure-left"))
                    .caution("stored-pressure", "lock-out")
                    .minutes(2)
                    .add();
        }
        for (TestPoint gauge : unit.testPoints()) {
            draft.step(Kind.RESTORE, of("plan.remove-gear").name("gauge", gauge.id()))
                    .why(of("plan.why.remove-gear"))
                    .caution("rated-parts")
                    .minutes(3)
                    .add();
        }
        draft.step(Kind.RESTORE, of("plan.tag"))
                .why(of("plan.why.tag"))
                .minutes(5)
                .add();
    }
}
