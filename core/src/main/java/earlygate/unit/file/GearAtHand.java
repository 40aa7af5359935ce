package earlygate.unit.file;

import static earlygate.quantity.Si.BAR;
import static earlygate.quantity.Si.CM3;
import static earlygate.unit.file.Fields.number;
import static earlygate.unit.file.Fields.text;

import earlygate.unit.Gear;
import java.util.List;
import tools.jackson.databind.JsonNode;

/**
 * What a workshop has at hand where the file doesn't say: one portable load valve, 20 bar at the unit's full flow and rated
 * as its highest line, and one flow meter of class 1.
 */
final class GearAtHand {
    private static final double DROP = 20 * BAR;

    private GearAtHand() {}

    static List<Gear> of(JsonNode unit) {
        double flow = unit.path("components")
                .valueStream()
                .filter(c -> text(c, "type").equals("pump"))
                .mapToDouble(p -> number(p, "displacementCm3", 0) * CM3 * speed(unit, text(p, "driver")))
                .sum();
        double highest = unit.path("lines")
                .valueStream()
                .mapToDouble(l -> number(l, "ratingBar", 0) * BAR)
                .max()
                .orElse(0);
        return flow <= 0
                ? List.of()
                : List.of(
                        new Gear.LoadValve(free(unit, "PLV"), flow, DROP, highest),
                        new Gear.FlowMeter(free(unit, "PFM"), 1.2 * flow, 1));
    }

    private static double speed(JsonNode unit, String driver) {
        return unit.path("components")
                .valueStream()
                .filter(d -> text(d, "id").equals(driver))
                .mapToDouble(DriverReader::ratedSpeed)
                .findFirst()
                .orElse(0);
    }

    /** The first number behind the stem that no part and no test point of the unit has. */
    private static String free(JsonNode unit, String stem) {
        int n = 1;
        while (taken(unit, stem + n)) {
            n++;
        }
        return stem + n;
    }

    private static boolean taken(JsonNode unit, String id) {
        return List.of("components", "testPoints").stream()
                .anyMatch(list -> unit.path(list)
                        .valueStream()
                        .anyMatch(c -> text(c, "id").equals(id)));
    }
}
