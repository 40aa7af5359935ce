package earlygate.unit.file;

import static earlygate.quantity.Si.BAR;
import static earlygate.quantity.Si.LPM;
import static earlygate.unit.file.Fields.number;
import static earlygate.unit.file.Fields.optional;
import static earlygate.unit.file.Fields.optionalNumber;
import static earlygate.unit.file.Fields.text;
import static earlygate.unit.file.Fields.textOr;

import earlygate.quantity.Keyed;
import earlygate.unit.Line;
import earlygate.unit.ReducingValve;
import earlygate.unit.ReliefValve;
import earlygate.unit.Screw;
import earlygate.unit.SequenceValve;
import earlygate.unit.UnloadingValve;
import tools.jackson.databind.JsonNode;

/** Valves with a setting. */
final class PressureValveReader {
    private PressureValveReader() {}

    static ReliefValve relief(JsonNode n) {
        return new ReliefValve(
                text(n, "id"),
                Keyed.of(ReliefValve.Acting.class, text(n, "acting")),
                text(n, "inlet"),
                text(n, "outlet"),
                number(n, "settingBar", 0) * BAR,
                number(n, "overrideBar", 0) * BAR,
                number(n, "ratedFlowLpm", 0) * LPM,
                screw(n),
                n.path("vent").asBoolean(false),
                n.path("sealedByCap").asBoolean(false),
                role(n));
    }

    /** Where the file doesn't say: a relief to tank is the main one, a relief to another line crosses ports. */
    private static ReliefValve.Role role(JsonNode n) {
        String fallback = text(n, "outlet").equals(Line.TANK) ? "main" : "cross-port";
        return Keyed.of(ReliefValve.Role.class, textOr(n, "role", fallback));
    }

    static UnloadingValve unloading(JsonNode n) {
        return new UnloadingValve(
                text(n, "id"),
                text(n, "inlet"),
                text(n, "outlet"),
                text(n, "pilot"),
                number(n, "settingBar", 0) * BAR,
                number(n, "ratedFlowLpm", 0) * LPM,
                number(n, "ratedDropBar", 0) * BAR,
                band(n),
                optionalNumber(n, "differential", 1),
                screw(n));
    }

    static ReducingValve reducing(JsonNode n) {
        return new ReducingValve(
                text(n, "id"),
                text(n, "inlet"),
                text(n, "outlet"),
                text(n, "drain"),
                number(n, "settingBar", 0) * BAR,
                number(n, "ratedFlowLpm", 0) * LPM,
                number(n, "ratedDropBar", 0) * BAR,
                band(n),
                number(n, "drainFlowLpm", 0.8) * LPM,
                n.path("reverseCheck").asBoolean(false),
                n.path("relieving").asBoolean(false),
                screw(n));
    }

    static SequenceValve sequence(JsonNode n) {
        return sequence(n, false);
    }

    static SequenceValve counterbalance(JsonNode n) {
        return sequence(n, true);
    }

    private static SequenceValve sequence(JsonNode n, boolean counterbalance) {
        return new SequenceValve(
                text(n, "id"),
                counterbalance,
                text(n, "inlet"),
                text(n, "outlet"),
                optional(n, "pilot"),
                optional(n, "drain"),
                number(n, "settingBar", 0) * BAR,
                number(n, "ratedFlowLpm", 0) * LPM,
                number(n, "ratedDropBar", 0) * BAR,
                band(n),
                n.path("reverseCheck").asBoolean(false),
                screw(n));
    }

    private static double band(JsonNode n) {
        return number(n, "bandBar", 5) * BAR;
    }

    private static Screw screw(JsonNode n) {
        return Fields.screw(n, 1.5 * Math.max(number(n, "settingBar", 0), 10));
    }
}
