package earlygate.unit.file;

import static earlygate.quantity.Si.BAR;
import static earlygate.quantity.Si.CM3;
import static earlygate.quantity.Si.KW;
import static earlygate.quantity.Si.LITRE;
import static earlygate.quantity.Si.LPM;
import static earlygate.quantity.Si.MM2_S;
import static earlygate.quantity.Si.RPM;
import static earlygate.quantity.Si.ZERO_C;

import earlygate.quantity.PressureUnit;
import earlygate.unit.Component;
import earlygate.unit.DcMotor;
import earlygate.unit.ElectricMotor;
import earlygate.unit.Engine;
import earlygate.unit.Fluid;
import earlygate.unit.Line;
import earlygate.unit.PowerUnit;
import earlygate.unit.Pump;
import earlygate.unit.ReliefValve;
import earlygate.unit.Screw;
import earlygate.unit.Target;
import earlygate.unit.TestPoint;
import earlygate.unit.Throttle;
import earlygate.unit.Work;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.Function;
import tools.jackson.databind.JsonNode;

/** From a document known to fit its schema to records in SI; the format's defaults are applied here and nowhere else. */
final class UnitReader {
    private UnitReader() {}

    static PowerUnit unit(JsonNode n) {
        JsonNode drawing = n.path("drawing");
        return new PowerUnit(
                text(n, "tag"),
                text(n, "name"),
                new PowerUnit.Drawing(text(drawing, "number"), text(drawing, "revision")),
                fluid(n.path("fluid")),
                list(n.path("lines"), UnitReader::line),
                list(n.path("components"), c -> component(c, isDc(n, text(c, "driver")))),
                list(n.path("testPoints"), UnitReader::testPoint),
                list(n.path("targets"), UnitReader::target),
                list(n.path("work"), UnitReader::work));
    }

    private static Fluid fluid(JsonNode n) {
        JsonNode band = n.path("bandC");
        return new Fluid(
                text(n, "name"),
                number(n, "viscosity40", 46) * MM2_S,
                number(n, "viscosityIndex", 100),
                number(n, "densityKgM3", 870),
                number(n, "bulkModulusPa", 1.3e9),
                (band.isMissingNode() ? 40 : band.get(0).doubleValue()) + ZERO_C,
                (band.isMissingNode() ? 60 : band.get(1).doubleValue()) + ZERO_C,
                number(n, "tankL", 100) * LITRE,
                text(n, "cleanlinessTarget"));
    }

    private static Line line(JsonNode n) {
        return new Line(
                text(n, "id"), text(n, "name"), number(n, "ratingBar", 0) * BAR, number(n, "volumeL", 1) * LITRE);
    }

    private static boolean isDc(JsonNode unit, String driver) {
        for (JsonNode c : unit.path("components")) {
            if (text(c, "id").equals(driver) && text(c, "type").equals("dc-motor")) {
                return true;
            }
        }
        return false;
    }

    /** @param pack driven by a battery motor: its pump hangs in the tank, without suction valve or coupling */
    private static Component component(JsonNode n, boolean pack) {
        String id = text(n, "id");
        return switch (text(n, "type")) {
            case "electric-motor" -> motor(id, n);
            case "pump" -> pump(id, n, pack);
            case "relief-valve" -> relief(id, n);
            case "engine" -> engine(id, n);
            case "dc-motor" -> dcMotor(id, n);
            case "orifice" -> throttle(id, n, "bleed", 1);
            case "throttle" -> throttle(id, n, "load", 0);
            case "unloading-valve",
                    "reducing-valve",
                    "sequence-valve",
                    "counterbalance-valve",
                    "check-valve",
                    "flow-control" -> ValveReader.valve(id, n);
            case "directional-valve", "shuttle", "section" -> ValveReader.steering(id, n);
            default -> ActuatorReader.part(id, n);
        };
    }

    private static Throttle throttle(String id, JsonNode n, String purpose, double atRest) {
        return new Throttle(
                id,
                text(n, "a"),
                text(n, "b"),
                number(n, "ratedFlowLpm", 0) * LPM,
                number(n, "ratedDropBar", 0) * BAR,
                Throttle.Purpose.valueOf(textOr(n, "purpose", purpose).toUpperCase()),
                atRest);
    }

    private static Engine engine(String id, JsonNode n) {
        JsonNode speeds = n.path("speedsRpm");
        return new Engine(
                id,
                number(n, "ratedPowerKw", 0) * KW,
                number(speeds, "lowIdle", 0) * RPM,
                number(speeds, "mid", 0) * RPM,
                number(speeds, "highIdle", 0) * RPM,
                number(n, "droopPercent", 4) / 100);
    }

