package earlygate.curve;

/**
 * Speed of a driver that falls linearly with shaft power: n = n0 - drop P / Pr with P = 2 pi n M, solved for n. Speeds
 * in rev/s, torque in N·m, power in W.
 */
public final class Slip {
    private Slip() {}

    /** @param drop fall of speed from no load to rated power, rev/s */
    public static double speed(double noLoadSpeed, double drop, double ratedPower, double torque) {
        return noLoadSpeed / (1 + drop * 2 * Math.PI * torque / ratedPower);
    }

    /** dn/dM, rev/(s N·m). */
    public static double slope(double noLoadSpeed, double drop, double ratedPower, double torque) {
        double k = drop * 2 * Math.PI / ratedPower;
        double d = 1 + k * torque;
        return -noLoadSpeed * k / (d * d);
    }
}
