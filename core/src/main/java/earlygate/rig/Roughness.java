package earlygate.rig;

import earlygate.quantity.Keyed;

/**
 * How far a practice machine is from a drawing: what its gauges tremble and its hoses knock, how its springs, nuts and
 * hand wheels differ from their data, and how well a hand turns.
 */
public enum Roughness implements Keyed {
    /** Nearly as drawn: to learn the way of a job. */
    EASY(0.0004, 0, 0, 0, 0, 0.15, 1, 0, 0, 0.002, 0.008, 0.0),
    /** As in a good workshop. */
    WORKSHOP(0.001, 0.005, 0.05, 60, 0.02, 0.25, 1.4, 1 / 32.0, 1 / 64.0, 0.004, 0.015, 0.1e5),
    /** Old hoses, worn knobs, a dial at arm's length. */
    ROUGH(0.003, 0.015, 0.12, 40, 0.05, 0.45, 2, 1 / 16.0, 1 / 32.0, 0.01, 0.035, 0.5e5);

    /** Standard deviation of a gauge, and of a clamp meter or a speed, as a share of what it reads. */
    final double needle;

    final double clamp;
    /** Most that a setting drifts, percent a minute. */
    final double drift;
    /** A knock comes every so many seconds on average, 0 for never; its size as a share of the pressure at most. */
    final double knockEveryS;

    final double knock;
    /** A spring's slope differs from its data by so much at most; from end to end it rises so many times. */
    final double spread;

    final double rise;
    /** Turns that a knob moves before its spring follows; a hand is off by so much at most. */
    final double play;

    final double hand;
    /** Turns by which a nut drags its screw, least and most. */
    final double leastDrag;

    final double mostDrag;
    /** Pa; what is shown goes by such steps. */
    final double step;

    Roughness(
            double needle,
            double clamp,
            double drift,
            double knockEveryS,
            double knock,
            double spread,
            double rise,
            double play,
            double hand,
            double leastDrag,
            double mostDrag,
            double step) {
        this.needle = needle;
        this.clamp = clamp;
        this.drift = drift;
        this.knockEveryS = knockEveryS;
        this.knock = knock;
        this.spread = spread;
        this.rise = rise;
        this.play = play;
        this.hand = hand;
        this.leastDrag = leastDrag;
        this.mostDrag = mostDrag;
        this.step = step;
    }
}
