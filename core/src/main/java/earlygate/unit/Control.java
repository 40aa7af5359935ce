package earlygate.unit;

import earlygate.quantity.Keyed;
import java.util.Optional;
import java.util.stream.Stream;

/** A screw that stands inside a larger part. The unit file names its setting by the part and the control's key. */
public enum Control implements Keyed {
    COMPENSATOR("compensator"),
    LOAD_SENSE("loadSense"),
    POWER_LIMITER("powerLimiter"),
    MAX_FLOW("maxFlow"),
    RELIEF_A("reliefA"),
    RELIEF_B("reliefB");

    private static final String BETWEEN = ".";

    private final String key;

    Control(String key) {
        this.key = key;
    }

    @Override
    public String key() {
        return key;
    }

    /** The id of its setting: {@code P1.compensator}. */
    public String of(String part) {
        return part + BETWEEN + key;
    }

    /** A setting's id taken apart. */
    public record Place(String part, Control control) {}

    /** Empty for a setting that is a part of its own, and for any other text. */
    public static Optional<Place> in(String setting) {
        return Stream.of(values())
                .filter(c -> setting.endsWith(BETWEEN + c.key))
                .map(c -> new Place(setting.substring(0, setting.length() - c.key.length() - BETWEEN.length()), c))
                .findFirst();
    }
}
