package earlygate.server.api;

import static earlygate.quantity.Si.LPM;
import static earlygate.quantity.Si.ZERO_C;

import earlygate.explain.Value.Kind;
import earlygate.unit.PowerUnit;

/** Numbers as an instrument of a unit shows them, in the unit it reads. */
public final class Shown {
    private Shown() {}

    public static String label(PowerUnit unit, String instrument, Kind kind) {
        return switch (kind) {
            case PRESSURE -> unit.testPoint(instrument).reads().label();
            case CURRENT -> "A";
            case FLOW -> "L/min";
            default -> "°C";
        };
    }

    public static double shown(PowerUnit unit, String instrument, Kind kind, double si) {
        double value = switch (kind) {
            case PRESSURE -> unit.testPoint(instrument).reads().fromPa(si);
            case TEMPERATURE -> si - ZERO_C;
            case FLOW -> si / LPM;
            default -> si;
        };
        return Wire.rounded(value, 1);
    }
}
