package earlygate.history;

import earlygate.quantity.Keyed;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;

/**
 * A commissioning from before, or one that was kept on paper.
 *
 * @param by the technician then; {@code witness} whoever signed beside
 * @param hours on the machine's counter that day
 */
public record OlderRecord(
        String tag,
        LocalDate on,
        String by,
        Optional<String> witness,
        Source source,
        Optional<String> remark,
        OptionalDouble hours,
        List<Row> settings,
        List<Efficiency> pumps) {
    public enum Source implements Keyed {
        /** Typed in from paper. */
        FIELD_SHEET,
        /** From a file that carries no proof. */
        RECORD,
        /** From an exported record that was proved whole when it came in. */
        PROVED_RECORD
    }

    /**
     * @param reason why it was left elsewhere than its target
     * @param errorPa by which the gauge then may be wrong; empty where nobody wrote it down
     */
    public record Row(
            String setting,
            OptionalDouble foundPa,
            OptionalDouble leftPa,
            OptionalDouble targetPa,
            OptionalDouble tolerancePa,
            OptionalDouble errorPa,
            Optional<String> reason) {}

    /** @param half 95 % bounds to either side */
    public record Efficiency(String pump, double efficiency, double half) {}
}
