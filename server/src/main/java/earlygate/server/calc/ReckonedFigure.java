package earlygate.server.calc;

import earlygate.explain.Reason;
import earlygate.quantity.Measure;
import earlygate.quantity.PressureUnit;
import earlygate.quantity.TypedNumber;
import earlygate.reckon.Figure;
import earlygate.reckon.Reckoning;
import earlygate.unit.file.Problem;
import java.math.BigDecimal;
import java.math.MathContext;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import tools.jackson.databind.JsonNode;

/** A figure of a calculator in the unit in which it is shown, and read from what was typed. */
record ReckonedFigure(Reckoning of, Figure figure, PressureUnit pressure) {
    private Optional<Measure> measure() {
        return Measure.of(figure.unit());
    }

    /** Of a calculator that only converts, its own. */
    String unit() {
        return measure()
                .filter(m -> !of.converts())
                .map(m -> m.beside(pressure, figure.unit()))
                .orElse(figure.unit());
    }

    /** In the unit shown; what had to be converted to five figures that count. */
    double shown(double value) {
        if (!Double.isFinite(value) || unit().equals(figure.unit())) {
            return value;
        }
        double there = measure().orElseThrow().convert(value, figure.unit(), unit());
        return new BigDecimal(there).round(new MathContext(5)).doubleValue();
    }

    /** Into {@code figures} in its own unit, or into {@code wrong}. */
    void read(JsonNode typed, Map<String, Double> figures, List<Problem> wrong) {
        String text =
                typed.isNumber() ? typed.decimalValue().toPlainString() : typed.isString() ? typed.asString() : "";
        TypedNumber number = measure()
                .map(m -> m.parse(text, unit(), -Double.MAX_VALUE, Double.MAX_VALUE))
                .orElseGet(() -> TypedNumber.parse(text, Double.MAX_VALUE));
        if (number instanceof TypedNumber.Accepted a) {
            double own = measure()
                    .map(m -> m.convert(a.value(), unit(), figure.unit()))
                    .orElse(a.value());
            figures.put(figure.key(), own);
            return;
        }
        TypedNumber.Refused refused = (TypedNumber.Refused) number;
        wrong.add(new Problem(
                figure.key(),
                Reason.of("reckon." + refused.code())
                        .name("value", refused.typed())
                        .name("unit", unit())
                        .name(
                                "units",
                                measure().map(m -> String.join(", ", m.units())).orElse(unit()))));
    }
}
