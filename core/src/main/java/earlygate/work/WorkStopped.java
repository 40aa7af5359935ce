package earlygate.work;

/** Work that came to its bound: it took too long, or nobody waits for it any more. */
public final class WorkStopped extends RuntimeException {
    private final boolean left;

    private WorkStopped(boolean left) {
        super(left ? "nobody waits for it" : "it took too long", null, false, false);
        this.left = left;
    }

    public static WorkStopped tooLong() {
        return new WorkStopped(false);
    }

    public static WorkStopped left() {
        return new WorkStopped(true);
    }

    /** Nobody waits for it any more. */
    public boolean isLeft() {
        return left;
    }
}
