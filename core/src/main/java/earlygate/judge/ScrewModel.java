package earlygate.judge;

/**
 * What is known of a screw's slope: a normal belief, started from the valve's data with 50 % uncertainty and sharpened
 * by each turn and the change of reading that it made. A pair far outside the belief is given less weight, so one bad
 * reading does little harm.
 *
 * @param slope Pa per turn, clockwise positive
 * @param sd standard deviation of the slope, Pa per turn
 * @param answers how many turns have been answered by the gauge
 * @param silent how many turns in a row went without an answer of the expected size
 */
public record ScrewModel(double slope, double sd, int answers, int silent) {
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

    public double upper() {
        return slope + 2 * sd;
    }

    /**
     * A turn and what it did.
     *
     * @param turns clockwise positive
     * @param changePa change of the settled reading
     * @param noisePa standard deviation of such a change
     */
    public ScrewModel learn(double turns, double changePa, double noisePa) {
        if (turns == 0) {
            return this;
        }
        double expected = slope * turns;
        if (Math.abs(changePa) < SILENCE * Math.abs(expected) && Math.abs(expected) > 3 * noisePa) {
            return new ScrewModel(slope, sd, answers, silent + 1);
        }
        double surprise = changePa - expected;
        double spread = Math.sqrt(noisePa * noisePa + sd * sd * turns * turns);
        double stretch = Math.max(1, Math.abs(surprise) / (OUTLIER * spread));
        double noise = noisePa * noisePa * stretch * stretch + (stretch > 1 ? sd * sd * turns * turns * stretch : 0);
        double gain = sd * sd * turns / (sd * sd * turns * turns + noise);
        double variance = sd * sd * (1 - gain * turns);
        return new ScrewModel(slope + gain * surprise, Math.sqrt(variance), answers + 1, 0);
    }
}
