package earlygate.drawing;

import earlygate.unit.Line;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;

/**
 * A kind of part that can be put in by pointing at the drawing.
 *
 * @param prefix of its name
 * @param behind letter of the line behind it; empty where its other end goes to tank
 * @param set it is set or filled to a pressure, which the schematic must tell
 * @param drawn draws it between its lines
 */
record NewPart(String prefix, Optional<String> behind, boolean set, Drawn drawn) {
    /** @param bar 0 where it has none */
    record Place(Canvas paper, String id, String from, String to, double bar) {
        Part part(String type) {
            return paper.draft().part(id, type);
        }

        double flow() {
            return paper.flow();
        }
    }

    interface Drawn {
        Part in(Place at);
    }

    /** L/min above which a relief is usually piloted. */
    private static final double PILOTED = 25;

    private static final Map<String, NewPart> KINDS = new LinkedHashMap<>();

    static {
        home("relief-valve", "RV", true, NewPart::relief);
        home("unloading-valve", "UV", true, at -> {
            Part valve = ends(at, "unloading-valve").set("pilot", at.from);
            sized(valve, 1.3 * at.flow(), 4);
            return TypicalValues.screw(valve, at.bar, Math.min(15, at.bar / 3), TypicalValues.fits(1.5 * at.bar));
        });
        home(
                "accumulator",
                "AC",
                true,
                at -> at.part("accumulator")
                        .set("line", at.from)
                        .assume("volumeL", 10)
                        .set("prechargeBar", at.bar));
        home("throttle", "TV", false, at -> TypicalValues.load(at.paper.draft(), at.id, at.from, at.to, at.flow()));
        home(
                "orifice",
                "OR",
                false,
                at -> TypicalValues.restriction(at.paper.draft(), at.id, "orifice", at.from, at.to, 1, 100)
                        .set("purpose", "bleed"));
        home(
                "cylinder",
                "C",
                false,
                at -> at.part("cylinder")
                        .set("cap", at.from)
                        .set("rod", at.to)
                        .assume("boreMm", 80)
                        .assume("rodMm", 45));
        home(
                "hydraulic-motor",
                "H",
                false,
                at -> at.part("hydraulic-motor")
                        .set("a", at.from)
                        .set("b", at.to)
                        .assume("displacementCm3", 100)
                        .assume("efficiency", 0.9));
        on("reducing-valve", "RD", "R", true, at -> branch(at, "reducing-valve", "relieving"));
        on("sequence-valve", "SQ", "Q", true, at -> branch(at, "sequence-valve", "reverseCheck"));
        on("check-valve", "CV", "", false, at -> sized(ends(at, "check-valve"), 1.3 * at.flow(), 3));
        on(
                "filter",
                "FL",
                "",
                false,
                at -> sized(ends(at, "filter"), 1.3 * at.flow(), 1).assume("bypassBar", 3));
        on(
                "flow-control",
                "FC",
                "W",
                false,
                at -> sized(ends(at, "flow-control"), at.flow(), 8)
                        .assume("setLpm", TypicalValues.size(at.flow() / 2)));
    }

    private static void home(String type, String prefix, boolean set, Drawn drawn) {
        KINDS.put(type, new NewPart(prefix, Optional.empty(), set, drawn));
    }

    private static void on(String type, String prefix, String behind, boolean set, Drawn drawn) {
        KINDS.put(type, new NewPart(prefix, Optional.of(behind), set, drawn));
    }

    static Stream<String> types() {
        return KINDS.keySet().stream();
    }

    static Optional<NewPart> of(String type) {
        return Optional.ofNullable(KINDS.get(type));
    }

    private static Part ends(Place at, String type) {
        return at.part(type).set("inlet", at.from).set("outlet", at.to);
    }

    private static Part sized(Part part, double flow, double dropBar) {
        return part.assume("ratedFlowLpm", TypicalValues.size(flow)).assume("ratedDropBar", dropBar);
    }

    /** A valve before a branch of its own pressure, drained to tank, with what such a one usually has. */
    private static Part branch(Place at, String type, String usually) {
        Part valve = sized(ends(at, type).set("drain", Line.TANK), at.flow(), 8).set(usually, true);
        return TypicalValues.screw(valve, at.bar, Math.min(15, at.bar / 3), TypicalValues.fits(1.5 * at.bar));
    }

    /** The first relief of a pump's line protects all behind it. */
    private static Part relief(Place at) {
        boolean main = at.paper.isPumpLine(at.from) && !at.paper.hasRelief(at.from);
        Part relief =
                TypicalValues.relief(at.paper.draft(), at.id, at.from, at.to, at.bar, at.flow(), at.flow() > PILOTED);
        return main ? relief.set("role", "main") : relief;
    }

    /** A relief is usually told by its crack. */
    static String defined(String type) {
        return type.equals("relief-valve") ? "cracking" : "";
    }
}
