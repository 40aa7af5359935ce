package earlygate.planner.script;

import static earlygate.explain.Reason.of;

import earlygate.explain.Reason;
import earlygate.network.ComponentState.PumpState;
import earlygate.plan.Note;
import earlygate.plan.Procedure;
import earlygate.plan.Step.Kind;
import earlygate.solve.SteadyState;
import earlygate.unit.DcMotor;
import earlygate.unit.Engine;
import earlygate.unit.Line;
import earlygate.unit.PowerUnit;
import earlygate.unit.Pump;
import earlygate.unit.Situation;
import earlygate.unit.TestPoint;
import earlygate.unit.Throttle;
import earlygate.unit.Work;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/** The load opened until the gauge shows what each work needs: what the drive draws there, and what the pump loses inside. */
final class WorkingPoints {
    private static final double NEAR = 0.05;
    /** Of what a pump delivers: more at its drain line, and it is worn. Source: handbook 8. */
    static final double DRAIN_SHARE = 0.1;

    private final Site site;
    private final PowerUnit unit;

    WorkingPoints(Site site) {
        this.site = site;
        this.unit = site.unit();
    }

    /** A load can't be set within the on-time of a battery motor; its current is read at the limiter instead. */
    void write(Situation set) {
        if (unit.all(DcMotor.class).isEmpty()) {
            unit.work().forEach(w -> write(w, set));
        }
    }

    private record There(Throttle load, TestPoint gauge, Situation at) {}

    private void write(Work w, Situation set) {
        Rehearsal m = site.rehearsal();
        Optional<There> found = there(w, set);
        if (found.isEmpty()) {
            return;
        }
        There t = found.get();
        Cooling.before(site, Stream.of(t.at()));
        m.go(t.at());
        Script.Writer step = site.script()
                .step(Kind.TEST, asked(w, t))
                .why(of("plan.why.working-point").name("motor", Site.names(site.drivers())))
                .test(Procedure.Kind.WORKING_POINT, w.id())
                .moves(t.load().id())
                .expect(site.readings().opened(t.gauge(), t.load(), NEAR))
                .expect(site.readings().currents())
                .ifNot(
                        byEngine()
                                ? new Reason[] {of("plan.if-not.engine-slow")}
                                : new Reason[] {of("plan.if-not.current-high"), of("plan.if-not.worn")})
                .caution("injection", "hot")
                .fullFlow()
                .onTime(site.drivers())
                .minutes(1);
        EngineSpeed.asked(site, Note.LOADED_SPEED).ifPresent(step::note);
        m.state.ifPresent(s -> drain(step, s));
        step.add();
        OnTime.rest(site);
        m.go(set);
    }

    /** An engine has no current to read. */
    private Reason asked(Work w, There t) {
        return of(byEngine() ? "plan.working-point-engine" : "plan.working-point")
                .name("throttle", t.load().id())
                .name("gauge", t.gauge().id())
                .name("work", w.name().isEmpty() ? w.id() : w.name())
                .pressure("pressure", w.pressurePa())
                .name("motor", Site.names(site.drivers()));
    }

    private boolean byEngine() {
        return site.drivers().stream().allMatch(d -> d instanceof Engine);
    }

    /**
     * A load to tank that brings the line of a work there: what it asks of drive and lines must be borne, or the plan is
     * refused. Else one between ports while a lever is held, as far as that is safe.
     */
    private Optional<There> there(Work w, Situation set) {
        return unit.gaugesOn(w.line()).stream()
                .findFirst()
                .flatMap(g -> Stream.concat(toTank(w, g, set), held(w, g, set)).findFirst());
    }

    private Stream<There> toTank(Work w, TestPoint gauge, Situation set) {
        return site.loadsOn(w.line()).stream()
                .filter(t -> t.b().equals(Line.TANK))
                .limit(1)
                .flatMap(t -> Opening.until(site, t, set, w.line(), w.pressurePa()).stream()
                        .map(o -> new There(t, gauge, set.withOpening(t.id(), o))));
    }

    private Stream<There> held(Work w, TestPoint gauge, Situation set) {
        return site.anyPosition(set).stream()
                .flatMap(way -> site.loadsOn(w.line()).stream()
                        .flatMap(t -> Opening.at(site, t, way, gauge, w.pressurePa()).stream()
                                .map(at -> new There(t, gauge, at))));
    }

    /** Of the only pump that runs and has a control, and with it a drain line of its own. */
    private void drain(Script.Writer step, SteadyState s) {
        List<Pump> drained = unit.all(Pump.class).stream()
                .filter(p -> p.compensator().isPresent())
                .toList();
        if (drained.size() == 1) {
            PumpState pump = s.pump(drained.get(0).id());
            step.note(Note.CASE_DRAIN.expecting(pump.leakage(), 0, DRAIN_SHARE * pump.flow()));
        }
    }
}
