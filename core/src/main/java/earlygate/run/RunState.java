package earlygate.run;

import earlygate.circuit.PowerUnit;
import earlygate.judge.ScrewModel;
import earlygate.plan.Expect;
import earlygate.plan.Phase;
import earlygate.plan.Plan;
import earlygate.plan.Step;
import earlygate.run.RunEvent.Again;
import earlygate.run.RunEvent.Cracked;
import earlygate.run.RunEvent.Deviation;
import earlygate.run.RunEvent.HoldOpened;
import earlygate.run.RunEvent.OfStep;
import earlygate.run.RunEvent.Reading;
import earlygate.run.RunEvent.StepDone;
import earlygate.run.RunEvent.Turned;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;

/** Where a run stands: the fold of its events over the plan it walks. The same events always give the same state. */
public final class RunState {
    private final PowerUnit unit;
    private final Plan plan;
    private final Map<String, StepRecord> records = new LinkedHashMap<>();
    private final Map<String, RunEvent> holds = new LinkedHashMap<>();
    private final Screws screws;
    private OptionalDouble oil = OptionalDouble.empty();
    private final List<RunEvent> events;

    private RunState(PowerUnit unit, Plan plan, List<RunEvent> events) {
        this.events = List.copyOf(events);
        this.unit = unit;
        this.plan = plan;
        this.screws = new Screws(unit);
        plan.steps().forEach(s -> records.put(s.id(), new StepRecord()));
    }

    public static RunState of(PowerUnit unit, Plan plan, List<RunEvent> events) {
        RunState state = new RunState(unit, plan, events);
        events.forEach(state::apply);
        return state;
    }

    private void apply(RunEvent event) {
        if (event.body() instanceof HoldOpened h) {
            holds.put(h.phase(), event);
            return;
        }
        OfStep body = (OfStep) event.body();
        StepRecord record = records.get(body.step());
        Step step = plan.step(body.step());
        if (body instanceof Reading r) {
            record.reading(event, r);
            screws.read(step, r);
            oil = r.instrument().equals(Expect.OIL)
                    ? OptionalDouble.of(r.value())
                    : r.oil().isPresent() ? r.oil() : oil;
        } else if (body instanceof Turned t) {
            if (step.setting().filter(t.setting()::equals).isPresent()) {
                record.turned(t.turns());
            }
            screws.turned(step, t);
        } else if (body instanceof Cracked c) {
            record.cracked(event);
            oil = c.oil().isPresent() ? c.oil() : oil;
        } else if (body instanceof Deviation d) {
            record.deviation(d.reason());
        } else if (body instanceof Again) {
            record.again();
        } else if (body instanceof StepDone) {
            record.done(event);
            screws.forget();
        }
    }

    public PowerUnit unit() {
        return unit;
    }

    public Plan plan() {
        return plan;
    }

    /** The sequence number of the last event; 0 before the first. */
    public long lastSeq() {
        return events.isEmpty() ? 0 : events.get(events.size() - 1).seq();
    }

    /** The whole log, in order. */
    public List<RunEvent> events() {
        return events;
    }

    public StepRecord record(String step) {
        return records.get(step);
    }

    /** The step at hand; empty when all are done. */
    public Optional<Step> current() {
        return plan.steps().stream().filter(s -> !records.get(s.id()).isDone()).findFirst();
    }

    /** The shut hold point that bars the way to the step at hand, if one does. */
    public Optional<Phase> waitingAt() {
        Optional<Phase> phase = current().map(s -> plan.phaseOf(s.id()));
        if (phase.isEmpty()
                || !phase.get().steps().get(0).id().equals(current().get().id())) {
            return Optional.empty();
        }
        int index = plan.phases().indexOf(phase.get());
        if (index == 0) {
            return Optional.empty();
        }
        Phase before = plan.phases().get(index - 1);
        return holds.containsKey(before.id().key()) ? Optional.empty() : Optional.of(before);
    }

    /** When and by whom a hold point was opened. */
    public Optional<RunEvent> opened(Phase.Id phase) {
        return Optional.ofNullable(holds.get(phase.key()));
    }

    public boolean finished() {
        return current().isEmpty();
    }

    public ScrewModel screw(String setting) {
        return screws.model(setting);
    }

    /** Turns in from all out, counted. */
    public double position(String setting) {
        return screws.position(setting);
    }

    double foundAt(String setting) {
        return screws.foundAt(setting);
    }

    /** The last oil temperature anyone read, K. */
    public OptionalDouble oil() {
        return oil;
    }
}
