package earlygate.rig;

import earlygate.unit.Screw;
import java.util.Random;

/** One hidden screw of the practice rig: its spring differs from the data, its jam nut drags it along. */
final class RigScrew {
    private final double minPa;
    private final double paPerTurn;
    private final double travel;
    private final double drag;
    private double turns;
    private boolean nutTight = true;

    private RigScrew(double minPa, double paPerTurn, double travel, double drag, double turns) {
        this.minPa = minPa;
        this.paPerTurn = paPerTurn;
        this.travel = travel;
        this.drag = drag;
        this.turns = turns;
    }

    /** A screw near what the sheet says, but not quite. */
    static RigScrew hidden(Screw data, double presentPa, Random random) {
        double slope = data.paPerTurn() * (0.85 + 0.3 * random.nextDouble());
        double min = data.minPa() * (0.9 + 0.2 * random.nextDouble());
        double found = presentPa * (0.85 + 0.25 * random.nextDouble());
        double drag = (random.nextBoolean() ? 1 : -1) * (0.002 + 0.006 * random.nextDouble());
        double travel = (data.maxPa() - min) / slope;
        return new RigScrew(min, slope, travel, drag, Math.max(0, Math.min(travel, (found - min) / slope)));
    }

    double settingPa() {
        return minPa + turns * paPerTurn;
    }

    double turn(double wanted) {
        if (nutTight) {
            return 0;
        }
        double before = turns;
        turns = Math.max(0, Math.min(travel, turns + wanted));
        return turns - before;
    }

    void nut(boolean tight) {
        if (tight && !nutTight) {
            turns = Math.max(0, Math.min(travel, turns + drag));
        }
        nutTight = tight;
    }

    void restore(double at, boolean tight) {
        turns = at;
        nutTight = tight;
    }

    double turns() {
        return turns;
    }

    boolean nutTight() {
        return nutTight;
    }
}
