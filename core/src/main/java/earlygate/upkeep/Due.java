package earlygate.upkeep;

import earlygate.explain.Reason;
import earlygate.quantity.Keyed;
import java.time.LocalDate;
import java.util.Optional;

/**
 * When a task is to be done next.
 *
 * @param last the day it was done last; empty where it never was since the upkeep began
 * @param on when it is due, or since when; empty where nothing shows it yet
 */
public record Due(Task task, Optional<LocalDate> last, Optional<LocalDate> on, State state, Reason said) {
    public enum State implements Keyed {
        DUE,
        SOON,
        /** By hours, and nobody has read the counter. */
        UNKNOWN,
        FINE,
        /** Done by condition, and nothing shows it. */
        WAITS
    }

    /** So many days before it is said. */
    private static final int SOON_DAYS = 14;
    /** A task that comes back every few days is not always soon. */
    private static final int SOON_SHARE = 4;

    /** @param everyDays 0 for one that has no interval of days */
    static Due at(Task task, Optional<LocalDate> last, LocalDate on, LocalDate today, int everyDays, Reason said) {
        int notice = everyDays == 0 ? SOON_DAYS : Math.min(SOON_DAYS, everyDays / SOON_SHARE);
        State state = !on.isAfter(today) ? State.DUE : !on.isAfter(today.plusDays(notice)) ? State.SOON : State.FINE;
        return new Due(task, last, Optional.of(on), state, said);
    }
}
