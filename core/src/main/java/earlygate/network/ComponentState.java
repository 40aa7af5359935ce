package earlygate.network;

import java.util.Optional;

/** How one component stands in a solution; SI. */
public sealed interface ComponentState {
    /**
     * @param flow delivered, m3/s
     * @param stroke fraction of full displacement
     * @param shaftPower W
     * @param leakage to inlet or case drain, m3/s
     * @param heat shaft power that does not leave as flow under pressure, W
     * @param inControl the control that holds the stroke; empty at the maximum stop
     */
    record PumpState(
            double flow, double stroke, double shaftPower, double leakage, double heat, Optional<String> inControl)
            implements ComponentState {}

    /** @param speed rev/s; {@code power} W; {@code current} A; {@code load} fraction of rated power */
    record DriverState(double speed, double power, double current, double load) implements ComponentState {}

    /** @param flow inlet to outlet, m3/s; {@code open} 0 to 1; {@code heat} W */
    record ValveState(double flow, double open, double heat) implements ComponentState {}

    /** @param flow into port a or cap, m3/s; {@code speed} m/s or rev/s */
    record ActuatorState(double flow, double speed) implements ComponentState {}
}