    private static DcMotor dcMotor(String id, JsonNode n) {
        return new DcMotor(
                id,
                number(n, "ratedPowerKw", 0) * KW,
                number(n, "noLoadSpeedRpm", 0) * RPM,
                number(n, "ratedSpeedRpm", 0) * RPM,
                number(n, "ratedCurrentA", 0),
                number(n, "noLoadCurrentA", 0),
                number(n, "voltageV", 24),
                number(n, "onTimeS", 60),
                number(n, "cycleS", 600));
    }

    private static ElectricMotor motor(String id, JsonNode n) {
        double rated = number(n, "ratedCurrentA", 0);
        return new ElectricMotor(
                id,
                number(n, "ratedPowerKw", 0) * KW,
                number(n, "syncSpeedRpm", 0) * RPM,
                number(n, "ratedSpeedRpm", 0) * RPM,
                rated,
                number(n, "noLoadCurrentA", 0.38 * rated),
                number(n, "voltageV", 400),
                number(n, "serviceFactor", 1));
    }

    private static Pump pump(String id, JsonNode n, boolean pack) {
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
        Optional<Pump.PowerLimiter> powerLimiter = n.has("powerLimiter")
                ? Optional.of(new Pump.PowerLimiter(number(n.path("powerLimiter"), "limitKw", 0) * KW))
                : Optional.empty();
        return new Pump(
                id,
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
                powerLimiter);
    }

    private static ReliefValve relief(String id, JsonNode n) {
        return new ReliefValve(
                id,
                text(n, "acting").equals("direct") ? ReliefValve.Acting.DIRECT : ReliefValve.Acting.PILOT,
                text(n, "inlet"),
                text(n, "outlet"),
                number(n, "settingBar", 0) * BAR,
                number(n, "overrideBar", 0) * BAR,
                number(n, "ratedFlowLpm", 0) * LPM,
                screw(n, 1.5 * Math.max(number(n, "settingBar", 0), 10)),
                n.path("vent").asBoolean(false),
                n.path("sealedByCap").asBoolean(false),
                role(n));
    }

    /** Where the schematic gives no range, from a twentieth of {@code topBar} to it in six turns. */
    static Screw screw(JsonNode n, double topBar) {
        JsonNode range = n.path("rangeBar");
        double min = range.isMissingNode() ? topBar / 20 : range.get(0).doubleValue();
        double max = range.isMissingNode() ? topBar : range.get(1).doubleValue();
        return new Screw(min * BAR, max * BAR, number(n, "barPerTurn", (max - min) / 6) * BAR, text(n, "wrench"));
    }

    private static TestPoint testPoint(JsonNode n) {
        return new TestPoint(
                text(n, "id"),
                text(n, "line"),
                number(n, "rangeBar", 0) * BAR,
                number(n, "class", 1.6),
                PressureUnit.of(textOr(n, "reads", "bar")));
    }

    private static Target target(JsonNode n) {
        double pressure = number(n, "pressureBar", 0);
        return new Target(
                text(n, "setting"),
                pressure * BAR,
                number(n, "toleranceBar", Target.DEFAULT_TOLERANCE * pressure) * BAR,
                text(n, "defined").equals("full-flow") ? Target.Defined.FULL_FLOW : Target.Defined.CRACKING);
    }

    private static Work work(JsonNode n) {
        return new Work(
                text(n, "id"),
                textOr(n, "name", text(n, "id")),
                text(n, "line"),
                number(n, "pressureBar", 0) * BAR,
                number(n, "flowLpm", 0) * LPM);
    }

    private static <R> List<R> list(JsonNode array, Function<JsonNode, R> read) {
        List<R> all = new ArrayList<>();
        array.forEach(n -> all.add(read.apply(n)));
        return all;
    }

    static Optional<String> optional(JsonNode n, String key) {
        return n.has(key) ? Optional.of(text(n, key)) : Optional.empty();
    }

    static OptionalDouble optionalNumber(JsonNode n, String key, double factor) {
        return n.has(key) ? OptionalDouble.of(n.path(key).doubleValue() * factor) : OptionalDouble.empty();
    }

    static String text(JsonNode n, String key) {
        return textOr(n, key, "");
    }

    static String textOr(JsonNode n, String key, String fallback) {
        return n.path(key).asString(fallback);
    }

    static double number(JsonNode n, String key, double fallback) {
        return n.path(key).asDouble(fallback);
    }

    /** Where the file doesn't say: a relief to tank is the main one, a relief to another line crosses ports. */
    private static ReliefValve.Role role(JsonNode n) {
        String fallback = text(n, "outlet").equals(Line.TANK) ? "main" : "cross-port";
        return ReliefValve.Role.valueOf(
                n.path("role").asString(fallback).toUpperCase(Locale.ROOT).replace('-', '_'));
    }
}
