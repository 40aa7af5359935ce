package earlygate.unit.file;

import static earlygate.quantity.Si.BAR;
import static earlygate.quantity.Si.LPM;
import static earlygate.unit.file.UnitReader.number;
import static earlygate.unit.file.UnitReader.optional;
import static earlygate.unit.file.UnitReader.optionalNumber;
import static earlygate.unit.file.UnitReader.screw;
import static earlygate.unit.file.UnitReader.text;

import earlygate.unit.CheckValve;
import earlygate.unit.Component;
import earlygate.unit.DirectionalValve;
import earlygate.unit.FlowControl;
import earlygate.unit.ReducingValve;
import earlygate.unit.Screw;
import earlygate.unit.Section;
import earlygate.unit.SequenceValve;
import earlygate.unit.Shuttle;
import earlygate.unit.UnloadingValve;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import tools.jackson.databind.JsonNode;

/** The valves beyond relief and throttle. */
final class ValveReader {
    private ValveReader() {}

    static Component valve(String id, JsonNode n) {
        String inlet = text(n, "inlet");
        String outlet = text(n, "outlet");
        double setting = number(n, "settingBar", 0) * BAR;
        double flow = number(n, "ratedFlowLpm", 0) * LPM;
        double drop = number(n, "ratedDropBar", 0) * BAR;
        double band = number(n, "bandBar", 5) * BAR;
        Screw screw = screw(n, 1.5 * Math.max(number(n, "settingBar", 0), 10));
        boolean reverse = n.path("reverseCheck").asBoolean(false);
        return switch (text(n, "type")) {
            case "unloading-valve" ->
                new UnloadingValve(
                        id,
                        inlet,
                        outlet,
                        text(n, "pilot"),
                        setting,
                        flow,
                        drop,
                        band,
                        optionalNumber(n, "differential", 1),
                        screw);
            case "reducing-valve" ->
                new ReducingValve(
                        id,
                        inlet,
                        outlet,
                        text(n, "drain"),
                        setting,
                        flow,
                        drop,
                        band,
                        number(n, "drainFlowLpm", 0.8) * LPM,
                        reverse,
                        n.path("relieving").asBoolean(false),
                        screw);
            case "check-valve" -> new CheckValve(id, inlet, outlet, flow, drop, number(n, "crackingBar", 0.5) * BAR);
            case "flow-control" -> new FlowControl(id, inlet, outlet, number(n, "setLpm", 0) * LPM, flow, drop);
            default ->
                new SequenceValve(
                        id,
                        text(n, "type").equals("counterbalance-valve"),
                        inlet,
                        outlet,
                        optional(n, "pilot"),
                        optional(n, "drain"),
                        setting,
                        flow,
                        drop,
                        band,
                        reverse,
                        screw);
        };
    }

    static Component steering(String id, JsonNode n) {
        double flow = number(n, "ratedFlowLpm", 0) * LPM;
        double drop = number(n, "ratedDropBar", 0) * BAR;
        return switch (text(n, "type")) {
            case "shuttle" -> new Shuttle(id, text(n, "a"), text(n, "b"), text(n, "out"));
            case "section" ->
                new Section(
                        id,
                        text(n, "supply"),
                        text(n, "return"),
                        text(n, "signal"),
                        text(n, "portA"),
                        text(n, "portB"),
                        flow,
                        drop,
                        optionalNumber(n, "flowLpm", LPM),
                        portRelief(n.path("reliefA")),
                        portRelief(n.path("reliefB")));
            default -> new DirectionalValve(id, positions(n.path("positions")), text(n, "start"), flow, drop);
        };
    }

    private static Optional<Section.PortRelief> portRelief(JsonNode n) {
        double bar = number(n, "settingBar", 0);
        return n.isMissingNode()
                ? Optional.empty()
                : Optional.of(new Section.PortRelief(bar * BAR, screw(n, 1.5 * Math.max(bar, 10))));
    }

    private static Map<String, List<DirectionalValve.Path>> positions(JsonNode n) {
        Map<String, List<DirectionalValve.Path>> positions = new LinkedHashMap<>();
        n.properties().forEach(e -> {
            List<DirectionalValve.Path> paths = new ArrayList<>();
            for (JsonNode pair : e.getValue()) {
                paths.add(new DirectionalValve.Path(
                        pair.get(0).asString(), pair.get(1).asString()));
            }
            positions.put(e.getKey(), List.copyOf(paths));
        });
        return positions;
    }
}
