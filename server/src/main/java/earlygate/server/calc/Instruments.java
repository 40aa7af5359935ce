package earlygate.server.calc;

import static earlygate.quantity.Si.ZERO_C;

import earlygate.circuit.PowerUnit;
import earlygate.circuit.TestPoint;
import earlygate.explain.Value.Kind;

/** Numbers as an instrument of a unit shows them, in the unit it reads. */
public final class Instruments {
    private Instruments() {}

    public static String label(PowerUnit unit, String instrument, Kind kind) {
        return switch (kind) {
            case PRESSURE -> gauge(unit, instrument).reads().label();
            case CURRENT -> "A";
            default -> "°C";
        };
    }

    public static double shown(PowerUnit unit, String instrument, Kind kind, double si) {
        double value = switch (kind) {
            case PRESSURE -> gauge(unit, instrument).reads().fromPa(si);
            case TEMPERATURE -> si - ZERO_C;
            default -> si;
        };
        return Math.round(value * 10) / 10.0;
    }

    private static TestPoint gauge(PowerUnit unit, String id) {
        return unit.testPoints().stream()
                .filter(t -> t.id().equals(id))
                .findFirst()
                .orElseThrow();
    }
}
