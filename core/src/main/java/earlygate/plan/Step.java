package earlygate.plan;

import earlygate.explain.Reason;
import earlygate.explain.Value.Amount;
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
 * @param moves what a hand does, in order; plans before edition 4 don't say
 * @param curve what is taken in it point by point; plans before edition 6 had none
 * @param procedure the test it belongs to; plans before edition 7 don't say
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
        List<Deed> does,
        List<Move> moves,
        Optional<Curve> curve,
        Optional<Procedure> procedure) {
    /** Plans of earlier runs lack the last six. */
    public Step {
        procedure = procedure == null ? Optional.empty() : procedure;
        curve = curve == null ? Optional.empty() : curve;
        does = does == null ? List.of() : does;
        moves = moves == null ? List.of() : moves;
        demand = demand == null ? Optional.empty() : demand;
        notes = notes == null ? List.of() : notes;
    }

    /** Hands put the machine otherwise, and nothing is read. */
    public static Step byHand(String id, Reason action, Reason why, Situation to, Reason caution, List<Move> moves) {
        return new Step(
                id,
                Kind.CHECK,
                Optional.empty(),
                Optional.empty(),
                action,
                why,
                Optional.empty(),
                to,
                List.of(),
                List.of(),
                List.of(caution),
                "",
                1,
                1,
                false,
                Optional.empty(),
                List.of(),
                List.of(),
                moves,
                Optional.empty(),
                Optional.empty());
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
        /** One of two readings, the lever to either side, that must agree. */
        BOTH_WAYS,
        /** A drive with an on-time limit rests. */
        REST,
        /** Reads a setting as it came. */
        AS_FOUND
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

    public boolean demands(Demand d) {
        return demand.filter(d::equals).isPresent();
    }

    /** The pressure that decides it; empty where none does, or turns do. */
    public Optional<Goal.Measured> measured() {
        return goal.filter(Goal.Measured.class::isInstance).map(Goal.Measured.class::cast);
    }

    /** Whether the adjuster at hand has the gauge it is read on. */
    public boolean readsItself() {
        return setting.isPresent() && inControl.equals(setting);
    }

    /** Whether a relief is backed out in it until it cracks. */
    public boolean cracks() {
        return goal.filter(Goal.Crack.class::isInstance).isPresent();
    }

    /** Whether it turns, reads or asks for anything that has to hold for what comes after it. */
    public boolean proves() {
        return goal.isPresent() || !expect.isEmpty() || demand.isPresent() || curve.isPresent();
    }

    /** Whether its screw is turned inward until it stops. */
    public boolean goesAllIn() {
        return goal.filter(g -> g instanceof Goal.ToEnd e && e.inward()).isPresent();
    }

    /** The same with other expectations, its goal and the figures that it speaks of moved by so many Pa. */
    public Step reading(List<Expect> other, double goalBy) {
        Reason said = action;
        for (String key : List.of("reads", "target")) {
            if (goalBy != 0 && action.values().get(key) instanceof Amount a && speaksOf(key, a)) {
                said = said.pressure(key, a.si() + goalBy);
            }
        }
        return new Step(
                id,
                kind,
                setting,
                goal.map(g -> g instanceof Goal.Measured m ? m.moved(goalBy) : g),
                said,
                why,
                inControl,
                situation,
                List.copyOf(other),
                ifNot,
                cautions,
                tool,
                people,
                minutes,
                unprotected,
                demand,
                notes,
                does,
                moves,
                curve,
                procedure);
    }

    /** A margin's drawn target stays; what the gauges must show for it moves. */
    private boolean speaksOf(String key, Amount a) {
        return measured()
                .filter(g -> key.equals("reads") || !(g instanceof Goal.Difference))
                .filter(g -> Math.abs(g.targetPa() - a.si()) < 1)
                .isPresent();
    }

    /** Whether its reading decides a setting, so that cold oil and a coarse gauge can't pass it. */
    public boolean judgesSetting() {
        return (kind == Kind.SET || kind == Kind.LOCK) && measured().isPresent();
    }
}
