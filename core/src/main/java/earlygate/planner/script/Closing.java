package earlygate.planner.script;

import static earlygate.explain.Reason.of;

import earlygate.explain.Reason;
import earlygate.explain.Value;
import earlygate.plan.Expect;
import earlygate.plan.Move;
import earlygate.plan.Note;
import earlygate.plan.Phase;
import earlygate.plan.Step.Demand;
import earlygate.plan.Step.Kind;
import earlygate.solve.SteadyState;
import earlygate.unit.DcMotor;
import earlygate.unit.Line;
import earlygate.unit.PowerUnit;
import earlygate.unit.Pump;
import earlygate.unit.ReducingValve;
import earlygate.unit.Setting;
import earlygate.unit.Situation;
import earlygate.unit.Target;
import earlygate.unit.TestPoint;
import earlygate.unit.Throttle;
import earlygate.unit.UnloadingValve;
import earlygate.unit.Work;
import earlygate.verify.ReturnTest;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** Phases 8 and 9: the tests after locking, and handing over. */
public final class Closing {
    private final Site site;
    private final PowerUnit unit;
    private final Script script;
    private final Readings readings;

    public Closing(Site site) {
        this.site = site;
        this.unit = site.unit();
        this.script = site.script();
        this.readings = site.readings();
    }

    public void verify() {
        script.phase(Phase.Id.VERIFY);
        Rehearsal m = site.rehearsal();
        Situation set = site.running(site.loads(m.situation, 0)).centred(unit).allBlocked();
        for (Throttle t : site.handValves()) {
            set = set.withOpening(t.id(), 0);
        }
        atDeadhead(set);
        new Curves(site).write(set);
        for (Pump p : unit.all(Pump.class)) {
            if (p.loadSense().isPresent()) {
                Standby.write(site, p, set);
            }
        }
        for (ReducingValve v : unit.all(ReducingValve.class)) {
            branch(v, set);
        }
        unit.all(UnloadingValve.class).stream()
                .filter(v -> v.differential().isPresent())
                .forEach(this::cutIn);
        // A load can't be set within the on-time of a battery motor; its current is read at the limiter instead.
        if (unit.all(DcMotor.class).isEmpty()) {
            for (Work w : unit.work()) {
                workingPoint(w, set);
            }
        }
        new Rates(site, new Moves(site)).read();
        set = set.withGearOf(m.situation.withGearOpen(0));
        m.go(site.stopped(set));
        script.step(Kind.TEST, of("plan.temperature"))
                .why(of("plan.why.temperature"))
                .expect(readings.oilInBand())
                .ifNot(of("plan.if-not.hot"))
                .add();
        new HoldTest(site).write(set);
    }

    /** Where a limiter holds a gauge with nothing drawn, it comes back to the same place each time; each line on its own. */
    private void atDeadhead(Situation set) {
        Rehearsal m = site.rehearsal();
        Situation shut = site.loads(set, 0);
        Set<String> read = new HashSet<>();
        for (TestPoint gauge : unit.testPoints()) {
            m.solved(shut)
                    .filter(m::safe)
                    .flatMap(state -> state.limiterOf(gauge.line()))
                    .filter(id -> unit.setting(id).limitsPressure()
                            && unit.setting(id).kind() != Setting.Kind.UNLOADING)
                    .filter(read::add)
                    .flatMap(unit::target)
                    .ifPresent(t -> {
                        m.go(site.running(shut));
                        returns(t, gauge);
                    });
        }
    }

    private void returns(Target t, TestPoint gauge) {
        double aim = readings.of(gauge);
        for (int i = 1; i <= ReturnTest.TIMES; i++) {
            List<Throttle> loads = site.loadsOn(gauge.line());
            Reason letGo = loads.isEmpty()
                    ? of("plan.drive-moved").name("motor", Site.names(site.drivers()))
                    : of("plan.load-moved").name("throttle", Site.names(loads));
            script.step(Kind.CHECK, letGo.number("time", i).number("times", ReturnTest.TIMES))
                    .why(of("plan.why.load-moved"))
                    .demand(Demand.LOAD_MOVED)
                    .caution("injection")
                    .onTime(site.drivers())
                    .add();
            script.step(
                            Kind.TEST,
                            of("plan.return")
                                    .number("time", i)
                                    .number("times", ReturnTest.TIMES)
                                    .name("gauge", gauge.id()))
                    .why(of("plan.why.return").ratio("within", ReturnTest.WITHIN))
                    .setting(t.setting())
                    .tool("")
                    .demand(Demand.RETURN)
                    .expect(readings.around(gauge, aim, t.tolerancePa()))
                    .expect(i == 1 ? readings.currents() : List.of())
                    .ifNot(of("plan.if-not.does-not-return"))
                    .caution("injection")
                    .minutes(1)
                    .add();
        }
        OnTime.rest(site);
    }

