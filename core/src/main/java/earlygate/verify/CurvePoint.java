package earlygate.verify;

import java.util.OptionalDouble;

/**
 * One point of a curve as it was read. SI.
 *
 * @param pressurePa at the pump, or before the relief
 * @param flow m3/s that the pump delivers, or that passes the relief
 * @param signalPa of the load-sense line, where a margin is asked for
 * @param speed rev/s of the shaft, where somebody read it; otherwise the model's
 * @param oil K; empty for the situation's
 * @param back taken while the load was opened again
 * @param struck left out of the fit, with a reason that is kept elsewhere
 */
public record CurvePoint(
        double pressurePa,
        double flow,
        OptionalDouble signalPa,
        OptionalDouble speed,
        OptionalDouble oil,
        boolean back,
        boolean struck) {

    public static CurvePoint of(double pressurePa, double flow) {
        return new CurvePoint(
                pressurePa, flow, OptionalDouble.empty(), OptionalDouble.empty(), OptionalDouble.empty(), false, false);
    }

    public CurvePoint withSignal(double pa) {
        return new CurvePoint(pressurePa, flow, OptionalDouble.of(pa), speed, oil, back, struck);
    }

    public CurvePoint onTheWayBack() {
        return new CurvePoint(pressurePa, flow, signalPa, speed, oil, true, struck);
    }

    public CurvePoint leftOut() {
        return new CurvePoint(pressurePa, flow, signalPa, speed, oil, back, true);
    }
}
