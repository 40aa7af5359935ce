package earlygate.server.runs;

import earlygate.explain.Reason;
import earlygate.plan.Step;
import earlygate.rig.Rig;
import earlygate.rig.Standing;
import earlygate.run.Pause;
import earlygate.run.RunEvent;
import earlygate.run.RunRecord;
import earlygate.run.RunRules;
import earlygate.run.RunState;
import earlygate.server.journal.OpenRuns;
import earlygate.server.journal.RunStore;
import earlygate.server.journal.RunStore.NewEvent;
import earlygate.server.rig.RigHost;
import earlygate.server.store.OnceKey;
import earlygate.server.store.Sha256;
import earlygate.server.store.Writes;
import earlygate.server.words.ApiProblem;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Function;
import java.util.function.Supplier;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Service;

/** Writes the logs of runs, one writer per run at a time. */
@Service
public class RunService implements RigHost.Keeper {
    /**
     * What the screen sends. Which fields count depends on {@code kind}.
     *
     * @param key the sender's own name for this event; sent again, it is written only once
     * @param kind step-done, reading, live-reading, turned, cracked, take-crack, tap-crack, deviation, again, reopened,
     *     point, live-point, left-out, struck, noted, hold-opened, paused, went-on,
     *     signed (note: technician or witness; text: the name) or amended (text; releasedBy: who amends)
     * @param instrument test point, driver or OIL
     * @param text number as typed, the reason of a deviation, or what is noted
     * @param turns clockwise positive
     * @param atEnd the turn came to the end of the screw; left out, a count in a step to the end came there
     * @param releasedBy second person who lets a setting stand above the schematic
     * @param wrong sequence number of the event that was a slip
     * @param note key of the label of what is noted
     * @param pressure of a curve's point, as typed: a bare number in the gauge's own unit; {@code signal} of the gauge that
     *     is taken off; {@code flow} bare in L/min
     * @param back the point was taken while the load was opened again
     * @param still the needle was seen to stand still for three seconds; left out, nobody said so
     */
    public record EventRequest(
            String key,
            String kind,
            String step,
            String instrument,
            String text,
            String setting,
            Double turns,
            Boolean atEnd,
            String phase,
            String releasedBy,
            Long wrong,
            String note,
            Boolean still,
            String pressure,
            String signal,
            String flow,
            Boolean back) {}

    private final RunStore store;
    private final OpenRuns open;
    private final RigHost rigs;
    private final EventInput input;
    private final Writes writes;
    private final Map<Long, Object> locks = new ConcurrentHashMap<>();

    RunService(RunStore store, OpenRuns open, RigHost rigs, EventInput input, Writes writes) {
        this.store = store;
        this.open = open;
        this.rigs = rigs;
        this.input = input;
        this.writes = writes;
        rigs.keptBy(this);
    }

    /** Writes an event unless it was delivered before; returns the run as it stands after. */
    RunState append(long runId, EventRequest request) {
        String key = OnceKey.require(request.key(), "key");
        return locked(runId, () -> {
            if (store.delivered(runId, key).isPresent()) {
                return open.state(runId);
            }
            RunState state = open.state(runId);
            RunEvent.Body body = input.body(open.run(runId), state, request);
            refuse(state, body, "" + request.kind());
            List<NewEvent> events = new ArrayList<>();
            Optional<Standing> standing = Optional.empty();
            if (body instanceof RunEvent.StepDone done && open.run(runId).head().practice()) {
                standing =
                        moved(runId, () -> deeds(runId, state.step(done.step()).orElseThrow(), key, events));
            }
            events.add(new NewEvent(key, body));
            return writeOrForget(runId, events, standing);
        });
    }

    /** Writes an event unless it was delivered before, and what goes with it in the same stroke. */
    public RunState append(long runId, String key, RunEvent.Body body, Runnable with) {
        OnceKey.require(key, "Idempotency-Key");
        return locked(runId, () -> {
            if (store.delivered(runId, key).isPresent()) {
                return open.state(runId);
            }
            refuse(open.state(runId), body, "file");
            return write(runId, List.of(new NewEvent(key, body)), Optional.empty(), with);
        });
    }

    /** What a check that is done means at the practice machine: locks, suction valves, rests. */
    private Optional<Standing> deeds(long runId, Step step, String key, List<NewEvent> events) {
        for (Step.Deed d : step.does()) {
            boolean done = d.action().equals("pass")
                    ? passed(runId, d)
                    : rigs.act(runId, r -> makeReady(r, d.action(), d.part(), d.to() > 0.5));
            if (done) {
                events.add(new NewEvent(
                        // Of the whole key: two long ones may differ only at their ends.
                        Sha256.of(key + "-" + events.size()),
                        new RunEvent.Handled(step.id(), d.action(), d.part(), Double.toString(d.to()))));
            }
        }
        return events.isEmpty() ? Optional.empty() : Optional.of(rigs.standing(runId));
    }