    private void branch(ReducingValve v, Situation set) {
        site.rehearsal().go(set);
        List<Throttle> loads = site.loadsOn(v.inlet());
        Reason stands = loads.isEmpty()
                ? of("plan.branch-still")
                : of("plan.branch-stands").name("throttle", Site.names(loads));
        unit.gaugesOn(v.outlet()).stream()
                .findFirst()
                .ifPresent(gauge -> script.step(
                                Kind.TEST, stands.name("setting", v.id()).name("gauge", gauge.id()))
                        .why(of("plan.why.branch-stands"))
                        .expect(readings.pressure(
                                gauge,
                                unit.target(v.id()).map(Target::tolerancePa).orElse(2e5)))
                        .ifNot(of("plan.if-not.creeps"))
                        .caution("injection")
                        .minutes(3)
                        .add());
    }

    /** With the accumulator on the line and oil drawn slowly: the lowest that the gauge comes to before it rises again. */
    private void cutIn(UnloadingValve v) {
        Rehearsal m = site.rehearsal();
        double cutOut = m.situation.settings().getOrDefault(v.id(), v.settingPa());
        double cutIn = cutOut * (1 - v.differential().orElseThrow());
        m.go(Charging.of(site, m.situation, v));
        unit.gaugesOn(v.pilot()).stream()
                .findFirst()
                .ifPresent(gauge -> script.step(
                                Kind.TEST,
                                of("plan.read-cut-in")
                                        .name("setting", v.id())
                                        .name("gauge", gauge.id())
                                        .name("pump", Charging.pumpOf(unit, v)))
                        .why(of("plan.why.cut-in")
                                .ratio("differential", v.differential().getAsDouble()))
                        .expect(new Expect(
                                gauge.id(),
                                Value.Kind.PRESSURE,
                                cutIn,
                                cutIn - 0.03 * cutOut - gauge.errorPa(),
                                cutIn + 0.03 * cutOut + gauge.errorPa(),
                                Expect.Take.VALLEY,
                                0))
                        .note(Note.CHARGE_TIME, Note.REST_TIME)
                        .ifNot(of("plan.if-not.cut-in"))
                        .caution("stored-pressure")
                        .minutes(5)
                        .add());
    }

    /** The load opened until the gauge shows what the work needs; the motor must then draw what the model says. */
    private void workingPoint(Work w, Situation set) {
        Optional<Throttle> load = site.loads().stream()
                .filter(t -> t.a().equals(w.line()) && t.b().equals(Line.TANK))
                .findFirst();
        Optional<TestPoint> gauge = unit.gaugesOn(w.line()).stream().findFirst();
        if (load.isEmpty() || gauge.isEmpty()) {
            return;
        }
        Rehearsal m = site.rehearsal();
        Optional<Double> opening = openingFor(load.get(), w, set);
        if (opening.isEmpty()) {
            return;
        }
        m.go(set.withOpening(load.get().id(), opening.get()));
        script.step(
                        Kind.TEST,
                        of("plan.working-point")
                                .name("throttle", load.get().id())
                                .name("work", w.name().isEmpty() ? w.id() : w.name())
                                .pressure("pressure", w.pressurePa())
                                .name("motor", Site.names(site.drivers())))
                .why(of("plan.why.working-point").name("motor", Site.names(site.drivers())))
                .moves(load.get().id())
                .expect(readings.pressure(gauge.get(), w.pressurePa() * 0.05))
                .expect(readings.currents())
                .ifNot(of("plan.if-not.current-high"), of("plan.if-not.worn"))
                .caution("injection", "hot")
                .onTime(site.drivers())
                .minutes(1)
                .add();
        OnTime.rest(site);
        m.go(set);
    }

    /** Pressure falls as the throttle opens, so bisection finds the opening; empty where wide open is not wide enough. */
    private Optional<Double> openingFor(Throttle load, Work w, Situation set) {
        double low = 0;
        double high = 1;
        for (int i = 0; i < 24; i++) {
            double mid = (low + high) / 2;
            Optional<SteadyState> s = site.rehearsal().solved(set.withOpening(load.id(), mid));
            if (s.isEmpty()) {
                return Optional.empty();
            }
            if (s.get().pressure(w.line()) > w.pressurePa()) {
                low = mid;
            } else {
                high = mid;
            }
        }
        return high < 1 ? Optional.of(high) : Optional.empty();
    }

    public void handOver() {
        script.phase(Phase.Id.HAND_OVER);
        Rehearsal m = site.rehearsal();
        m.go(site.stopped(m.situation));
        Script.Writer stop = script.step(Kind.CHECK, of("plan.stop-all").name("motor", Site.names(site.drivers())))
                .why(of("plan.why.stop-all"));
        site.drivers().forEach(d -> stop.does("lock-out", d.id(), 1));
        stop.moves(site.drivers()).caution("lock-out").minutes(2).add();
        LetDown.write(site);
        LetDown.proveZero(site, "plan.prove-zero-again");
        GearFitting.takeOff(site);
        GearFitting.takeMetersOff(site);
        for (TestPoint gauge : unit.testPoints()) {
            script.step(Kind.RESTORE, of("plan.remove-gear").name("gauge", gauge.id()))
                    .why(of("plan.why.remove-gear"))
                    .handles(Move.of(Move.Kind.REMOVE, gauge.id()))
                    .caution("rated-parts")
                    .minutes(3)
                    .add();
        }
        script.step(Kind.RESTORE, of("plan.tag"))
                .why(of("plan.why.tag"))
                .note(Note.NEXT_CHECK)
                .minutes(5)
                .add();
    }
}
