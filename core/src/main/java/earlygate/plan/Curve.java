package earlygate.plan;

import earlygate.verify.Fit;
import java.util.List;
import java.util.Optional;

/**
 * A curve that is taken in a step, point by point, while a load is shut slowly. SI.
 *
 * @param subject pump or relief valve that it tells of
 * @param gauge test point of its pressure; {@code signal} the one that is taken off it, for a margin
 * @param metered component in whose line a flow meter stands
 * @param load hand valve that is shut
 * @param from how far that is open at the first point, 0 to 1
 * @param aims where points are worth most, in the order in which the load comes by them
 */
public record Curve(
        Fit.Kind kind,
        String subject,
        String gauge,
        Optional<String> signal,
        String metered,
        String load,
        double from,
        List<Aim> aims) {
    /** What the model expects there. @param back on the way back to the open load */
    public record Aim(double pressurePa, double flow, double opening, boolean back) {}
}
