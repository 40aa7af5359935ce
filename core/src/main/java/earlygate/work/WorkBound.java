package earlygate.work;

/**
 * Whether the thread at hand may go on with what it works out. The solver asks before each solution, so a plan or a search
 * that takes too long, or that nobody waits for any more, ends there.
 */
public final class WorkBound implements AutoCloseable {
    private static final ThreadLocal<Runnable> ASKED = new ThreadLocal<>();

    private final Runnable around;

    private WorkBound(Runnable around) {
        this.around = around;
    }

    /**
     * Holds until it is closed; one around it holds again then.
     *
     * @param mayGoOn throws {@link WorkStopped} where it may not; asked some ten thousand times a second
     */
    public static WorkBound of(Runnable mayGoOn) {
        WorkBound bound = new WorkBound(ASKED.get());
        ASKED.set(mayGoOn);
        return bound;
    }

    /** @throws WorkStopped where this thread's work has come to its bound; a thread without one goes on */
    public static void ask() {
        Runnable asked = ASKED.get();
        if (asked != null) {
            asked.run();
        }
    }

    @Override
    public void close() {
        ASKED.set(around);
    }
}
