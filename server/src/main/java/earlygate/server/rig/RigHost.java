package earlygate.server.rig;

import earlygate.explain.Reason;
import earlygate.quantity.Keyed;
import earlygate.rig.Rig;
import earlygate.rig.Roughness;
import earlygate.rig.Standing;
import earlygate.run.RunState;
import earlygate.run.ScrewHistory;
import earlygate.server.journal.OpenRuns;
import earlygate.server.journal.RigStandings;
import earlygate.server.store.WallClock;
import earlygate.server.words.ApiProblem;
import earlygate.solve.NoBalance;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.function.Function;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.context.SmartLifecycle;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;
import tools.jackson.databind.json.JsonMapper;

/**
 * Keeps the practice machines running, twenty times a second. One that fails is closed with its reason and touches no
 * other; one that nobody watches or works is parked as it stands and comes back when somebody does. At speed 0 their time
 * is held: it passes where {@link #run} lets it.
 */
@Component
public class RigHost implements SmartLifecycle {
    private static final Logger LOG = LoggerFactory.getLogger(RigHost.class);
    private static final int TICK_MS = 50;
    /** Ticks between two snapshots of a machine that nobody touches. */
    private static final int SNAPSHOT_TICKS = 200;

    private static final long PARKED_AFTER_MS = 60_000;

    /** Writes for the machines, one run at a time: stops as they happen, and now and then where a machine stands. */
    public interface Keeper {
        void stopped(long runId, String driver, String cause);

        void snapshot(long runId);

        /** With nobody else at the run: keeps where the machine stands and lets it go, if it is still idle since then. */
        void park(long runId, long idleSince);
    }

    private final OpenRuns open;
    private final RigStandings standings;
    private final double speed;
    private final WallClock clock;
    private final JsonMapper json;
    private final Map<Long, Hosted> rigs = new ConcurrentHashMap<>();
    private final Map<Long, Listeners> listeners = new ConcurrentHashMap<>();
    private final Map<Long, Reason> closed = new ConcurrentHashMap<>();
    /** Parked in this very process, so that their drives run on when they come back. */
    private final Set<Long> parked = ConcurrentHashMap.newKeySet();

    private final ExecutorService reports = Executors.newSingleThreadExecutor(task -> {
        Thread t = new Thread(task, "rig-reports");
        t.setDaemon(true);
        return t;
    });
    private volatile Keeper keeper;
    private long ticks;
    private volatile boolean up;

    RigHost(
            OpenRuns open,
            RigStandings standings,
            WallClock clock,
            JsonMapper json,
            @Value("${early-gate.rig.speed}") double speed) {
        this.open = open;
        this.json = json;
        this.standings = standings;
        this.clock = clock;
        this.speed = speed;
    }

    public void keptBy(Keeper writer) {
        keeper = writer;
    }

    /** Keeps where a machine stands, if it is running here; called by whoever holds the run's log. */
    public void keep(long runId) {
        Hosted hosted = rigs.get(runId);
        if (hosted != null) {
            standings.keep(runId, hosted.live().standing());
        }
    }

    private LiveRig rig(long runId) {
        if (closed.containsKey(runId)) {
            throw ApiProblem.conflict("rig", Reason.of("rig.closed").said("why", closed.get(runId)));
        }
        return rigs.compute(runId, (id, kept) -> {
                    Hosted hosted = kept == null ? new Hosted(made(id)) : kept;
                    hosted.touchedAt = clock.millis();
                    return hosted;
                })
                .live();
    }

    private LiveRig made(long id) {
        // The run's number is the machine's seed: the same run always meets the same machine.
        RunState state = open.state(id);
        Roughness rough = ScrewHistory.rig(state)
                .map(key -> Keyed.of(Roughness.class, key))
                .orElse(Roughness.EASY);
        Rig rig = new Rig(open.run(id).unit(), 7 * id, rough);
        standings.of(id).ifPresent(s -> rig.restore(s, parked.remove(id)));
        LiveRig live = new LiveRig(open.run(id).unit(), rig, clock);
        live.follow(state);
        return live;
    }

    /** Why this machine was closed; null while it lives. */
    public Reason closed(long runId) {
        return closed.get(runId);
    }

    /** Tries a closed machine again, as it was last kept. */
    public void reopen(long runId) {
        closed.remove(runId);
        rigs.remove(runId);
    }

    /** Tells everyone who watches where the run stands, the machine too. */
    public void follow(long runId, RunState state, boolean practice) {
        Hosted hosted = rigs.get(runId);
        if (hosted != null) {
            hosted.live().follow(state);
        }
        if (!practice && listeners.containsKey(runId)) {
            listeners.get(runId).tell(new Progress(state.lastSeq()));
        }
    }

    /** What is told to those who watch a run without a machine. */
    public record Progress(long seq) {}

    /** Asks a machine something and moves nothing. */
    public <T> T ask(long runId, Function<Rig, T> question) {
        return rig(runId).ask(question);
    }

    public <T> T act(long runId, Function<Rig, T> action) {
        return rig(runId).act(action);
    }

