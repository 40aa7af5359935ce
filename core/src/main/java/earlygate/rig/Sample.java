package earlygate.rig;

import java.util.Map;

/**
 * What the instruments of a practice machine show at one instant.
 *
 * @param timeS the machine's own clock, s
 * @param gauges Pa by test point
 * @param currents A by driver, engines left out
 * @param speeds rev/s by engine
 * @param oil K
 */
public record Sample(
        double timeS,
        Map<String, Double> gauges,
        Map<String, Double> currents,
        Map<String, Double> speeds,
        double oil) {}
