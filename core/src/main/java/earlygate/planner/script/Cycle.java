package earlygate.planner.script;

import static earlygate.explain.Reason.of;

import earlygate.explain.Reason;
import earlygate.explain.Value;
import earlygate.network.Conditions;
import earlygate.plan.Expect;
import earlygate.plan.Note;
import earlygate.plan.Procedure;
import earlygate.plan.Step.Kind;
import earlygate.solve.NoBalance;
import earlygate.solve.SteadyState;
import earlygate.solve.Transient;
import earlygate.unit.PowerUnit;
import earlygate.unit.Situation;
import earlygate.unit.UnloadingValve;
import java.util.Optional;

/**
 * An accumulator between cut-out and cut-in: with oil drawn slowly the lowest that the gauge comes to before it rises
 * again, and by the clock how long it charges and how long it rests with nothing drawn, against the model in time.
 */
final class Cycle {
    /** Model and machine may differ by so much: gas, oil and what is drawn are known no better. */
    private static final double TIME_BAND = 0.35;

    private static final double STEP_S = 0.1;
    private static final double REST_STEP_S = 1;
    private static final double LONGEST_CHARGE_S = 120;
    private static final double LONGEST_REST_S = 900;

    private final Site site;
    private final PowerUnit unit;

    Cycle(Site site) {
        this.site = site;
        this.unit = site.unit();
    }

    void write() {
        unit.all(UnloadingValve.class).stream()
                .filter(v -> v.differential().isPresent())
                .forEach(this::write);
    }

    private void write(UnloadingValve v) {
        Rehearsal m = site.rehearsal();
        double cutOut = unit.at(m.situation).setting(v.id());
        double cutIn = cutOut * (1 - v.differential().orElseThrow());
        Situation drawing = Charging.of(site, m.situation, v);
        m.go(drawing);
        Optional<Double> charge = time(drawing, v, cutIn, cutOut, STEP_S, LONGEST_CHARGE_S);
        Optional<Double> rest = time(Charging.undrawn(site, drawing), v, cutOut, cutIn, REST_STEP_S, LONGEST_REST_S);
        unit.gaugesOn(v.pilot()).stream().findFirst().ifPresent(gauge -> {
            Reason why = of("plan.why.cycle")
                    .ratio("differential", v.differential().getAsDouble())
                    .said(
                            "times",
                            charge.map(s -> of("part.charges").time("time", s)).stream()
                                    .toList())
                    .said(
                            "rest",
                            rest.map(s -> of("part.rests").time("time", s)).stream()
                                    .toList());
            Script.Writer step = site.script()
                    .step(
                            Kind.TEST,
                            of("plan.read-cut-in")
                                    .name("setting", v.id())
                                    .name("gauge", gauge.id())
                                    .name("pump", Charging.pumpOf(unit, v)))
                    .why(why)
                    .test(Procedure.Kind.CYCLE, v.id())
                    .expect(new Expect(
                            gauge.id(),
                            Value.Kind.PRESSURE,
                            cutIn,
                            cutIn - 0.03 * cutOut - gauge.errorPa(),
                            cutIn + 0.03 * cutOut + gauge.errorPa(),
                            Expect.Take.VALLEY,
                            0))
                    .ifNot(of("plan.if-not.cut-in"), of("plan.if-not.cycle-times"))
                    .caution("stored-pressure")
                    .minutes(5);
            asked(step, Note.CHARGE_TIME, charge);
            asked(step, Note.REST_TIME, rest);
            step.add();
        });
    }

    private static void asked(Script.Writer step, Note note, Optional<Double> time) {
        if (time.isPresent()) {
            double s = time.get();
            step.note(note.expecting(s, s * (1 - TIME_BAND), s * (1 + TIME_BAND)));
        } else {
            step.note(note);
        }
    }

    /** How long the pilot's line takes from one pressure to the other, by the model in time; empty where it never comes. */
    private Optional<Double> time(Situation at, UnloadingValve v, double from, double to, double step, double longest) {
        Rehearsal m = site.rehearsal();
        Optional<SteadyState> start = m.solved(at.withPressure(v.pilot(), from));
        if (start.isEmpty()) {
            return Optional.empty();
        }
        Conditions c = site.model().network().conditions(at);
        Transient machine = site.model().inMotion();
        double near = 0.002 * to;
        try {
            machine.restore(start.get(), c);
            for (double t = step; t <= longest; t += step) {
                machine.advance(c, step);
                double p = machine.pressure(v.pilot());
                if (to > from ? p >= to - near : p <= to + near) {
                    return Optional.of(t);
                }
            }
        } catch (NoBalance unknown) {
            return Optional.empty();
        }
        return Optional.empty();
    }
}
