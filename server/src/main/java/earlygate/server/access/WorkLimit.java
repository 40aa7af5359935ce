package earlygate.server.access;

import earlygate.explain.Reason;
import earlygate.server.words.ApiProblem;
import earlygate.work.WorkBound;
import earlygate.work.WorkStopped;
import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.time.Duration;
import java.util.concurrent.Semaphore;
import java.util.concurrent.TimeUnit;
import java.util.regex.Pattern;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * Bounds what one request may work out: so much time of a processor, and no longer than somebody waits for the answer. Of
 * those that work longer than a moment as many go on at once as there are cores; the others wait in turn.
 */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE + 30)
public class WorkLimit extends OncePerRequestFilter {
    /**
     * What is worked out from a sheet that anybody may have drawn. It holds no lock meanwhile, so one may wait for another.
     * What is read from a log that is there, or written to one, is no work of this kind: it is never refused.
     */
    private static final Pattern BOUNDED = Pattern.compile(
            "/api/(calc|days|patterns|reckon|prove)\\b.*|/api/units/[^/]+/(plan\\.\\w+|field-sheet\\.pdf)|/api/runs");

    private static final long MOMENT = Duration.ofMillis(300).toNanos();
    private static final long LOOK_MS = 50;

    private final int atOnce = Runtime.getRuntime().availableProcessors();
    private final Semaphore cores = new Semaphore(atOnce, true);
    private final Duration most;
    private final Duration patience;

    /**
     * @param most seconds of a processor
     * @param patience seconds to wait for one's turn
     */
    WorkLimit(@Value("${early-gate.work.most}") double most, @Value("${early-gate.work.patience}") long patience) {
        this.most = Duration.ofMillis(Math.round(most * 1000));
        this.patience = Duration.ofSeconds(patience);
    }

    /** Of a processor, that one request may work. */
    public double seconds() {
        return most.toMillis() / 1000.0;
    }

    /** How many work longer than a moment just now, of how many at most, and how many wait for their turn. */
    record Queue(int atOnce, int working, int waiting) {}

    Queue queue() {
        return new Queue(atOnce, atOnce - cores.availablePermits(), cores.getQueueLength());
    }

    /** A request with a body is served in a second round, once the body is there. */
    @Override
    protected boolean shouldNotFilterAsyncDispatch() {
        return false;
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        // As the servlet reads it, whatever else stands in the address.
        if (!BOUNDED.matcher(request.getServletPath()).matches()) {
            chain.doFilter(request, response);
            return;
        }
        Work work = new Work(request);
        try (WorkBound bound = WorkBound.of(work::ask)) {
            chain.doFilter(request, response);
        } finally {
            work.end();
        }
    }

    /** What one request works out. */
    private final class Work {
        private final HttpServletRequest request;
        private final ProcessorTime time = new ProcessorTime(most);
        private boolean holds;

        private Work(HttpServletRequest request) {
            this.request = request;
        }

        private void ask() {
            if (!time.isTimeToLook()) {
                return;
            }
            if (Presence.left(request)) {
                throw WorkStopped.left();
            }
            if (!holds && time.used() > MOMENT) {
                holds = waited();
            }
        }

        /** In turn; whoever leaves meanwhile gives the place up. */
        private boolean waited() {
            long until = System.nanoTime() + patience.toNanos();
            try {
                while (!cores.tryAcquire(LOOK_MS, TimeUnit.MILLISECONDS)) {
                    if (Presence.left(request)) {
                        throw WorkStopped.left();
                    }
                    if (System.nanoTime() > until) {
                        throw ApiProblem.of(
                                HttpStatus.SERVICE_UNAVAILABLE,
                                "",
                                Reason.of("work.busy").number("seconds", patience.toSeconds()));
                    }
                }
                return true;
            } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
                throw WorkStopped.left();
            }
        }

        private void end() {
            if (holds) {
                cores.release();
            }
        }
    }
}
