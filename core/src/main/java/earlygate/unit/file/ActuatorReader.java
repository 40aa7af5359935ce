package earlygate.unit.file;

import static earlygate.quantity.Si.BAR;
import static earlygate.quantity.Si.CM3;
import static earlygate.quantity.Si.LITRE;
import static earlygate.unit.file.Fields.number;
import static earlygate.unit.file.Fields.text;

import earlygate.unit.Accumulator;
import earlygate.unit.Cylinder;
import earlygate.unit.HydraulicMotor;
import tools.jackson.databind.JsonNode;

/** Cylinders, hydraulic motors and accumulators. */
final class ActuatorReader {
    private ActuatorReader() {}

    static Cylinder cylinder(JsonNode n) {
        double bore = number(n, "boreMm", 0) / 1000;
        double rod = number(n, "rodMm", 0) / 1000;
        return new Cylinder(
                text(n, "id"),
                text(n, "cap"),
                text(n, "rod"),
                Math.PI / 4 * bore * bore,
                Math.PI / 4 * (bore * bore - rod * rod),
                number(n, "forceN", 0),
                number(n, "frictionN", 0));
    }

    static HydraulicMotor motor(JsonNode n) {
        return new HydraulicMotor(
                text(n, "id"),
                text(n, "a"),
                text(n, "b"),
                number(n, "displacementCm3", 0) * CM3,
                number(n, "torqueNm", 0),
                number(n, "efficiency", 0.92));
    }

    static Accumulator accumulator(JsonNode n) {
        return new Accumulator(
                text(n, "id"),
                text(n, "line"),
                number(n, "volumeL", 0) * LITRE,
                number(n, "prechargeBar", 0) * BAR,
                number(n, "polytropic", 1.2));
    }
}
