package earlygate.plan;

/** Of a sectional valve: port reliefs after the pump line, highest first; or before it, where the main stands above all. */
public enum SectionOrder {
    HIGHEST_FIRST("highest-first"),
    BRANCHES_FIRST("branches-first");

    private final String key;

    SectionOrder(String key) {
        this.key = key;
    }

    public String key() {
        return key;
    }

    /** @throws IllegalArgumentException naming the orders there are */
    public static SectionOrder of(String key) {
        for (SectionOrder s : values()) {
            if (s.key.equals(key)) {
                return s;
            }
        }
        throw new IllegalArgumentException("Unknown order '" + key + "': use highest-first or branches-first");
    }
}
