package earlygate.unit.file;

import static earlygate.quantity.Si.BAR;
import static earlygate.quantity.Si.RPM;
import static earlygate.quantity.Si.ZERO_C;

import earlygate.unit.PowerUnit;
import earlygate.unit.Situation;
import java.util.Map;
import java.util.Set;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/**
 * A situation as the calculation API writes one; {@link SituationFile} reads it. Drivers and openings are there on a unit
 * without any too: who sets a machine so goes through both.
 */
public final class SituationWriter {
    private SituationWriter() {}

    public static ObjectNode write(PowerUnit unit, Situation s) {
        ObjectNode out = JsonNodeFactory.instance.objectNode();
        ObjectNode drivers = out.putObject("drivers");
        s.drivers().forEach((id, d) -> {
            ObjectNode drive = drivers.putObject(id).put("running", d.running());
            d.speed().ifPresent(n -> drive.put("speedRpm", n / RPM));
        });
        ObjectNode openings = out.putObject("openings");
        s.openings().forEach((id, v) -> openings.put(id, round(v)));
        if (!s.settings().isEmpty()) {
            ObjectNode settings = out.putObject("settings");
            s.settings().forEach((id, v) -> settings.put(id, round(v / SituationFile.factor(unit, id))));
        }
        if (!s.positions().isEmpty()) {
            ObjectNode positions = out.putObject("positions");
            s.positions().forEach(positions::put);
        }
        writeNames(out, "vented", s.vented());
        s.blocked().ifPresent(b -> b.forEach(out.putArray("blocked")::add));
        writeNames(out, "suctionShut", s.suctionShut());
        writeNumbers(out, "pressures", s.pressures(), BAR);
        if (!s.gear().isEmpty() || !s.metered().isEmpty()) {
            ObjectNode gear = out.putObject("gear");
            s.gear()
                    .forEach((id, v) ->
                            gear.putObject(id).put("a", v.a()).put("b", v.b()).put("opening", round(v.opening())));
            s.metered().forEach((id, component) -> gear.putObject(id).put("component", component));
        }
        s.oil().ifPresent(t -> out.put("oilC", round(t - ZERO_C)));
        return out;
    }

    private static void writeNames(ObjectNode out, String key, Set<String> names) {
        if (!names.isEmpty()) {
            names.forEach(out.withArray("/" + key)::add);
        }
    }

    private static void writeNumbers(ObjectNode out, String key, Map<String, Double> values, double factor) {
        if (!values.isEmpty()) {
            ObjectNode node = out.putObject(key);
            values.forEach((id, v) -> node.put(id, round(v / factor)));
        }
    }

    private static double round(double value) {
        return Math.round(value * 1e4) / 1e4;
    }
}
