package earlygate.upkeep;

import earlygate.quantity.Keyed;

/** The pack of tasks, with how often each is done where nobody says otherwise. */
public enum Task implements Keyed {
    LEVEL(7, 0),
    INDICATOR(7, 0),
    CLEAN(30, 0),
    /** Pressures, flow and amps written down. */
    PRESSURES(90, 0),
    SAMPLE(182, 0),
    HOSES(365, 0),
    /** The settings read again; by condition at the latest then. */
    CHECK(365, 2000),
    FILTER_CHANGE(0, 1000),
    OIL_CHANGE(0, 4000);

    private final int days;
    private final int hours;

    Task(int days, int hours) {
        this.days = days;
        this.hours = hours;
    }

    /** 0 for one that is not done by the calendar. */
    public int days() {
        return days;
    }

    /** On the counter, for those who go by hours; 0 for one that is done by the calendar only. */
    public int hours() {
        return hours;
    }
}
