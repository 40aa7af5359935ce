package earlygate.unit.file;

import static earlygate.quantity.Si.BAR;
import static earlygate.quantity.Si.KW;
import static earlygate.quantity.Si.LITRE;
import static earlygate.quantity.Si.LPM;
import static earlygate.quantity.Si.MM2_S;
import static earlygate.quantity.Si.ZERO_C;
import static earlygate.unit.file.Fields.number;
import static earlygate.unit.file.Fields.text;
import static earlygate.unit.file.Fields.textOr;

import earlygate.quantity.Keyed;
import earlygate.quantity.PressureUnit;
import earlygate.unit.Fluid;
import earlygate.unit.Gear;
import earlygate.unit.Line;
import earlygate.unit.Meter;
import earlygate.unit.PowerUnit;
import earlygate.unit.RateTarget;
import earlygate.unit.Target;
import earlygate.unit.TestPoint;
import earlygate.unit.Work;
import java.util.List;
import java.util.function.Function;
import java.util.function.Predicate;
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
                list(n.path("components"), c -> ComponentKind.of(c).reader().apply(c, n)),
                list(n.path("testPoints"), t -> t.has("line"), UnitReader::testPoint),
                list(n.path("targets"), t -> t.has("pressureBar"), UnitReader::target),
                list(n.path("work"), UnitReader::work),
                new PowerUnit.Extras(
                        list(n.path("testPoints"), t -> !t.has("line"), UnitReader::meter),
                        list(n.path("targets"), t -> !t.has("pressureBar"), UnitReader::rateTarget),
                        n.has("testGear") ? list(n.path("testGear"), UnitReader::gear) : GearAtHand.of(n)));
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

    private static TestPoint testPoint(JsonNode n) {
        return new TestPoint(
                text(n, "id"),
                text(n, "line"),
                number(n, "rangeBar", 0) * BAR,
                number(n, "class", 1.6),
                PressureUnit.of(textOr(n, "reads", "bar")));
    }

    private static Meter meter(JsonNode n) {
        return n.has("component")
                ? new Meter(
                        text(n, "id"),
                        Meter.Kind.FLOW,
                        text(n, "component"),
                        number(n, "rangeLpm", 0) * LPM,
                        number(n, "class", 1))
                : new Meter(
                        text(n, "id"),
                        Meter.Kind.CURRENT,
                        text(n, "driver"),
                        number(n, "rangeA", 0),
                        number(n, "class", 1.5));
    }

    private static RateTarget rateTarget(JsonNode n) {
        boolean flow = n.has("flowLpm");
        double value = number(n, flow ? "flowLpm" : "limitKw", 0);
        double tolerance = number(n, flow ? "toleranceLpm" : "toleranceKw", Target.DEFAULT_TOLERANCE * value);
        double factor = flow ? LPM : KW;
        return new RateTarget(text(n, "setting"), value * factor, tolerance * factor);
    }

    static Gear gear(JsonNode n) {
        return text(n, "type").equals("flow-meter")
                ? new Gear.FlowMeter(text(n, "id"), number(n, "rangeLpm", 0) * LPM, number(n, "class", 1))
                : new Gear.LoadValve(
                        text(n, "id"),
                        number(n, "ratedFlowLpm", 0) * LPM,
                        number(n, "ratedDropBar", 20) * BAR,
                        number(n, "maxPressureBar", 1000) * BAR);
    }

    private static Target target(JsonNode n) {
        double pressure = number(n, "pressureBar", 0);
        return new Target(
                text(n, "setting"),
                pressure * BAR,
                number(n, "toleranceBar", Target.DEFAULT_TOLERANCE * pressure) * BAR,
                Keyed.of(Target.Defined.class, textOr(n, "defined", "cracking")));
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
        return list(array, any -> true, read);
    }

    private static <R> List<R> list(JsonNode array, Predicate<JsonNode> which, Function<JsonNode, R> read) {
        return array.valueStream().filter(which).map(read).toList();
    }
}
