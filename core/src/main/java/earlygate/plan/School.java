package earlygate.plan;

/** A way to bring a relief and a compensator to their targets. */
public enum School {
    LEAD_WITH_PUMP("lead-with-pump"),
    LEAD_WITH_RELIEF("lead-with-relief"),
    SIDE_BY_SIDE("side-by-side"),
    AUTO("auto");

    private final String key;

    School(String key) {
        this.key = key;
    }

    /** As the calculation API writes it. */
    public String key() {
        return key;
    }

    /** @throws IllegalArgumentException naming the schools there are */
    public static School of(String key) {
        for (School s : values()) {
            if (s.key.equals(key)) {
                return s;
            }
        }
        throw new IllegalArgumentException(
                "Unknown school '" + key + "': use lead-with-pump, lead-with-relief, side-by-side or auto");
    }
}
