package earlygate.plan;

import earlygate.explain.Reason;
import earlygate.quantity.Keyed;
import earlygate.unit.Situation;
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
 * @param demand what it asks besides its readings
 * @param notes what is to be written down in it: oil level, precharge, times
 * @param does what a check does to the machine once it is done, such as a lock put on
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
        boolean unprotected,
        Optional<Demand> demand,
        List<Reason> notes,
        List<Deed> does) {
    /** Plans of earlier runs lack the last three. */
    public Step {
        does = does == null ? List.of() : does;
        demand = demand == null ? Optional.empty() : demand;
        notes = notes == null ? List.of() : notes;
    }

    /** @param action lock-out, suction, fill, rotation or pass; {@code to} 1 on, open, full, right; seconds to pass */
    public record Deed(String action, String part, double to) {}

    /** What a step asks besides its readings. */
    public enum Demand implements Keyed {
        /** Its reading proves that nothing is left: no fitting is opened before it passes, and nothing may be left so. */
        ZERO,
        /** The load is opened and shut again in it. */
        LOAD_MOVED,
        /** One of several readings that must agree. */
        RETURN,
        /** A drive with an on-time limit rests. */
        REST
    }

    public enum Kind implements Keyed {
        CHECK,
        START_POSITION,
        MOVE_GAUGE,
        SET,
        LOCK,
        TEST,
        RESTORE
    }

    /** How the adjuster is brought there. */
    public enum Way implements Keyed {
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
     * @param minus gauge whose reading is taken off, read in the same state; empty for one gauge alone
     * @param targetPa reading that is wanted; {@code tolerancePa} to either side
     * @param limitPa never to be passed on the way by the reading of {@code testPoint}
     * @param turns clockwise, about how many, where they are counted; otherwise 0
     */
    public record Goal(
            Way way,
            String testPoint,
            double targetPa,
            double tolerancePa,
            double limitPa,
            double turns,
            Optional<String> minus) {
        public Goal {
            minus = minus == null ? Optional.empty() : minus;
        }

        public Goal(Way way, String testPoint, double targetPa, double tolerancePa, double limitPa, double turns) {
            this(way, testPoint, targetPa, tolerancePa, limitPa, turns, Optional.empty());
        }

        /** Whether it is read on this instrument, alone or as one of two. */
        public boolean reads(String instrument) {
            return testPoint.equals(instrument)
                    || minus.filter(instrument::equals).isPresent();
        }

        /** The end of the screw that is meant: clockwise or counter-clockwise. */
        public boolean inward() {
            return turns > 0;
        }
    }

    public boolean demands(Demand d) {
        return demand.filter(d::equals).isPresent();
    }

    public boolean goes(Way way) {
        return goal.filter(g -> g.way() == way).isPresent();
    }

    /** Whether its reading decides a setting, so that cold oil and a coarse gauge can't pass it. */
    public boolean judgesSetting() {
        return (kind == Kind.SET || kind == Kind.LOCK) && goal.isPresent();
    }
}
