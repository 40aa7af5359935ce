package earlygate.circuit;

/**
 * An adjuster that limits a line.
 *
 * @param id {@code RV1} or {@code P1.compensator}
 * @param line the line whose pressure it limits
 * @param presentPa how the unit file says it stands now
 */
public record Setting(String id, Kind kind, String line, double presentPa, Screw screw) {
    public enum Kind {
        COMPENSATOR,
        RELIEF
    }
}
