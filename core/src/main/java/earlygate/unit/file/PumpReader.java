package earlygate.unit.file;

import static earlygate.quantity.Si.BAR;
import static earlygate.quantity.Si.CM3;
import static earlygate.quantity.Si.KW;
import static earlygate.quantity.Si.LPM;
import static earlygate.unit.file.Fields.number;
import static earlygate.unit.file.Fields.optional;
import static earlygate.unit.file.Fields.screw;
import static earlygate.unit.file.Fields.text;
import static earlygate.unit.file.Fields.textOr;

import earlygate.unit.Pump;
import java.util.Optional;
import tools.jackson.databind.JsonNode;

/** Pumps with their controls. */
final class PumpReader {
    private PumpReader() {}

    /** One driven by a battery motor hangs in the tank: where the file doesn't say, without suction valve or coupling. */
    static Pump pump(JsonNode n, JsonNode unit) {
        boolean pack = inAPack(text(n, "driver"), unit);
        double rated = number(n, "ratedPressureBar", 0);
        double max = number(n, "maxPressureBar", rated);
        JsonNode c = n.path("compensator");
        Optional<Pump.Compensator> compensator = c.isMissingNode()
                ? Optional.empty()
                : Optional.of(new Pump.Compensator(
                        number(c, "settingBar", 0) * BAR, number(c, "bandBar", 4) * BAR, screw(c, max)));
        JsonNode ls = n.path("loadSense");
        Optional<Pump.LoadSense> loadSense = ls.isMissingNode()
                ? Optional.empty()
                : Optional.of(new Pump.LoadSense(
                        number(ls, "marginBar", 0) * BAR,
                        number(ls, "bandBar", 2) * BAR,
                        text(ls, "signal"),
                        screw(ls, 2 * Math.max(5, number(ls, "marginBar", 0)))));
        Optional<Pump.PowerLimiter> powerLimiter =
                n.has("powerLimiter") ? Optional.of(powerLimiter(n.path("powerLimiter"))) : Optional.empty();
        return new Pump(
                text(n, "id"),
                text(n, "driver"),
                text(n, "inlet"),
                text(n, "outlet"),
                number(n, "displacementCm3", 0) * CM3,
                rated * BAR,
                number(n, "volumetricEfficiency", 0.9),
                number(n, "hydromechanicalEfficiency", 0.92),
                max * BAR,
                textOr(n, "rotation", "clockwise"),
                number(n, "minStroke", 0),
                number(n, "maxStroke", 1),
                n.path("suctionValve").asBoolean(!pack),
                n.path("caseToFill")
                        .asBoolean(compensator.isPresent()
                                || loadSense.isPresent()
                                || powerLimiter.isPresent()
                                || n.has("caseDrain")),
                n.path("coupling").asBoolean(!pack),
                optional(n, "caseDrain"),
                compensator,
                loadSense,
                powerLimiter,
                n.has("maxFlow") ? Optional.of(maxFlow(n, unit)) : Optional.empty());
    }

    private static Pump.PowerLimiter powerLimiter(JsonNode n) {
        return new Pump.PowerLimiter(
                number(n, "limitKw", 0) * KW,
                n.has("rangeKw") ? Optional.of(Fields.screw(n, "rangeKw", "kwPerTurn", KW)) : Optional.empty());
    }

    /** As the stop stands now: the largest stroke at the drive's rated speed. */
    private static Pump.MaxFlow maxFlow(JsonNode n, JsonNode unit) {
        double stroke = number(n, "maxStroke", 1);
        double flow = unit.path("components")
                .valueStream()
                .filter(d -> text(d, "id").equals(text(n, "driver")))
                .mapToDouble(DriverReader::ratedSpeed)
                .map(speed -> speed * number(n, "displacementCm3", 0) * CM3 * stroke)
                .findFirst()
                .orElse(0);
        return new Pump.MaxFlow(flow, Fields.screw(n.path("maxFlow"), "rangeLpm", "lpmPerTurn", LPM));
    }

    private static boolean inAPack(String driver, JsonNode unit) {
        return unit.path("components")
                .valueStream()
                .anyMatch(c -> text(c, "id").equals(driver) && text(c, "type").equals("dc-motor"));
    }
}
