package earlygate.ladder;

import earlygate.explain.Reason;
import earlygate.quantity.Keyed;
import java.util.Optional;

/**
 * One relation that does not hold.
 *
 * @param subject the setting, component or test point it is about
 * @param message what is wrong, with every figure that was compared
 */
public record Finding(Rung rule, Severity severity, String subject, Reason message, Optional<Suggestion> suggestion) {

    /** Above the schematic: the one relation that only a second person may let stand. */
    public boolean needsRelease() {
        return rule == Rung.L13 && severity == Severity.STOP;
    }

    public enum Severity implements Keyed {
        STOP,
        WARN,
        INFO
    }

    /** A value that would satisfy the rule. */
    public sealed interface Suggestion {
        record SetTarget(String setting, double pressurePa) implements Suggestion {}

        /** A valve of a larger size, m3/s. */
        record RatedFlow(String valve, double flow) implements Suggestion {}

        /** An unloading valve that closes again this fraction below its cut-out. */
        record Differential(String valve, double ratio) implements Suggestion {}

        record Precharge(String accumulator, double pressurePa) implements Suggestion {}

        /** A gauge with this full scale. */
        record FullScale(String testPoint, double pressurePa) implements Suggestion {}

        /** A gauge of this accuracy class, percent of its full scale. */
        record AccuracyClass(String testPoint, double percent) implements Suggestion {}
    }
}
