package earlygate.planner.script;

import static earlygate.explain.Reason.of;

import earlygate.explain.Reason;
import earlygate.plan.Note;
import earlygate.plan.Phase;
import earlygate.plan.Step.Kind;
import earlygate.quantity.Si;
import earlygate.solve.SteadyState;
import earlygate.unit.DcMotor;
import earlygate.unit.Driver;
import earlygate.unit.Engine;
import earlygate.unit.PowerUnit;
import earlygate.unit.Pump;
import earlygate.unit.Situation;
import earlygate.unit.Throttle;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** Phase 4: first oil, at low pressure. */
public final class FirstStart {
    private final Site site;
    private final PowerUnit unit;
    private final Script script;
    private final Readings readings;

    public FirstStart(Site site) {
        this.site = site;
        this.unit = site.unit();
        this.script = site.script();
        this.readings = site.readings();
    }

    public void firstStart() {
        script.phase(Phase.Id.FIRST_START);
        for (Driver d : site.drivers()) {
            String code =
                    d instanceof Engine ? "plan.turn-engine" : d instanceof DcMotor ? "plan.jog-pack" : "plan.jog";
            Reason jog = of(code).name("motor", d.id());
            Optional<String> arrow = rotation(d);
            script.step(
                            Kind.CHECK,
                            arrow.isPresent()
                                    ? jog.name("rotation", arrow.get())
                                    : jog.said("rotation", of("part.as-the-arrow-shows")))
                    .why(of("plan.why.jog"))
                    .does("lock-out", d.id(), 0)
                    .does("rotation", d.id(), 1)
                    .note(Note.ROTATION)
                    .caution(site.coupled(d) ? new String[] {"coupling", "suction"} : new String[] {"lock-out"})
                    .people(2)
                    .minutes(3)
                    .add();
        }
        Rehearsal m = site.rehearsal();
        m.go(flushing(site.running(m.situation)));
        boolean engines = site.drivers().stream().allMatch(d -> d instanceof Engine);
        Reason flush = site.loads().isEmpty()
                ? of(engines ? "plan.flush-engine-way" : "plan.flush-way")
                : of(engines ? "plan.flush-engine" : "plan.flush").name("throttle", Site.names(site.loads()));
        Script.Writer first = script.step(Kind.TEST, flush.name("motor", Site.names(site.drivers())))
                .why(of("plan.why.flush"))
                .moves(site.drivers())
                .expect(readings.roughly(site.gauge()))
                .expect(readings.currents())
                .ifNot(of("plan.if-not.no-pressure"), of("plan.if-not.rattle"), of("plan.if-not.current-high"))
                .caution("injection", "rotation-stop")
                .onTime(site.drivers())
                .minutes(6);
        EngineSpeed.asked(site, Note.NO_LOAD_SPEED).ifPresent(first::note);
        first.add();
        OnTime.rest(site);
        script.step(Kind.CHECK, of("plan.leak-walk"))
                .why(of("plan.why.leak-walk"))
                .note(Note.LEAKS)
                .caution("injection")
                .minutes(3)
                .add();
    }

    /** The valves as they rest with every load open; where no oil takes that way, the position in which most does. */
    private Situation flushing(Situation running) {
        return site.loads().isEmpty() ? freest(running) : throughLoads(running);
    }

    /** Without a load valve: the position of levers and hand valves in which the pumps deliver most, at least pressure. */
    private Situation freest(Situation running) {
        Rehearsal m = site.rehearsal();
        List<Situation> ways = new ArrayList<>();
        for (double opening : new double[] {0, 1}) {
            Situation s = running;
            for (Throttle t : site.handValves()) {
                s = s.withOpening(t.id(), opening);
            }
            ways.add(s);
            ways.addAll(site.anyPosition(s));
        }
        Situation best = running;
        double most = Double.NEGATIVE_INFINITY;
        for (Situation s : ways) {
            double ease = m.solved(s).map(this::ease).orElse(Double.NEGATIVE_INFINITY);
            if (ease > most + 1) {
                most = ease;
                best = s;
            }
        }
        return best;
    }

    /** L/min that the pumps deliver, less the bar they stand at. */
    private double ease(SteadyState state) {
        return unit.all(Pump.class).stream()
                .mapToDouble(p -> state.pump(p.id()).flow() / Si.LPM - state.pressure(p.outlet()) / Si.BAR)
                .sum();
    }

    private Situation throughLoads(Situation running) {
        Rehearsal m = site.rehearsal();
        Situation best = site.loads(running, 1);
        double most = flow(m.solved(best));
        for (Situation s : site.anyPosition(best)) {
            double flow = flow(m.solved(s));
            if (flow > 2 * most + 1e-6) {
                most = flow;
                best = s;
            }
        }
        return best;
    }

    /** Oil that goes through the loads, m3/s; none where the model has no answer. */
    private double flow(Optional<SteadyState> solved) {
        return solved.map(s -> site.loads().stream()
                        .mapToDouble(t -> Math.abs(s.valve(t.id()).flow()))
                        .sum())
                .orElse(0.0);
    }

    private Optional<String> rotation(Driver d) {
        return unit.all(Pump.class).stream()
                .filter(p -> p.driver().equals(d.id()))
                .map(Pump::rotation)
                .filter(r -> !r.isEmpty())
                .findFirst();
    }
}
