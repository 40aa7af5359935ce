package earlygate.plan;

import earlygate.circuit.Situation;
import earlygate.explain.Reason;
import java.util.List;
import java.util.Optional;

/**
 * One thing to do, as it will look at the machine.
 *
 * @param setting the adjuster at hand
 * @param goal where that adjuster's gauge reading must come
 * @param inControl who has the gauge then, from the model
 * @param situation the state the step ends in
 * @param ifNot what it means when the expected reading doesn't come
 * @param minutes how long it takes, estimated
 * @param unprotected no limit but the one at hand stands below the ratings meanwhile
 */
public record Step(
        String id,
        Kind kind,
        Optional<String> setting,
        Optional<Goal> goal,
        Reason action,
        Reason why,
        Optional<String> inControl,
        Situation situation,
        List<Expect> expect,
        List<Reason> ifNot,
        List<Reason> cautions,
        String tool,
        int people,
        double minutes,
        boolean unprotected) {
    public enum Kind {
        CHECK("check"),
        START_POSITION("start-position"),
        MOVE_GAUGE("move-gauge"),
        SET("set"),
        LOCK("lock"),
        TEST("test"),
        RESTORE("restore");

        private final String key;

        Kind(String key) {
            this.key = key;
        }

        public String key() {
            return key;
        }
    }

    /** How the adjuster is brought there. */
    public enum Way {
        /** Turn, read, turn again until it reads the target. */
        TURN_TO_READING,
        /** Back a relief out until it just begins to pass. */
        BACK_OUT_TO_CRACK,
        /** Count turns; the gauge doesn't follow, or only for a part. */
        COUNT_TURNS,
        /** To the end of the screw, counting. */
        TO_THE_END
    }

    /**
     * @param testPoint gauge that is read
     * @param targetPa reading that is wanted; {@code tolerancePa} to either side
     * @param limitPa never to be passed on the way
     * @param turns clockwise, about how many, where they are counted; otherwise 0
     */
    public record Goal(Way way, String testPoint, double targetPa, double tolerancePa, double limitPa, double turns) {}

    /** Whether its reading decides a setting, so that cold oil and a coarse gauge can't pass it. */
    public boolean judgesSetting() {
        return kind == Kind.SET || kind == Kind.LOCK && goal.isPresent();
    }
}