    private boolean passed(long runId, Step.Deed rest) {
        rigs.act(runId, r -> {
            r.stop(rest.part());
            return null;
        });
        rigs.pass(runId, rest.to());
        return true;
    }

    /** False where it stands so already, or the machine has nothing of the kind. */
    private static boolean makeReady(Rig rig, String action, String part, boolean to) {
        if (!rig.ready().has(action, part)) {
            return false;
        }
        rig.makeReady(action, part, to);
        return true;
    }

    /**
     * Something done to the practice machine: the machine moves, and what it did is written with where it stands after,
     * all or nothing.
     *
     * @param act gives what to write, empty for nothing
     */
    public RunState onRig(long runId, String key, Function<String, Optional<RunEvent.Body>> act) {
        return locked(runId, () -> {
            RunState state = open.state(runId);
            if (key != null
                    && store.delivered(runId, OnceKey.require(key, "key")).isPresent()) {
                return state;
            }
            if (state.signatures().locked()) {
                throw ApiProblem.conflict("rig", Reason.of("run.refused.locked"));
            }
            Pause.of(state).ifPresent(p -> {
                throw ApiProblem.conflict("rig", Reason.of("run.refused.paused").name("by", p.by()));
            });
            return happened(runId, state, key, act);
        });
    }

    private RunState happened(long runId, RunState state, String key, Function<String, Optional<RunEvent.Body>> act) {
        List<Step> steps = state.plan().steps();
        String step =
                state.current().map(Step::id).orElse(steps.get(steps.size() - 1).id());
        Optional<RunEvent.Body> body = moved(runId, () -> act.apply(step));
        if (body.isEmpty()) {
            return state;
        }
        String name = key == null ? UUID.randomUUID().toString() : key;
        return writeOrForget(runId, List.of(new NewEvent(name, body.get())), Optional.of(rigs.standing(runId)));
    }

    /** A machine that failed half-way goes back to where its log has it; what is refused with a reason moved nothing. */
    private <T> T moved(long runId, Supplier<T> move) {
        try {
            return move.get();
        } catch (ApiProblem refused) {
            throw refused;
        } catch (RuntimeException e) {
            rigs.forget(runId);
            throw e;
        }
    }

    /** A machine that has moved and could not be written goes back to where its log has it. */
    private RunState writeOrForget(long runId, List<NewEvent> events, Optional<Standing> standing) {
        try {
            return write(runId, events, standing);
        } catch (RuntimeException e) {
            rigs.forget(runId);
            throw e;
        }
    }

    /** The event that was written under this key, if it was: its sender asks again after a lost answer. */
    public Optional<RunEvent> delivered(long runId, String key) {
        return key == null ? Optional.empty() : store.delivered(runId, key);
    }

    @Override
    public void snapshot(long runId) {
        locked(runId, () -> {
            rigs.keep(runId);
            return null;
        });
    }

    @Override
    public void park(long runId, long idleSince) {
        locked(runId, () -> {
            rigs.park(runId, idleSince);
            return null;
        });
    }

    /** A drive of the practice machine stopped by itself. */
    @Override
    public void stopped(long runId, String driver, String cause) {
        locked(runId, () -> {
            RunState state = open.state(runId);
            return state.signatures().locked()
                    ? state
                    : happened(runId, state, null, step -> Optional.of(new RunEvent.Stopped(step, driver, cause)));
        });
    }

    private RunState locked(long runId, Supplier<RunState> action) {
        synchronized (locks.computeIfAbsent(runId, id -> new Object())) {
            return action.get();
        }
    }

    private static void refuse(RunState state, RunEvent.Body body, String path) {
        Optional<Reason> refusal = RunRules.refusal(state, body);
        if (refusal.isPresent()) {
            // 425, not 409: an entry made without a network before the pause is sent again once somebody goes on.
            HttpStatus status = Pause.of(state).isPresent() ? HttpStatus.TOO_EARLY : HttpStatus.CONFLICT;
            throw ApiProblem.of(status, path, refusal.get());
        }
    }

    /** It says something of the record, and the work is over all the same. */
    private static boolean isAfterwards(RunEvent.Body body) {
        return body instanceof RunEvent.OfRecord || body instanceof RunEvent.OfFiles;
    }

    private RunState write(long runId, List<NewEvent> events, Optional<Standing> standing) {
        return write(runId, events, standing, () -> {});
    }

    private RunState write(long runId, List<NewEvent> events, Optional<Standing> standing, Runnable with) {
        RunStore.RunHead head = open.run(runId).head();
        RunState after = writes.write(() -> {
            with.run();
            store.append(head, events, standing);
            RunState now = open.state(runId);
            boolean afterwards = events.stream().allMatch(e -> isAfterwards(e.body()));
            if (now.finished() && !afterwards) {
                store.finished(runId, RunRecord.of(now).passed() ? "passed" : "passed-with-deviations");
            }
            return now;
        });
        rigs.follow(runId, after, head.practice());
        return after;
    }
}
