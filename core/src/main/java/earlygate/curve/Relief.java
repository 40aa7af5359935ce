package earlygate.curve;

/**
 * Relief valve: nothing below cracking, then a straight line. Q = max(0, drop - crack) Qr / override. Pressures in Pa,
 * flows in m3/s; the drop is inlet minus outlet, so back pressure adds to the inlet.
 */
public final class Relief {
    private Relief() {}

    public static double flow(double dropPa, double crackPa, double conductance) {
        return Math.max(0, dropPa - crackPa) * conductance;
    }

    public static double slope(double dropPa, double crackPa, double conductance) {
        return dropPa > crackPa ? conductance : 0;
    }
}
