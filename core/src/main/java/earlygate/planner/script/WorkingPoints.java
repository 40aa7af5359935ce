package earlygate.planner.script;

import static earlygate.explain.Reason.of;

import earlygate.network.ComponentState.PumpState;
import earlygate.plan.Note;
import earlygate.plan.Procedure;
import earlygate.plan.Step.Kind;
import earlygate.solve.SteadyState;
import earlygate.unit.DcMotor;
import earlygate.unit.Line;
import earlygate.unit.PowerUnit;
import earlygate.unit.Pump;
import earlygate.unit.Situation;
import earlygate.unit.TestPoint;
import earlygate.unit.Throttle;
import earlygate.unit.Work;
import java.util.List;
import java.util.Optional;

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

    private void write(Work w, Situation set) {
        Optional<Throttle> load = site.loads().stream()
                .filter(t -> t.a().equals(w.line()) && t.b().equals(Line.TANK))
                .findFirst();
        Optional<TestPoint> gauge = unit.gaugesOn(w.line()).stream().findFirst();
        Optional<Double> opening =
                load.filter(t -> gauge.isPresent()).flatMap(t -> Opening.until(site, t, set, w.line(), w.pressurePa()));
        if (opening.isEmpty()) {
            return;
        }
        Rehearsal m = site.rehearsal();
        m.go(set.withOpening(load.get().id(), opening.get()));
        Script.Writer step = site.script()
                .step(
                        Kind.TEST,
                        of("plan.working-point")
                                .name("throttle", load.get().id())
                                .name("work", w.name().isEmpty() ? w.id() : w.name())
                                .pressure("pressure", w.pressurePa())
                                .name("motor", Site.names(site.drivers())))
                .why(of("plan.why.working-point").name("motor", Site.names(site.drivers())))
                .test(Procedure.Kind.WORKING_POINT, w.id())
                .moves(load.get().id())
                .expect(site.readings().pressure(gauge.get(), w.pressurePa() * NEAR))
                .expect(site.readings().currents())
                .ifNot(of("plan.if-not.current-high"), of("plan.if-not.worn"))
                .caution("injection", "hot")
                .onTime(site.drivers())
                .minutes(1);
        m.state.ifPresent(s -> drain(step, s));
        step.add();
        OnTime.rest(site);
        m.go(set);
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
