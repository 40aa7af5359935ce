package earlygate.run;

import earlygate.explain.Reason;
import earlygate.judge.Slope;
import earlygate.plan.Expect;
import earlygate.plan.Phase;
import earlygate.plan.Plan;
import earlygate.plan.Step;
import earlygate.run.RunEvent.Again;
import earlygate.run.RunEvent.Began;
import earlygate.run.RunEvent.Cracked;
import earlygate.run.RunEvent.Deviation;
import earlygate.run.RunEvent.Handled;
import earlygate.run.RunEvent.HoldOpened;
import earlygate.run.RunEvent.Noted;
import earlygate.run.RunEvent.OfCurve;
import earlygate.run.RunEvent.OfStep;
import earlygate.run.RunEvent.Reading;
import earlygate.run.RunEvent.Reopened;
import earlygate.run.RunEvent.Replaced;
import earlygate.run.RunEvent.StepDone;
import earlygate.run.RunEvent.Stopped;
import earlygate.run.RunEvent.Struck;
import earlygate.run.RunEvent.Turned;
import earlygate.solve.Model;
import earlygate.unit.PowerUnit;
import java.time.Instant;
import java.util.HashMap;
import java.util.HashSet;
import java.util.IdentityHashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.stream.Stream;

/**
 * Where a run stands: the fold of its events over the plan it walks. The same events always give the same state, and no
 * log makes it throw: what an event speaks of and the plan doesn't know is passed over.
 */
public final class RunState {
    private final PowerUnit unit;
    /** As it was written, nothing measured in it. */
    private final Plan written;

    private Plan plan;
    private final boolean rig;
    private final Map<String, StepRecord> records = new LinkedHashMap<>();
    private final Map<String, Step> steps = new HashMap<>();
    private final Map<String, List<Reason>> carried = new HashMap<>();
    private final Map<String, RunEvent> holds = new LinkedHashMap<>();
    private final Map<String, Boolean> nutsTight = new HashMap<>();
    private final Map<String, String> stopped = new LinkedHashMap<>();
    private final OilReadings oils;
    private final Set<Long> struck = new HashSet<>();
    private final ModelCache answers;
    private final Screws screws;
    private final List<RunEvent> events;
    private Signatures signatures;
    private final Map<Step, StepAssessment> assessments = new IdentityHashMap<>();

    private RunState(PowerUnit unit, Plan plan, List<RunEvent> events, boolean rig, ModelCache answers) {
        this.events = List.copyOf(events);
        this.unit = unit;
        this.written = plan;
        this.plan = plan;
        this.rig = rig;
        this.answers = answers;
        this.oils = new OilReadings();
        this.screws = new Screws(unit, answers);
        plan.steps().forEach(s -> {
            records.put(s.id(), new StepRecord(s));
            steps.put(s.id(), s);
        });
    }

    /** As it was before, nothing of it shared that changes. */
    private RunState(RunState before, List<RunEvent> more) {
        events = Stream.concat(before.events.stream(), more.stream()).toList();
        unit = before.unit;
        written = before.written;
        plan = written;
        rig = before.rig;
        answers = before.answers;
        oils = before.oils.copy();
        screws = before.screws.copy();
        before.records.forEach((id, record) -> records.put(id, record.copy()));
        plan.steps().forEach(s -> steps.put(s.id(), s));
        holds.putAll(before.holds);
        nutsTight.putAll(before.nutsTight);
        stopped.putAll(before.stopped);
        struck.addAll(before.struck);
    }

    /** A run with typed readings. */
    public static RunState of(PowerUnit unit, Plan plan, List<RunEvent> events) {
        return of(unit, plan, events, false, new ModelCache(unit));
    }

    /**
     * @param rig the machine reports every handle that is moved, so what a hand must have done is asked of the log
     * @param answers of the model on this very plan; kept over many folds
     */
    public static RunState of(PowerUnit unit, Plan plan, List<RunEvent> events, boolean rig, ModelCache answers) {
        RunState state = new RunState(unit, plan, events, rig, answers);
        for (RunEvent e : events) {
            if (e.body() instanceof Struck s) {
                state.struck.add(s.wrong());
            }
        }
        events.stream().filter(e -> !state.struck.contains(e.seq())).forEach(state::apply);
        state.adjustPlan();
        return state;
    }

