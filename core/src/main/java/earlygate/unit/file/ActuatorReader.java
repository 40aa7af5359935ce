package earlygate.unit.file;

import static earlygate.quantity.Si.BAR;
import static earlygate.quantity.Si.CM3;
import static earlygate.quantity.Si.LITRE;
import static earlygate.quantity.Si.LPM;
import static earlygate.unit.file.UnitReader.number;
import static earlygate.unit.file.UnitReader.optionalNumber;
import static earlygate.unit.file.UnitReader.text;

import earlygate.unit.Accumulator;
import earlygate.unit.Component;
import earlygate.unit.Cylinder;
import earlygate.unit.Filter;
import earlygate.unit.HydraulicMotor;
import earlygate.unit.Leak;
import tools.jackson.databind.JsonNode;

/** Actuators, accumulators, filters and leaks. */
final class ActuatorReader {
    private ActuatorReader() {}

    static Component part(String id, JsonNode n) {
        return switch (text(n, "type")) {
            case "cylinder" -> {
                double bore = number(n, "boreMm", 0) / 1000;
                double rod = number(n, "rodMm", 0) / 1000;
                yield new Cylinder(
                        id,
                        text(n, "cap"),
                        text(n, "rod"),
                        Math.PI / 4 * bore * bore,
                        Math.PI / 4 * (bore * bore - rod * rod),
                        number(n, "strokeMm", 0) / 1000,
                        number(n, "forceN", 0),
                        number(n, "frictionN", 0));
            }
            case "hydraulic-motor" ->
                new HydraulicMotor(
                        id,
                        text(n, "a"),
                        text(n, "b"),
                        number(n, "displacementCm3", 0) * CM3,
                        number(n, "torqueNm", 0),
                        number(n, "efficiency", 0.92));
            case "accumulator" ->
                new Accumulator(
                        id,
                        text(n, "line"),
                        number(n, "volumeL", 0) * LITRE,
                        number(n, "prechargeBar", 0) * BAR,
                        number(n, "polytropic", 1.2));
            case "filter" ->
                new Filter(
                        id,
                        text(n, "inlet"),
                        text(n, "outlet"),
                        number(n, "ratedFlowLpm", 0) * LPM,
                        number(n, "ratedDropBar", 0) * BAR,
                        optionalNumber(n, "bypassBar", BAR));
            case "leak" ->
                new Leak(id, text(n, "a"), text(n, "b"), number(n, "flowLpm", 0) * LPM, number(n, "atBar", 0) * BAR);
            default -> throw new IllegalStateException("The schema lets through a type the reader doesn't know");
        };
    }
}
