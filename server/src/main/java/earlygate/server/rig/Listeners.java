package earlygate.server.rig;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.concurrent.LinkedBlockingQueue;
import java.util.concurrent.ThreadPoolExecutor;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.concurrent.atomic.AtomicReference;
import java.util.function.Supplier;
import org.springframework.http.MediaType;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;
import tools.jackson.databind.json.JsonMapper;

/**
 * The browsers that watch one run. What is told is sent by threads of their own: a slow browser misses what came between,
 * and holds up nobody.
 */
public final class Listeners {
    /** So many may be slow at once before one of them holds up another. */
    private static final int MOST_SENDERS = 64;

    private static final ThreadPoolExecutor SENDERS = new ThreadPoolExecutor(
            MOST_SENDERS, MOST_SENDERS, 10, TimeUnit.SECONDS, new LinkedBlockingQueue<>(), task -> {
                Thread t = new Thread(task, "live-sender");
                t.setDaemon(true);
                return t;
            });

    static {
        SENDERS.allowCoreThreadTimeOut(true);
    }

    private static final MediaType TEXT = new MediaType("text", "plain", StandardCharsets.UTF_8);

    private static final class Listener {
        private final SseEmitter emitter = new SseEmitter(0L);
        private final AtomicReference<String> next = new AtomicReference<>();
        private final AtomicBoolean sending = new AtomicBoolean();
    }

    private final JsonMapper json;
    private final List<Listener> all = new CopyOnWriteArrayList<>();

    Listeners(JsonMapper json) {
        this.json = json;
    }

    public SseEmitter add() {
        return added().emitter;
    }

    /** @param first what is told to this one alone, asked once it is listening */
    public SseEmitter add(Supplier<Object> first) {
        Listener l = added();
        tell(l, json.writeValueAsString(first.get()));
        return l.emitter;
    }

    private Listener added() {
        Listener l = new Listener();
        l.emitter.onCompletion(() -> all.remove(l));
        l.emitter.onError(e -> all.remove(l));
        all.add(l);
        return l;
    }

    public boolean isEmpty() {
        return all.isEmpty();
    }

    public void tell(Object what) {
        if (!all.isEmpty()) {
            // Written once, however many watch.
            String text = json.writeValueAsString(what);
            all.forEach(l -> tell(l, text));
        }
    }

    private void tell(Listener l, String text) {
        l.next.set(text);
        if (l.sending.compareAndSet(false, true)) {
            SENDERS.execute(() -> send(l));
        }
    }

    private void send(Listener l) {
        try {
            for (String what = l.next.getAndSet(null); what != null; what = l.next.getAndSet(null)) {
                l.emitter.send(SseEmitter.event().data(what, TEXT));
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
