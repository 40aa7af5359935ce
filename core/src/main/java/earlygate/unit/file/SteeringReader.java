package earlygate.unit.file;

import static earlygate.quantity.Si.BAR;
import static earlygate.quantity.Si.LPM;
import static earlygate.unit.file.Fields.number;
import static earlygate.unit.file.Fields.optionalNumber;
import static earlygate.unit.file.Fields.screw;
import static earlygate.unit.file.Fields.text;

import earlygate.unit.DirectionalValve;
import earlygate.unit.Section;
import earlygate.unit.Shuttle;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import tools.jackson.databind.JsonNode;

/** Valves that choose between ways. */
final class SteeringReader {
    private SteeringReader() {}

    static Shuttle shuttle(JsonNode n) {
        return new Shuttle(text(n, "id"), text(n, "a"), text(n, "b"), text(n, "out"));
    }

    static Section section(JsonNode n) {
        return new Section(
                text(n, "id"),
                text(n, "supply"),
                text(n, "return"),
                text(n, "signal"),
                text(n, "portA"),
                text(n, "portB"),
                number(n, "ratedFlowLpm", 0) * LPM,
                number(n, "ratedDropBar", 0) * BAR,
                optionalNumber(n, "flowLpm", LPM),
                portRelief(n.path("reliefA")),
                portRelief(n.path("reliefB")),
                words(n));
    }

    static DirectionalValve directional(JsonNode n) {
        return new DirectionalValve(
                text(n, "id"),
                positions(n.path("positions")),
                text(n, "start"),
                number(n, "ratedFlowLpm", 0) * LPM,
                number(n, "ratedDropBar", 0) * BAR,
                words(n));
    }

    private static Map<String, String> words(JsonNode n) {
        Map<String, String> words = new LinkedHashMap<>();
        n.path("positionNames")
                .properties()
                .forEach(e -> words.put(e.getKey(), e.getValue().asString()));
        return words;
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
