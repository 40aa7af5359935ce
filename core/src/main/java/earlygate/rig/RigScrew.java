package earlygate.rig;

import earlygate.unit.Screw;
import java.util.Random;

/**
 * One hidden screw of the practice rig: its spring differs from the data and stiffens along its travel, its knob has
 * play, its jam nut drags it along, and a hand does not turn exactly what it means to. {@code p = min + a x + g x^2} over
 * the turns x that the spring has followed.
 */
final class RigScrew {
    private static final double WANDERS_S = 720;

    private final double minPa;
    private final double a;
    private final double g;
    private final double travel;
    private final double drag;
    private final double play;
    private final double hand;
    private final Random hands;
    /** The setting wanders slowly by this share, up and down in {@link #WANDERS_S}, from a phase of its own. */
    private final double wander;

    private final double phase;

    private double turns;
    /** Turns that the knob can still go inward before the spring follows. */
    private double slack;

    private boolean nutTight = true;

    /** A screw near what the sheet says, but not quite. */
    RigScrew(Screw data, double presentPa, Random random, Roughness rough) {
        double slope = data.paPerTurn() * (1 - rough.spread + 2 * rough.spread * random.nextDouble());
        minPa = data.minPa() * (0.9 + 0.2 * random.nextDouble());
        double found = presentPa * (0.85 + 0.25 * random.nextDouble());
        drag = (random.nextBoolean() ? 1 : -1)
                * (rough.leastDrag + (rough.mostDrag - rough.leastDrag) * random.nextDouble());
        double over = data.maxPa() - minPa;
        travel = over / slope;
        a = 2 * slope / (rough.rise + 1);
        g = a * a * (rough.rise * rough.rise - 1) / (4 * over);
        play = rough.play;
        hand = rough.hand;
        hands = new Random(Double.doubleToLongBits(found));
        // The steepest of a sine is its height times 2 pi over its period.
        wander = rough.drift / 100 * WANDERS_S / 60 / (2 * Math.PI);
        phase = 2 * Math.PI * hands.nextDouble();
        double up = Math.max(0, found - minPa);
        turns = Math.min(travel, g == 0 ? up / a : (-a + Math.sqrt(a * a + 4 * g * up)) / (2 * g));
    }

    /** Where it is set, Pa. */
    double settingPa() {
        return minPa + a * turns + g * turns * turns;
    }

    /** Where it is now, Pa: the setting, and what it wanders. */
    double settingPa(double timeS) {
        return settingPa() * (1 + wander * Math.sin(phase + 2 * Math.PI * timeS / WANDERS_S));
    }

    /** @return the turns that were made as whoever turns believes: what was wanted, but at an end */
    double turn(double wanted) {
        if (nutTight || wanted == 0) {
            return 0;
        }
        double made = wanted + hand * (2 * hands.nextDouble() - 1);
        double taken = wanted > 0 ? Math.max(0, Math.min(slack, made)) : -Math.max(0, Math.min(play - slack, -made));
        slack -= taken;
        double before = turns;
        double to = turns + made - taken;
        turns = Math.max(0, Math.min(travel, to));
        double followed = Math.min(Math.abs(wanted), Math.abs(taken + turns - before));
        return turns == to ? wanted : Math.copySign(followed, wanted);
    }

    void nut(boolean tight) {
        if (tight && !nutTight) {
            turns = Math.max(0, Math.min(travel, turns + drag));
        }
        nutTight = tight;
    }

    void restore(Standing.ScrewStanding at) {
        turns = at.turns();
        nutTight = at.nutTight();
        slack = at.slack() == null ? 0 : at.slack();
    }

    Standing.ScrewStanding standing() {
        return new Standing.ScrewStanding(turns, nutTight, slack);
    }
}
