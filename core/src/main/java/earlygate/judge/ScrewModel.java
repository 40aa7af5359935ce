package earlygate.judge;

/**
 * What is known of a screw's slope: a normal belief, started from the valve's data with 50 % uncertainty and sharpened
 * by each turn and the change of reading that it made. A pair far outside the belief is given less weight, so one bad
 * reading does little harm.
 *
 * @param slope Pa per turn, clockwise positive
 * @param sd standard deviation of the slope, Pa per turn
 * @param answers how many turns have been answered by the gauge
 * @param steepest the steepest answer seen, Pa per turn; 0 before the first
 */
public record ScrewModel(double slope, double sd, int answers, double steepest) {
    private static final double PRIOR_UNCERTAINTY = 0.5;
    private static final double PROVEN = 0.15;
    private static final double OUTLIER = 3;
    private static final double SILENCE = 0.2;

    public static ScrewModel from(double paPerTurn) {
        return new ScrewModel(paPerTurn, PRIOR_UNCERTAINTY * paPerTurn, 0, 0);
    }

    public boolean proven() {
        return answers > 0 && sd < PROVEN * slope;
    }

    /** The steepest slope that is believed or was seen, Pa per turn. */
    public double upper() {
        return Math.max(slope + 2 * sd, steepest);
    }

    /** The gentlest slope that is believed, Pa per turn. */
    public double lower() {
        return Math.max(slope - 2 * sd, 0.4 * slope);
    }

    /** Whether a change is so far below what the turns should have brought that the gauge did not follow. */
    public boolean silent(double turns, double changePa, double noisePa) {
        double expected = Math.abs(slope * turns);
        return Math.abs(changePa) < SILENCE * expected && expected > 3 * noisePa;
    }

    /**
     * A turn and what it did.
     *
     * @param turns clockwise positive
     * @param changePa change of the settled reading
     * @param noisePa standard deviation of such a change
     */
    public ScrewModel learn(double turns, double changePa, double noisePa) {
        if (turns == 0 || silent(turns, changePa, noisePa)) {
            return this;
        }
        double expected = slope * turns;
        double surprise = changePa - expected;
        double spread = Math.sqrt(noisePa * noisePa + sd * sd * turns * turns);
        double stretch = Math.max(1, Math.abs(surprise) / (OUTLIER * spread));
        double noise = noisePa * noisePa * stretch * stretch + (stretch > 1 ? sd * sd * turns * turns * stretch : 0);
        double gain = sd * sd * turns / (sd * sd * turns * turns + noise);
        double variance = sd * sd * (1 - gain * turns);
        double seen = stretch > 1 ? steepest : Math.max(steepest, changePa / turns);
        return new ScrewModel(slope + gain * surprise, Math.sqrt(variance), answers + 1, seen);
    }
}
