package earlygate.rig;

import java.util.Map;

/** What anybody beside the machine can see of it, and what a restart needs. */
public record Standing(
        Map<String, Boolean> running,
        Map<String, Double> openings,
        Map<String, String> positions,
        Map<String, ScrewStanding> screws,
        double oil,
        double timeS,
        Map<String, Double> pressures,
        Readiness ready,
        Double air,
        Map<String, Double> onTimeS) {
    /** @param turns in from all out */
    public record ScrewStanding(double turns, boolean nutTight) {}
}
