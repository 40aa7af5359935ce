package earlygate.plan;

import earlygate.explain.Reason;
import earlygate.quantity.Keyed;
import java.util.List;

/**
 * One stretch of the work; its hold point opens when every condition is met and recorded.
 *
 * @param holdPoint what must be so before the next phase begins
 */
public record Phase(Id id, List<Step> steps, List<Reason> holdPoint) {
    /** In the order in which people work. */
    public enum Id implements Keyed {
        PAPER,
        MAKE_SAFE,
        BEFORE_START,
        FIRST_START,
        WARM_UP,
        SET,
        LOCK,
        VERIFY,
        HAND_OVER
    }
}
