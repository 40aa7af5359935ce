package earlygate.server.rig;

import earlygate.explain.Reason;
import earlygate.quantity.PressureUnit;
import earlygate.rig.Readiness;
import earlygate.rig.Standing;
import earlygate.server.words.Words;
import java.util.List;
import java.util.Map;

/**
 * What the practice machine shows at one instant.
 *
 * @param sampledAt wall clock, ms since 1970
 * @param seq of the run's last event: a greater one means that somebody has gone on
 * @param timeS the machine's own clock
 * @param motors by driver, engines left out
 * @param engines rev/min by engine: what it has to do shows as its speed
 * @param speeds by engine, what its lever stands at and could
 * @param meters L/min of the flow meters that were fitted, by the part in whose line each stands
 * @param vents by relief valve that has one, whether it is open
 * @param onTimeS how long a battery motor has been on, less what it has rested since
 * @param stops drives that stopped by themselves, with the cause
 * @param wrong what stands otherwise than the step needs it, and what to put back
 * @param crackBar what stood before the fall, while a crack is watched for; null until it is found
 * @param crack what is seen while a crack is watched for; null before the gauge has stood
 * @param held who has the gauge of the screw at hand; null while it moves, or the machine stands otherwise than planned
 * @param closed why the machine was closed; null while it lives
 */
public record LiveView(
        long sampledAt,
        long seq,
        double timeS,
        Map<String, Gauge> gauges,
        Map<String, Motor> motors,
        Map<String, Long> engines,
        double oilC,
        Map<String, Boolean> running,
        Map<String, Double> openings,
        Map<String, Valve> valves,
        Map<String, Speed> speeds,
        Map<String, Double> meters,
        Map<String, Boolean> vents,
        Map<String, Standing.ScrewStanding> screws,
        Readiness ready,
        Map<String, Double> onTimeS,
        Map<String, String> stops,
        List<String> wrong,
        Double crackBar,
        Crack crack,
        Held held,
        String closed) {
    /** A directional valve or a section: where it stands and where it could. */
    public record Valve(String at, List<String> positions) {}

    /** Rev/min without load. */
    public record Speed(long at, List<Long> marked) {}

    /**
     * @param settled a reading can be taken
     * @param takeBar the one that would be taken: what stands, or the highest or lowest gone through; null while none
     */
    public record Gauge(double bar, boolean settled, Double takeBar) {}

    /**
     * @param heldBar what stands, or stood before the fall
     * @param fallBar how far it has fallen since; null before it cracked
     * @param standsBar where the relief itself stands, with 95 % bounds; null where nothing can be told
     */
    public record Crack(Double heldBar, Double fallBar, Double standsBar, Double lowBar, Double highBar) {}

    /** @param by as people call them, the likeliest first; several where the instruments don't tell them apart */
    public record Held(String gauge, List<String> by) {}

    public record Motor(double amps, boolean settled) {}

    static LiveView closed(long at, Reason why) {
        return new LiveView(
                at,
                0,
                0,
                Map.of(),
                Map.of(),
                Map.of(),
                0,
                Map.of(),
                Map.of(),
                Map.of(),
                Map.of(),
                Map.of(),
                Map.of(),
                Map.of(),
                null,
                Map.of(),
                Map.of(),
                List.of(),
                null,
                null,
                null,
                Words.in(PressureUnit.BAR).say(why));
    }
}
