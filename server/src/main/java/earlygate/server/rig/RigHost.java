package earlygate.server.rig;

import earlygate.plan.Step;
import earlygate.rig.Rig;
import earlygate.run.RunState;
import earlygate.server.runs.OpenRuns;
import earlygate.server.runs.RunStore;
import java.io.IOException;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Consumer;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.context.SmartLifecycle;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;

/** Keeps the practice machines running and tells everyone who listens, twenty times a second. */
@Component
public class RigHost implements SmartLifecycle {
    private static final int TICK_MS = 50;
    /** Ticks between two snapshots of a machine that nobody touches. */
    private static final int SNAPSHOT_TICKS = 200;

    private final OpenRuns open;
    private final RunStore store;
    private final double speed;
    private final Map<Long, LiveRig> rigs = new ConcurrentHashMap<>();
    private long ticks;
    private volatile boolean up;

    RigHost(OpenRuns open, RunStore store, @Value("${early-gate.rig.speed}") double speed) {
        this.open = open;
        this.store = store;
        this.speed = speed;
    }

    private LiveRig rig(long runId) {
        return rigs.computeIfAbsent(runId, id -> {
            // The run's number is the machine's seed: the same run always meets the same machine.
            Rig rig = new Rig(open.run(id).unit(), 7 * id);
            store.standing(id).ifPresent(rig::restore);
            LiveRig live = new LiveRig(open.run(id).unit(), rig);
            watch(live, open.state(id));
            return live;
        });
    }

    /** Tells the machine where its run stands, so that a crack is watched for when one is due. */
    public void follow(long runId, RunState state) {
        if (rigs.containsKey(runId)) {
            watch(rigs.get(runId), state);
        }
    }

    private static void watch(LiveRig live, RunState state) {
        Step step = state.current().orElse(null);
        boolean due = step != null
                && state.waitingAt().isEmpty()
                && step.goal()
                        .filter(g -> g.way() == Step.Way.BACK_OUT_TO_CRACK)
                        .isPresent()
                && state.record(step.id()).cracked().isEmpty();
        if (due) {
            live.watch(
                    step.id() + "/" + state.record(step.id()).attempts(),
                    step.goal().get().testPoint());
        } else {
            live.watch("", "");
        }
    }

    LiveView act(long runId, Consumer<Rig> action, boolean turns) {
        LiveRig live = rig(runId);
        store.standing(runId, live.act(action, turns));
        return live.view();
    }

    public boolean settled(long runId, String instrument) {
        return rig(runId).isSettled(instrument);
    }

    /** The settled reading of an instrument, SI. */
    public double reading(long runId, String instrument) {
        return rig(runId).reading(instrument);
    }

    public double oil(long runId) {
        return rig(runId).oil();
    }

    /** Pa; empty while no crack was found. */
    public OptionalDouble crackedAt(long runId) {
        return rig(runId).crackedAt();
    }

    SseEmitter listen(long runId) {
        LiveRig live = rig(runId);
        SseEmitter emitter = new SseEmitter(0L);
        emitter.onCompletion(() -> live.listeners.remove(emitter));
        emitter.onError(e -> live.listeners.remove(emitter));
        live.listeners.add(emitter);
        return emitter;
    }

    @Scheduled(fixedRate = TICK_MS)
    void tick() {
        if (!up) {
            return;
        }
        ticks++;
        rigs.forEach((id, live) -> {
            live.advance(TICK_MS / 1000.0 * speed);
            if (!live.listeners.isEmpty()) {
                tell(live);
            }
            if (ticks % SNAPSHOT_TICKS == 0) {
                store.standing(id, live.standing());
            }
        });
    }

    private static void tell(LiveRig live) {
        LiveView view = live.view();
        for (SseEmitter listener : live.listeners) {
            try {
                listener.send(view);
            } catch (IOException | IllegalStateException gone) {
                live.listeners.remove(listener);
            }
        }
    }

    @Override
    public void start() {
        up = true;
    }

    /** Open streams would hold a graceful shutdown for half a minute. */
    @Override
    public void stop() {
        up = false;
        rigs.forEach((id, live) -> {
            store.standing(id, live.standing());
            live.listeners.forEach(SseEmitter::complete);
        });
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
