package earlygate.curve;

/** A control that goes from 1 to 0 over a band below its setting: y = clamp((setting - p) / band, 0, 1); all in Pa. */
public final class Ramp {
    private Ramp() {}

    public static double value(double pressurePa, double settingPa, double bandPa) {
        return Math.max(0, Math.min(1, (settingPa - pressurePa) / bandPa));
    }

    /** dy/dp, 1/Pa. */
    public static double slope(double pressurePa, double settingPa, double bandPa) {
        double y = (settingPa - pressurePa) / bandPa;
        return y > 0 && y < 1 ? -1 / bandPa : 0;
    }
}
