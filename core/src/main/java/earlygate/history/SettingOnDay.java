package earlygate.history;

import earlygate.unit.PowerUnit;
import earlygate.unit.Setting;
import earlygate.unit.TestPoint;
import java.time.LocalDate;
import java.util.OptionalDouble;

/**
 * A setting on the day of a commissioning, Pa.
 *
 * @param foundPa as it was read or counted before it was touched; empty where nobody did
 * @param leftPa after its jam nut was tight; empty where it was not read then
 * @param errorPa by which either may be wrong, above 0
 */
public record SettingOnDay(LocalDate on, OptionalDouble foundPa, OptionalDouble leftPa, double errorPa) {
    /** No gauge of the field is better, Pa. */
    private static final double FINEST = 1e3;

    public SettingOnDay {
        errorPa = Math.max(errorPa, FINEST);
    }

    /** By which a gauge on the sheet that shows this setting may be wrong, Pa; a margin is read on two. */
    public static double errorOf(PowerUnit unit, Setting setting) {
        double one = unit.testPoints().stream()
                .filter(t -> t.line().equals(setting.line()))
                .mapToDouble(TestPoint::errorPa)
                .min()
                .orElseGet(() -> unit.testPoints().stream()
                        .mapToDouble(TestPoint::errorPa)
                        .max()
                        .orElse(0));
        return setting.limitsPressure() ? one : 2 * one;
    }
}
