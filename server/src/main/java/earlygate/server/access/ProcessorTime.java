package earlygate.server.access;

import earlygate.work.WorkStopped;
import java.lang.management.ManagementFactory;
import java.lang.management.ThreadMXBean;
import java.time.Duration;

/**
 * So much time of a processor for the thread that makes it, however busy the machine is. Looked at now and then only: a
 * look costs more than most of what it bounds.
 */
public final class ProcessorTime implements Runnable {
    private static final long BETWEEN = Duration.ofMillis(50).toNanos();
    private static final ThreadMXBean THREADS = ManagementFactory.getThreadMXBean();

    private final long most;
    private final long began = THREADS.getCurrentThreadCpuTime();
    private long looked = System.nanoTime();

    public ProcessorTime(Duration most) {
        this.most = most.toNanos();
    }

    /** @throws WorkStopped where it is used up */
    @Override
    public void run() {
        isTimeToLook();
    }

    /** @return whether it looked, which it does every 50 ms */
    boolean isTimeToLook() {
        long now = System.nanoTime();
        if (now - looked < BETWEEN) {
            return false;
        }
        looked = now;
        if (used() > most) {
            throw WorkStopped.tooLong();
        }
        return true;
    }

    /** In ns. */
    long used() {
        return THREADS.getCurrentThreadCpuTime() - began;
    }
}