    /** The run after more events. An event that takes another back is folded with all that came before. */
    public RunState with(List<RunEvent> more) {
        if (more.stream().anyMatch(e -> e.body() instanceof Struck)) {
            List<RunEvent> all = Stream.concat(events.stream(), more.stream()).toList();
            return of(unit, written, all, rig, answers);
        }
        RunState next = new RunState(this, more);
        more.stream().filter(e -> !next.struck.contains(e.seq())).forEach(next::apply);
        next.adjustPlan();
        return next;
    }

    private void apply(RunEvent event) {
        if (event.body() instanceof HoldOpened h) {
            holds.put(h.phase(), event);
        } else if (event.body() instanceof Began b) {
            screws.know(b.screws());
        } else if (event.body() instanceof OfStep body && records.containsKey(body.step())) {
            apply(event, body, steps.get(body.step()), records.get(body.step()));
        }
    }

    private void apply(RunEvent event, OfStep body, Step step, StepRecord record) {
        if (body instanceof Reading r) {
            reading(event, step, record, r);
        } else if (body instanceof Turned t) {
            record.turned(t);
            screws.turned(event.seq(), step, t);
        } else if (body instanceof Cracked c) {
            record.cracked(event, c);
            c.oil().ifPresent(k -> oils.add(event, k));
        } else if (body instanceof Handled h) {
            handled(record, h);
        } else if (body instanceof Stopped s) {
            stopped.put(s.driver(), s.cause());
            record.stopped();
        } else if (body instanceof OfCurve) {
            record.curve(event);
        } else if (body instanceof Noted n) {
            record.noted(event, n);
        } else if (body instanceof Replaced r) {
            screws.replaced(r.setting());
        } else if (body instanceof Deviation) {
            record.deviation(event);
        } else if (body instanceof Again) {
            record.again();
            screws.forget();
        } else if (body instanceof Reopened) {
            reopen(step);
        } else if (body instanceof StepDone) {
            record.done(event);
            screws.forget();
        }
    }

    /** What was measured goes into what the steps after it expect. */
    private void adjustPlan() {
        MeasuredOffsets offsets = new MeasuredOffsets(unit, answers, this::oilAt);
        LoadOpened loads = new LoadOpened(unit, written, answers);
        plan = written.withSteps(raw -> {
            MeasuredOffsets.AdjustedStep shifted = loads.applyTo(offsets.applyTo(raw), records.get(raw.id()));
            offsets.record(shifted.step(), records.get(raw.id()));
            steps.put(raw.id(), shifted.step());
            carried.put(raw.id(), shifted.why());
            return shifted.step();
        });
    }

    private void reading(RunEvent event, Step step, StepRecord record, Reading r) {
        if (r.instrument().equals(Expect.OIL)) {
            oils.add(event, r.value());
        } else {
            r.oil().ifPresent(k -> oils.add(event, k));
        }
        // Only a pressure teaches how many bar a turn is.
        record.reading(event, r).ifPresent(m -> step.measured().ifPresent(g -> screws.measured(step, g, m)));
    }

    private void handled(StepRecord record, Handled h) {
        record.handled(h);
        if (h.action().equals("nut")) {
            nutsTight.put(h.part(), h.to().equals("1"));
        } else if (h.action().equals("start")) {
            stopped.remove(h.part());
        }
        if (StepRecord.MOVES_THE_LINE.contains(h.action())) {
            screws.forget();
        }
    }

    /** This step and all after it that turn or read something; the gates behind them are shut again. */
    private void reopen(Step from) {
        boolean reached = false;
        for (Phase p : plan.phases()) {
            for (Step s : p.steps()) {
                reached |= s.equals(from);
                if (reached && (s.equals(from) || s.proves())) {
                    records.get(s.id()).reopen();
                }
            }
            if (reached) {
                holds.remove(p.id().key());
            }
        }
        screws.forget();
    }

