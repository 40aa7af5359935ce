package earlygate.server.api;

import static earlygate.quantity.Si.LPM;
import static earlygate.quantity.Si.ZERO_C;

import earlygate.explain.Value.Kind;
import earlygate.quantity.Measure;
import earlygate.quantity.PressureUnit;
import earlygate.unit.PowerUnit;
import java.util.Optional;

/**
 * Numbers as an instrument of a unit shows them: a gauge in the unit on its dial, flow and temperature in the units that
 * go with the pressures that were chosen.
 */
public record Shown(PowerUnit unit, PressureUnit chosen) {
    public String label(String instrument, Kind kind) {
        return kind == Kind.PRESSURE
                ? unit.testPoint(instrument).reads().label()
                : measure(kind).map(m -> m.beside(chosen, own(kind))).orElse("A");
    }

    public double value(String instrument, Kind kind, double si) {
        double value = kind == Kind.PRESSURE
                ? unit.testPoint(instrument).reads().fromPa(si)
                : measure(kind)
                        .map(m -> m.convert(ofSi(kind, si), own(kind), m.beside(chosen, own(kind))))
                        .orElse(si);
        return Wire.rounded(value, 1);
    }

    private static Optional<Measure> measure(Kind kind) {
        return switch (kind) {
            case FLOW -> Optional.of(Measure.FLOW);
            case TEMPERATURE -> Optional.of(Measure.TEMPERATURE);
            default -> Optional.empty();
        };
    }

    private static String own(Kind kind) {
        return kind == Kind.FLOW ? "L/min" : "°C";
    }

    private static double ofSi(Kind kind, double si) {
        return kind == Kind.FLOW ? si / LPM : si - ZERO_C;
    }
}
