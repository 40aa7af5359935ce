package earlygate.run;

import earlygate.judge.Slope;
import java.time.Instant;
import java.util.OptionalDouble;

/**
 * What a run learned of a screw, to be known when the next one begins.
 *
 * @param gauge on which its slope was seen; a difference as "GP-GL"
 * @param paPerTurn with its standard deviation {@code sd}, by so many {@code answers}
 * @param drag turns by which its nut moves it, clockwise positive; 0 where nobody saw it
 * @param travel turns from end to end, where both were touched
 * @param at when and {@code by} whom
 */
public record ScrewTaught(
        String setting,
        String gauge,
        double paPerTurn,
        double sd,
        int answers,
        double drag,
        OptionalDouble travel,
        Instant at,
        String by) {
    Slope slope() {
        return new Slope(paPerTurn, sd, answers);
    }
}
