package earlygate.judge;

import earlygate.unit.TestPoint;
import java.util.ArrayList;
import java.util.List;

/**
 * Whether a gauge followed the screw at hand. The lowest of all that limit a line holds it, and only one of them was
 * turned: turned in, it has the gauge still only if the gauge came up by as much; turned out, another has it only if the
 * gauge stayed. Pa; source: handbook, "whose screw has the gauge".
 */
final class Followed {
    /** Of a gauge's error limit and of its reading, by how much it shows one pressure differently at two times. */
    private static final double REPEATS = 0.3;

    private static final double WANDERS = 0.003;
    /** Of that, what a turn must be good for before it says anything. */
    private static final double SAYS = 4;

    private final TestPoint gauge;
    private final List<double[]> stood = new ArrayList<>();

    Followed(TestPoint gauge) {
        this.gauge = gauge;
    }

    /** The screw goes by so many turns from where the gauge stands. */
    void turned(double standsPa, double turns) {
        boolean back = !stood.isEmpty() && stood.get(stood.size() - 1)[1] * turns < 0;
        if (back) {
            stood.clear();
        }
        stood.add(new double[] {standsPa, 0});
        stood.forEach(s -> s[1] += turns);
    }

    /** Misfits, in squares of their doubts, of the screw at hand and of any other. */
    record Misfit(double own, double other) {
        static final Misfit NONE = new Misfit(0, 0);

        /** Whoever it speaks for fits, and the other worse by so much. */
        Misfit {
            double better = Math.min(own, other);
            own -= better;
            other -= better;
        }
    }

    /** By the latest turns that are good for enough, as the screw's slope is known by now. */
    Misfit at(double reads, Slope slope) {
        double repeats = REPEATS * gauge.errorPa() + WANDERS * reads;
        for (int i = stood.size() - 1; i >= 0; i--) {
            double turns = stood.get(i)[1];
            if (Math.abs(turns) * slope.perTurn() > SAYS * repeats) {
                return misfit(reads - stood.get(i)[0], turns, slope, repeats);
            }
        }
        return Misfit.NONE;
    }

    /**
     * As likelihoods: who held it before and holds it still moved it by what was turned, or not at all; who took it over
     * may have done so anywhere on the way.
     */
    private static Misfit misfit(double moved, double turns, Slope slope, double repeats) {
        double went = Math.abs(turns) * slope.perTurn();
        double doubt = Math.hypot(turns * slope.sd(), repeats);
        double off = moved - turns * slope.perTurn();
        return turns > 0
                ? new Misfit(normal(off, doubt), onTheWay(moved, went, repeats, doubt))
                : new Misfit(onTheWay(-moved, went, repeats, doubt), normal(moved, repeats));
    }

    private static double normal(double off, double doubt) {
        double z = off / doubt;
        return z * z + 2 * Math.log(doubt * Math.sqrt(2 * Math.PI));
    }

    /** Anywhere between nothing and all of the way; beyond either end by their doubts. */
    private static double onTheWay(double moved, double went, double repeats, double doubt) {
        double before = Math.min(0, moved) / repeats;
        double past = Math.max(0, moved - went) / doubt;
        return before * before + past * past + 2 * Math.log(went);
    }
}
