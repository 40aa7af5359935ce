package earlygate.server.rig;

import earlygate.rig.Rig;
import java.util.List;
import java.util.Map;

/**
 * What the practice machine shows at one instant.
 *
 * @param sampledAt wall clock, ms since 1970
 * @param timeS the machine's own clock
 * @param motors current by driver, A
 * @param crackBar what stood before the fall, while a crack is watched for; null until it is found
 */
public record LiveView(
        long sampledAt,
        double timeS,
        Map<String, Gauge> gauges,
        Map<String, Double> motors,
        double oilC,
        Map<String, Boolean> running,
        Map<String, Double> openings,
        Map<String, Valve> valves,
        Map<String, Rig.ScrewStanding> screws,
        Double crackBar) {
    /** A directional valve or a section: where it stands and where it could. */
    public record Valve(String at, List<String> positions) {}

    /** @param settledS how long it has been quiet */
    public record Gauge(double bar, boolean settled, double settledS) {}
}
