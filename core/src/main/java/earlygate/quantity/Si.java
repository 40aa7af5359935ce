package earlygate.quantity;

/** Factors from the engineering units of the unit file to SI; multiply to enter the core, divide to leave it. */
public final class Si {
    /** Pa per bar. */
    public static final double BAR = 1e5;
    /** m3/s per L/min. */
    public static final double LPM = 1e-3 / 60;
    /** m3/rev per cm3/rev. */
    public static final double CM3 = 1e-6;
    /** m3 per litre. */
    public static final double LITRE = 1e-3;
    /** W per kW. */
    public static final double KW = 1e3;
    /** rev/s per rpm. */
    public static final double RPM = 1.0 / 60;
    /** K at 0 C. */
    public static final double ZERO_C = 273.15;
    /** m2/s per mm2/s (centistokes). */
    public static final double MM2_S = 1e-6;

    private Si() {}
}
