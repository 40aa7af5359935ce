package earlygate.judge;

import earlygate.quantity.Keyed;

/**
 * What is known of how much a gauge moves by a turn of a screw.
 *
 * @param perTurn clockwise positive, in the gauge's unit
 * @param sd standard deviation of that
 * @param answers turns that the gauge has answered; 0 while only the valve's data speak
 */
public record Slope(double perTurn, double sd, int answers) {
    private static final double DATA_UNCERTAINTY = 0.5;
    private static final double PROVEN = 0.15;
    /** Springs stiffen along their travel: what was learned at one place is no surer than this at another. */
    private static final double ELSEWHERE = 0.08;

    private static final double FLATTEST = 0.4;

    /** How well a slope is known: whether a turn may be built on it. */
    public enum Known implements Keyed {
        WELL,
        ROUGHLY,
        HARDLY
    }

    public static Slope ofData(double perTurn) {
        return new Slope(perTurn, DATA_UNCERTAINTY * perTurn, 0);
    }

    public boolean proven() {
        return answers > 0 && sd < PROVEN * perTurn;
    }

    public Known known() {
        return proven() ? Known.WELL : answers > 0 ? Known.ROUGHLY : Known.HARDLY;
    }

    /** The steepest that is believed. */
    public double upper() {
        return perTurn + 2 * sd;
    }

    /** The gentlest that is believed. */
    public double lower() {
        return Math.max(perTurn - 2 * sd, FLATTEST * perTurn);
    }

    /** How likely another slope is by this one, as a logarithm; flat where nothing was learned. */
    double logLikelihood(double other) {
        if (answers == 0) {
            return 0;
        }
        double off = (other - perTurn) / Math.max(sd, ELSEWHERE * perTurn);
        return -0.5 * off * off;
    }
}
