package earlygate.server.rig;

import java.io.IOException;
import java.util.List;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.concurrent.atomic.AtomicReference;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;

/**
 * The browsers that watch one run. What is told is sent by threads of their own: a slow browser misses what came between,
 * and holds up nobody.
 */
public final class Listeners {
    private static final ExecutorService SENDERS = Executors.newCachedThreadPool(task -> {
        Thread t = new Thread(task, "live-sender");
        t.setDaemon(true);
        return t;
    });

    private static final class Listener {
        private final SseEmitter emitter = new SseEmitter(0L);
        private final AtomicReference<Object> next = new AtomicReference<>();
        private final AtomicBoolean sending = new AtomicBoolean();
    }

    private final List<Listener> all = new CopyOnWriteArrayList<>();

    public SseEmitter add() {
        Listener l = new Listener();
        l.emitter.onCompletion(() -> all.remove(l));
        l.emitter.onError(e -> all.remove(l));
        all.add(l);
        return l.emitter;
    }

    public boolean isEmpty() {
        return all.isEmpty();
    }

    public void tell(Object what) {
        for (Listener l : all) {
            l.next.set(what);
            if (l.sending.compareAndSet(false, true)) {
                SENDERS.execute(() -> send(l));
            }
        }
    }

    private void send(Listener l) {
        try {
            for (Object what = l.next.getAndSet(null); what != null; what = l.next.getAndSet(null)) {
                l.emitter.send(what);
            }
        } catch (IOException | IllegalStateException gone) {
            all.remove(l);
        } finally {
            l.sending.set(false);
        }
    }

    public void complete() {
        all.forEach(l -> l.emitter.complete());
        all.clear();
    }
}
