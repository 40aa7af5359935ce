package earlygate.curve;

/** A displacement pump's leakage and torque; SI, displacement in m3/rev. */
public final class PumpCurve {
    /** Drag torque as a fraction of full-stroke torque at rated pressure. */
    private static final double DRAG = 0.03;

    private PumpCurve() {}

    /** Leakage k = nr D (1 - eta_v) / pr, m3/(s Pa), at the reference viscosity. */
    public static double leakage(
            double ratedSpeed, double displacement, double volumetricEfficiency, double ratedPressurePa) {
        return ratedSpeed * displacement * (1 - volumetricEfficiency) / ratedPressurePa;
    }

    /** Torque without drag, N·m: D x p / (2 pi eta_hm). */
    public static double torque(double displacement, double stroke, double dropPa, double hydromechanicalEfficiency) {
        return displacement * stroke * dropPa / (2 * Math.PI * hydromechanicalEfficiency);
    }

    /** Constant torque, N·m, while the shaft turns: 3 % of D pr / (2 pi eta_hm). */
    public static double drag(double displacement, double ratedPressurePa, double hydromechanicalEfficiency) {
        return DRAG * torque(displacement, 1, ratedPressurePa, hydromechanicalEfficiency);
    }
}