    /** @return the turns that were really made */
    public double turn(long runId, String setting, double turns) {
        return rig(runId).turn(setting, turns);
    }

    /** Lets time pass quickly; what stopped by itself is reported. */
    public void pass(long runId, double seconds) {
        rig(runId).pass(seconds).forEach((driver, cause) -> report(runId, driver, cause));
    }

    /**
     * Lets this much of a machine's time pass as if it ran by itself, and tells everyone who watches.
     *
     * @param seconds of the machine
     * @return the machine's own clock then, s; whatever stopped by itself meanwhile is in the log
     */
    public double run(long runId, double seconds) {
        LiveRig live = rig(runId);
        try {
            advance(runId, live, seconds);
        } catch (RuntimeException e) {
            close(runId, e);
            return live.time();
        }
        CompletableFuture.runAsync(() -> {}, reports).join();
        Optional.ofNullable(listeners.get(runId)).ifPresent(watching -> watching.tell(live.view()));
        return live.time();
    }

    private void advance(long runId, LiveRig live, double seconds) {
        live.advance(seconds).forEach((driver, cause) -> report(runId, driver, cause));
    }

    public Standing standing(long runId) {
        return rig(runId).standing();
    }

    public LiveView view(long runId) {
        return rig(runId).view();
    }

    /** The machine has moved but the log could not be written: it goes back to where the log has it. */
    public void forget(long runId) {
        rigs.remove(runId);
    }

    /** The machine itself, for what its instruments say. */
    public LiveRig live(long runId) {
        return rig(runId);
    }

    public SseEmitter listen(long runId, boolean practice) {
        Listeners watching = listeners.computeIfAbsent(runId, id -> new Listeners(json));
        if (!practice) {
            return watching.add(() -> new Progress(open.state(runId).lastSeq()));
        }
        if (closed.containsKey(runId)) {
            return watching.add(() -> LiveView.closed(clock.millis(), closed.get(runId)));
        }
        SseEmitter emitter = watching.add();
        rig(runId);
        return emitter;
    }

    @Scheduled(fixedRate = TICK_MS)
    void tick() {
        if (!up) {
            return;
        }
        ticks++;
        rigs.forEach((id, hosted) -> {
            try {
                tick(id, hosted);
            } catch (RuntimeException e) {
                close(id, e);
            }
        });
    }

    private void tick(long id, Hosted hosted) {
        Listeners watching = listeners.get(id);
        boolean watched = watching != null && !watching.isEmpty();
        if (watched) {
            hosted.touchedAt = clock.millis();
        } else if (clock.millis() - hosted.touchedAt > PARKED_AFTER_MS) {
            // Asked again after as long if it can't be written now; until then the machine stands as it is.
            long since = clock.millis();
            hosted.touchedAt = since;
            later(id, () -> keeper.park(id, since));
            return;
        }
        advance(id, hosted.live(), TICK_MS / 1000.0 * speed);
        if (watched) {
            watching.tell(hosted.live().view());
        }
        if (ticks % SNAPSHOT_TICKS == 0) {
            later(id, () -> keeper.snapshot(id));
        }
    }

    /** Called by whoever holds the run's log; whoever looks at the machine meanwhile keeps it. */
    public void park(long runId, long idleSince) {
        keep(runId);
        rigs.computeIfPresent(runId, (id, hosted) -> {
            if (hosted.touchedAt != idleSince) {
                return hosted;
            }
            parked.add(id);
            return null;
        });
    }

    private void close(long id, RuntimeException e) {
        LOG.error("The practice machine of run {} failed and is closed", id, e);
        closed.put(id, Reason.of(e instanceof NoBalance ? "rig.closed.no-balance" : "rig.closed.fault"));
        rigs.remove(id);
        if (listeners.containsKey(id)) {
            listeners.get(id).tell(LiveView.closed(clock.millis(), closed.get(id)));
        }
    }

    private void report(long id, String driver, String cause) {
        later(id, () -> keeper.stopped(id, driver, cause));
    }

    /** Off the clock's own thread: a slow disk holds up no machine. */
    private void later(long id, Runnable writing) {
        reports.execute(() -> {
            try {
                writing.run();
            } catch (ApiProblem told) {
                LOG.error("Of the machine of run {} something could not be written: {}", id, told.said());
            } catch (RuntimeException e) {
                LOG.error("Of the machine of run {} something could not be written", id, e);
            }
        });
    }

    @Override
    public void start() {
        up = true;
    }

    /** Open streams would hold a graceful shutdown for half a minute. */
    @Override
    public void stop() {
        up = false;
        reports.shutdown();
        rigs.forEach((id, hosted) -> {
            try {
                keeper.snapshot(id);
            } catch (ApiProblem told) {
                LOG.error("Where the machine of run {} stands could not be written: {}", id, told.said());
            }
        });
        listeners.values().forEach(Listeners::complete);
    }

    @Override
    public boolean isRunning() {
        return up;
    }

    @Override
    public int getPhase() {
        return Integer.MAX_VALUE;
    }
}
