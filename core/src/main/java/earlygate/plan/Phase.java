package earlygate.plan;

import earlygate.explain.Reason;
import java.util.List;

/**
 * One stretch of the work; its hold point opens when every condition is met and recorded.
 *
 * @param holdPoint what must be so before the next phase begins
 */
public record Phase(Id id, List<Step> steps, List<Reason> holdPoint) {
    /** In the order in which people work. */
    public enum Id {
        PAPER("paper"),
        MAKE_SAFE("make-safe"),
        BEFORE_START("before-start"),
        FIRST_START("first-start"),
        WARM_UP("warm-up"),
        SET("set"),
        LOCK("lock"),
        VERIFY("verify"),
        HAND_OVER("hand-over");

        private final String key;

        Id(String key) {
            this.key = key;
        }

        public String key() {
            return key;
        }
    }
}
