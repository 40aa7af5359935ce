package earlygate.server.history;

import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.util.List;

/**
 * A machine over the years; bar. The newest commissioning stands last, as time runs.
 *
 * @param more there are older ones than these
 * @param unreadable what was changed in the data file and is not shown, each in a sentence
 */
public record HistoryView(
        String tag,
        String unitName,
        String drawing,
        List<CommissioningView> commissionings,
        boolean more,
        List<SettingHistoryView> settings,
        List<PumpHistoryView> pumps,
        List<String> unreadable) {
    /**
     * @param key by which the other lists name it
     * @param source run, field-sheet, record or proved-record
     * @param run its number, and {@code older} that of an older record: one of the two is null
     * @param outcome of a run: passed or passed-with-deviations; {@code signed} by technician and witness
     * @param typedAt when an older record was put in, and by whom; null for a run
     */
    public record CommissioningView(
            String key,
            String source,
            LocalDate on,
            String by,
            String witness,
            Long run,
            Long older,
            Integer unitRevision,
            String outcome,
            boolean signed,
            Double hours,
            String remark,
            OffsetDateTime typedAt,
            String typedBy) {}

    /**
     * @param targetBar as the sheet asks for it today; null for a setting that has none
     * @param drift cannot-tell, stands, creeps or moved; {@code said} in words
     * @param perYearBar null where no rate can be told, as is {@code plusMinusBar}
     * @param leaves about when it leaves its tolerance; null where it doesn't
     */
    public record SettingHistoryView(
            String setting,
            Double targetBar,
            Double toleranceBar,
            List<StoodView> stood,
            String drift,
            Double perYearBar,
            Double plusMinusBar,
            LocalDate leaves,
            String said) {}

    /**
     * @param foundBar null where nobody read or counted it; {@code leftBar} null where it was not read when locked
     * @param targetBar as it was asked for then, and {@code toleranceBar}; null where nobody wrote it down
     * @param reason why it was left elsewhere than its target
     */
    public record StoodView(
            String key,
            LocalDate on,
            Double foundBar,
            Double leftBar,
            Double targetBar,
            Double toleranceBar,
            double errorBar,
            String reason) {}

    /**
     * @param grade of the last: pass, fail or cannot-tell; null without one
     * @param began the first day of the pump that is in now, where another was in before; else null
     * @param worn about when it comes to what is called worn; null where it doesn't fall for certain
     */
    public record PumpHistoryView(
            String pump,
            double asNew,
            double wornBelow,
            List<MeasuredView> measured,
            String grade,
            LocalDate began,
            Double perYear,
            Double plusMinus,
            LocalDate worn,
            List<String> said) {}

    /** @param plusMinus 95 % bounds to either side */
    public record MeasuredView(String key, LocalDate on, double volumetricEfficiency, double plusMinus) {}
}
