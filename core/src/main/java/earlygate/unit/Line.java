package earlygate.unit;

/** A volume of oil at one pressure; rating in Pa, volume in m3. */
public record Line(String id, String name, double ratingPa, double volume) {
    /** The reservoir: always there, always at 0 Pa. */
    public static final String TANK = "T";
}
