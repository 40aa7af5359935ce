package earlygate.server.upkeep;

import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.util.List;

/**
 * A machine's upkeep.
 *
 * @param school by-condition or by-hours; null before it was begun
 * @param hours on the counter when it was read last, {@code hoursOn}; null where nobody has
 * @param filters those of the sheet, by their ids
 * @param entries the newest first; {@code more} there are older ones than these
 * @param unreadable what was changed in the data file and does not count, each in a sentence
 */
public record UpkeepView(
        String tag,
        String unitName,
        String school,
        List<UpkeepTaskView> tasks,
        Double hours,
        LocalDate hoursOn,
        Double hoursPerDay,
        UpkeepOilView oil,
        List<String> filters,
        List<IndicatorView> indicators,
        List<UpkeepEntryView> entries,
        boolean more,
        List<String> unreadable) {
    /**
     * @param everyDays null for one that goes by hours or by condition, {@code everyHours} for one that doesn't go by hours
     * @param last null where it was never done
     * @param on when it is due or since when; null where nothing shows it
     * @param state due, soon, unknown, fine or waits
     */
    public record UpkeepTaskView(
            String task,
            String name,
            Integer everyDays,
            Integer everyHours,
            LocalDate last,
            LocalDate on,
            String state,
            String said) {}

    /** @param target of cleanliness by the sheet, null without one; one class more than most is dirt; viscosities in mm2/s at 40 C */
    public record UpkeepOilView(
            String target,
            int mostClassesAbove,
            double mostWaterPpm,
            double viscosityLow,
            double viscosityHigh,
            List<OilSampleView> samples) {}

    /**
     * @param classesAbove by how many classes the dirtiest of three sizes is above the target; null where either is missing
     * @param verdict pass, fail or cannot-tell
     */
    public record OilSampleView(
            long id,
            LocalDate on,
            String by,
            String cleanliness,
            Integer classesAbove,
            Double waterPpm,
            Double viscosity40,
            Double acid,
            String verdict,
            List<String> said) {}

    /** @param cold read before the oil was warm: red tells nothing then */
    public record IndicatorView(long id, LocalDate on, String filter, String state, double oilC, boolean cold) {}

    public record UpkeepEntryView(long id, LocalDate on, String by, String kind, String said, OffsetDateTime at) {}
}
