package earlygate.planner;

import earlygate.unit.PowerUnit;
import earlygate.unit.file.UnitFile;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Random;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** A unit file in the making: parts, lines, gauges and targets put down one after another. */
class SheetOfParts {
    private static final double RPM = 1455;

    final Random random;
    final ObjectNode unit = JsonMapper.shared().createObjectNode();
    final ArrayNode lines = unit.putArray("lines");
    final ArrayNode parts = unit.putArray("components");
    final ArrayNode gauges = unit.putArray("testPoints");
    final ArrayNode targets = unit.putArray("targets");

    SheetOfParts(String tag, Random random) {
        this.random = random;
        unit.put("format", "early-gate/unit/1").put("tag", tag).put("name", "random circuit " + tag);
        unit.putObject("drawing").put("number", tag).put("revision", "A");
        unit.putObject("fluid")
                .put("name", "ISO VG 46")
                .put("viscosity40", 46)
                .put("viscosityIndex", 100)
                .put("tankL", 200);
    }

    PowerUnit read() {
        if (UnitFile.read(unit.toString()) instanceof UnitFile.Reading.Read read) {
            return read.unit();
        }
        throw new AssertionError(unit.get("tag") + " is no unit: " + UnitFile.read(unit.toString()));
    }

    /** Every list the other way round. */
    SheetOfParts turnedRound() {
        for (String list : List.of("components", "lines", "testPoints")) {
            List<JsonNode> all = new ArrayList<>();
            unit.get(list).forEach(all::add);
            Collections.reverse(all);
            unit.putArray(list).addAll(all);
        }
        return this;
    }

    void motor(int n, double kw) {
        double rated = Math.ceil(kw);
        parts.addObject()
                .put("id", "M" + n)
                .put("type", "electric-motor")
                .put("ratedPowerKw", rated)
                .put("syncSpeedRpm", 1500)
                .put("ratedSpeedRpm", 1455)
                .put("ratedCurrentA", 2 * rated);
    }

    void line(String id, double rating) {
        lines.addObject().put("id", id).put("ratingBar", Math.ceil(rating)).put("volumeL", 1);
    }

    ObjectNode valve(String type, String id, String inlet, String outlet) {
        return parts.addObject()
                .put("id", id)
                .put("type", type)
                .put("inlet", inlet)
                .put("outlet", outlet);
    }

    ObjectNode restriction(String type, String id, String a, String from, String b, String to, double lpm) {
        return parts.addObject()
                .put("id", id)
                .put("type", type)
                .put(a, from)
                .put(b, to)
                .put("ratedFlowLpm", lpm)
                .put("ratedDropBar", 10);
    }

    void gauge(String id, String line, double bar) {
        gauges.addObject()
                .put("id", id)
                .put("line", line)
                .put("rangeBar", bar < 100 ? 160 : bar < 180 ? 315 : 400)
                .put("class", 0.25);
    }

    void target(String setting, double bar, double tolerance, boolean fullFlow) {
        targets.addObject()
                .put("setting", setting)
                .put("pressureBar", bar)
                .put("toleranceBar", tolerance)
                .put("defined", fullFlow ? "full-flow" : "cracking");
    }

    boolean maybe() {
        return random.nextBoolean();
    }

    int between(int low, int high) {
        return low + random.nextInt(high - low + 1);
    }

    /** kW at the shaft for so many cm3/rev at a pressure. */
    static double power(double displacement, double bar) {
        return displacement * RPM / 1000 * bar / 600 / 0.88;
    }

    ObjectNode pump(String id, String driver, String outlet, double displacement, double bar) {
        return parts.addObject()
                .put("id", id)
                .put("type", "pump")
                .put("driver", driver)
                .put("inlet", "T")
                .put("outlet", outlet)
                .put("displacementCm3", displacement)
                .put("ratedPressureBar", Math.round(1.1 * bar))
                .put("volumetricEfficiency", 0.93)
                .put("maxPressureBar", Math.round(1.5 * bar));
    }

    void compensator(ObjectNode pump, double bar) {
        pump.putObject("compensator")
                .put("settingBar", Math.round(bar * (0.6 + 0.6 * random.nextDouble())))
                .put("barPerTurn", 40)
                .putArray("rangeBar")
                .add(20)
                .add(Math.round(1.4 * bar));
        target(pump.get("id").asString() + ".compensator", bar, 4, false);
    }

    void relief(String id, String from, double bar, double lpm, String role, boolean fullFlow) {
        boolean pilot = maybe();
        valve("relief-valve", id, from, "T")
                .put("acting", pilot ? "pilot" : "direct")
                .put("settingBar", Math.round(bar * (0.6 + 0.6 * random.nextDouble())))
                .put("overrideBar", pilot ? 6 : 12)
                .put("ratedFlowLpm", Math.round(lpm))
                .put("role", role)
                .putArray("rangeBar")
                .add(10)
                .add(Math.round(1.45 * bar));
        target(id, bar, 5, fullFlow);
    }

    void load(String id, String line, double lpm) {
        restriction("throttle", id, "a", line, "b", "T", lpm).put("purpose", "load");
    }

    void cylinder(String id, String cap, String rod, int force) {
        parts.addObject()
                .put("id", id)
                .put("type", "cylinder")
                .put("cap", cap)
                .put("rod", rod)
                .put("boreMm", 80)
                .put("rodMm", 45)
                .put("strokeMm", 500)
                .put("forceN", force);
    }

    ObjectNode lever(String id, double lpm, String... ports) {
        ObjectNode valve = parts.addObject()
                .put("id", id)
                .put("type", "directional-valve")
                .put("start", "rest")
                .put("ratedFlowLpm", lpm)
                .put("ratedDropBar", 4);
        ArrayNode list = valve.putArray("ports");
        for (String port : ports) {
            list.add(port);
        }
        valve.putObject("positions").putArray("rest");
        return valve;
    }

    static void way(ObjectNode lever, String position, String... pairs) {
        ArrayNode ways = lever.get("positions").has(position)
                ? (ArrayNode) lever.get("positions").get(position)
                : ((ObjectNode) lever.get("positions")).putArray(position);
        for (int i = 0; i < pairs.length; i += 2) {
            ways.addArray().add(pairs[i]).add(pairs[i + 1]);
        }
    }
}
