package earlygate.plan;

import earlygate.verify.Fit;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/**
 * A curve that is taken in a step, point by point, while a load is shut slowly. SI.
 *
 * @param subject pump or relief valve that it tells of
 * @param gauge test point of its pressure; {@code signal} the one that is taken off it, for a margin
 * @param metered component in whose line a flow meter stands
 * @param load hand valve that is shut, from wide open on
 * @param aims where points are worth most, in the order in which the load comes by them
 */
public record Curve(
        Fit.Kind kind,
        String subject,
        String gauge,
        Optional<String> signal,
        String metered,
        String load,
        List<Aim> aims) {
    /**
     * What the model expects there.
     *
     * @param flow m3/s that the subject passes; {@code beside} how much of it no meter in that line sees: bleeds, leaks
     * @param back on the way back to the open load
     */
    public record Aim(double pressurePa, double flow, double beside, double opening, boolean back) {}

    /** m3/s that pass beside the meter at a pressure, between the nearest aims. */
    public double beside(double pressurePa) {
        List<Aim> up = aims.stream()
                .sorted(Comparator.comparingDouble(Aim::pressurePa))
                .toList();
        for (int i = 1; i < up.size(); i++) {
            Aim low = up.get(i - 1);
            Aim high = up.get(i);
            if (pressurePa <= high.pressurePa() && high.pressurePa() > low.pressurePa()) {
                double share = Math.max(0, (pressurePa - low.pressurePa()) / (high.pressurePa() - low.pressurePa()));
                return low.beside() + share * (high.beside() - low.beside());
            }
        }
        return up.isEmpty() ? 0 : up.get(up.size() - 1).beside();
    }
}
