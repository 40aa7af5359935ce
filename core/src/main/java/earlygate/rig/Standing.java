package earlygate.rig;

import java.util.Map;

/**
 * What anybody beside the machine can see of it, and what a restart needs.
 *
 * @param vents by relief valve, whether its vent is open; null from earlier versions
 * @param speeds that engines are set to, rev/s without load; null from earlier versions
 */
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
        Map<String, Double> onTimeS,
        Map<String, Boolean> vents,
        Map<String, Double> speeds) {
    /**
     * @param turns in from all out
     * @param slack turns that the knob can go inward before its spring follows; null from earlier versions
     */
    public record ScrewStanding(double turns, boolean nutTight, Double slack) {}
}