    /** The model of its unit. */
    public Model model() {
        return answers.model();
    }

    public PowerUnit unit() {
        return unit;
    }

    /** The plan with what was measured carried into its steps. */
    public Plan plan() {
        return plan;
    }

    /** Whether the machine itself tells what is done to it. */
    public boolean onRig() {
        return rig;
    }

    /** The sequence number of the last event; 0 before the first. */
    public long lastSeq() {
        return events.isEmpty() ? 0 : events.get(events.size() - 1).seq();
    }

    /** The whole log, in order. */
    public List<RunEvent> events() {
        return events;
    }

    /** Its sequence number is its place in the log. */
    Optional<RunEvent> event(long seq) {
        return seq < 1 || seq > events.size()
                ? Optional.empty()
                : Optional.of(events.get((int) seq - 1)).filter(e -> e.seq() == seq);
    }

    /** The names under it. */
    public Signatures signatures() {
        if (signatures == null) {
            signatures = Signatures.of(this);
        }
        return signatures;
    }

    /** A slip that was corrected: it stays in the log and counts for nothing. */
    public boolean isStruck(long seq) {
        return struck.contains(seq);
    }

    /** @throws java.util.NoSuchElementException for an id that is no step of the plan */
    public StepRecord record(String step) {
        return Optional.ofNullable(records.get(step)).orElseThrow();
    }

    public Optional<Step> step(String id) {
        return Optional.ofNullable(steps.get(id));
    }

    /** Settings that were measured elsewhere than planned, where they move what this step expects. */
    public List<Reason> carried(String step) {
        return carried.getOrDefault(step, List.of());
    }

    /** The step at hand; empty when all are done. */
    public Optional<Step> current() {
        return plan.steps().stream().filter(s -> !records.get(s.id()).isDone()).findFirst();
    }

    /** The shut hold point that bars the way to the step at hand, or to the end of the run, if one does. */
    public Optional<Phase> waitingAt() {
        List<Phase> phases = plan.phases();
        Optional<Step> current = current();
        if (current.isEmpty()) {
            return plan.lastGateCounts() && !phases.isEmpty()
                    ? Optional.of(phases.get(phases.size() - 1))
                            .filter(p -> opened(p.id()).isEmpty())
                    : Optional.empty();
        }
        int at = phases.indexOf(plan.phaseOf(current.get().id()));
        return phases.subList(0, at).stream()
                .filter(p -> opened(p.id()).isEmpty())
                .findFirst();
    }

    /** When and by whom a hold point was opened. */
    public Optional<RunEvent> opened(Phase.Id phase) {
        return Optional.ofNullable(holds.get(phase.key()));
    }

    public boolean finished() {
        return current().isEmpty() && waitingAt().isEmpty();
    }

    /** What is known of a screw, learned here or before. */
    public Slope slope(String setting) {
        return screws.slope(setting);
    }

    Screws screws() {
        return screws;
    }

    /** Turns in from all out; unknown before an end was touched. */
    public OptionalDouble position(String setting) {
        return screws.position(setting);
    }

    /** False only where the machine said that the nut of this screw stands slack. */
    boolean nutTight(String setting) {
        return nutsTight.getOrDefault(setting, true);
    }

    /** Why a drive that ought to run has stopped by itself; empty once it was started again. */
    public Optional<String> stoppedBy(String driver) {
        return Optional.ofNullable(stopped.get(driver));
    }

    ModelCache answers() {
        return answers;
    }

    /** What the log says of a step; worked out once, since the log of this state never changes. */
    public StepAssessment assess(Step step) {
        synchronized (assessments) {
            return assessments.computeIfAbsent(step, s -> new StepAssessment(this, s));
        }
    }

    /** The last oil temperature anyone read, K, and when. */
    public Optional<Instant> oilReadAt() {
        return oils.lastAt();
    }

    public OptionalDouble oil() {
        return oils.last();
    }

    /** The oil, K, when this event of a step was read: its own, or one read no longer than a quarter of an hour apart. */
    public OptionalDouble oilAt(RunEvent event, String step) {
        return oils.at(event, record(step).doneSeq());
    }
}
