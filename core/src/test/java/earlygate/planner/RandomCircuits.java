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

/**
 * Sound power units of random structure: one or two circuits on one shaft or two, fixed or compensated or load-sense
 * pumps, a check behind the pump or none, and behind it a capped port, a cylinder, a steered motor with cross-ports, a
 * reducing branch or an orifice with its load. Ratings, drives and gauges fit what is asked of them.
 */
final class RandomCircuits {
    private final Random random;
    private final ObjectNode unit = JsonMapper.shared().createObjectNode();
    private final ArrayNode lines = unit.putArray("lines");
    private final ArrayNode parts = unit.putArray("components");
    private final ArrayNode gauges = unit.putArray("testPoints");
    private final ArrayNode targets = unit.putArray("targets");

    private RandomCircuits(long seed) {
        random = new Random(seed);
        unit.put("format", "early-gate/unit/1").put("tag", "RC-" + seed).put("name", "random circuit " + seed);
        unit.putObject("drawing").put("number", "RC-" + seed).put("revision", "A");
        unit.putObject("fluid")
                .put("name", "ISO VG 46")
                .put("viscosity40", 46)
                .put("viscosityIndex", 100)
                .put("tankL", 200);
    }

    static PowerUnit unit(long seed) {
        RandomCircuits c = new RandomCircuits(seed);
        c.build();
        if (UnitFile.read(c.unit.toString()) instanceof UnitFile.Reading.Read read) {
            return read.unit();
        }
        throw new AssertionError("Seed " + seed + " is no unit: " + UnitFile.read(c.unit.toString()));
    }

    /** The same with its parts and lines listed the other way round. */
    static PowerUnit reversed(long seed) {
        RandomCircuits c = new RandomCircuits(seed);
        c.build();
        for (String list : List.of("components", "lines", "testPoints")) {
            List<JsonNode> all = new ArrayList<>();
            c.unit.get(list).forEach(all::add);
            Collections.reverse(all);
            c.unit.putArray(list).addAll(all);
        }
        return ((UnitFile.Reading.Read) UnitFile.read(c.unit.toString())).unit();
    }

    private void build() {
        int circuits = 1 + random.nextInt(2);
        boolean together = random.nextBoolean();
        double power = 0;
        for (int i = 1; i <= circuits; i++) {
            power += circuit(i, together ? 1 : i);
            if (!together || i == circuits) {
                motor(together ? 1 : i, power * 1.2);
                power = 0;
            }
        }
    }

    private void motor(int n, double kw) {
        double rated = Math.ceil(kw);
        parts.addObject()
                .put("id", "M" + n)
                .put("type", "electric-motor")
                .put("ratedPowerKw", rated)
                .put("syncSpeedRpm", 1500)
                .put("ratedSpeedRpm", 1455)
                .put("ratedCurrentA", 2 * rated);
    }

    /** Gives the power in kW that full flow over its relief takes. */
    private double circuit(int n, int drive) {
        String p = "P" + n;
        double displacement = 8 + random.nextInt(50);
        double relief = 120 + 5 * random.nextInt(22);
        boolean compensated = random.nextInt(3) > 0;
        line(p, 1.6 * relief);
        ObjectNode pump = parts.addObject()
                .put("id", "PU" + n)
                .put("type", "pump")
                .put("driver", "M" + drive)
                .put("inlet", "T")
                .put("outlet", p)
                .put("displacementCm3", displacement)
                .put("ratedPressureBar", 1.2 * relief)
                .put("volumetricEfficiency", 0.93)
                .put("maxPressureBar", 1.6 * relief);
        double cutOff = relief - 16 - random.nextInt(6);
        if (compensated) {
            pump.putObject("compensator")
                    .put("settingBar", 0.6 * cutOff)
                    .put("barPerTurn", 40)
                    .putArray("rangeBar")
                    .add(20)
                    .add(Math.round(1.5 * relief));
            target("PU" + n + ".compensator", cutOff, 4, false);
        }
        valve("relief-valve", "RV" + n, p, "T")
                .put("acting", random.nextBoolean() ? "pilot" : "direct")
                .put("settingBar", 0.7 * relief)
                .put("overrideBar", 6)
                .put("ratedFlowLpm", 2 * displacement * 1.5)
                .put("role", "main")
                .putArray("rangeBar")
                .add(10)
                .add(Math.round(1.4 * relief));
        target("RV" + n, relief, 5, !compensated);
        gauge("G" + n, p, relief);
        String supply = p;
        if (random.nextInt(3) == 0) {
            supply = "Q" + n;
            line(supply, 1.6 * relief);
            restriction("check-valve", "CV" + n, "inlet", p, "outlet", supply, displacement * 4);
        }
        double lowest = compensated ? cutOff : relief;
        switch (random.nextInt(5)) {
            case 0 -> capped(n, supply, relief, displacement);
            case 1 -> cylinder(n, supply);
            case 2 -> steeredMotor(n, supply, relief, lowest, displacement);
            case 3 -> branch(n, supply, relief, lowest, displacement);
            default ->
                restriction("throttle", "TV" + n, "a", supply, "b", "T", displacement * 2)
                        .put("purpose", "load");
        }
        return displacement * 1.5 * (relief + 8) / 600 / 0.9;
    }

    private void capped(int n, String supply, double relief, double displacement) {
        line("W" + n, 1.6 * relief);
        restriction("throttle", "BV" + n, "a", supply, "b", "W" + n, displacement * 3)
                .put("purpose", "isolate");
        cylinder(n, "W" + n);
    }

    private void cylinder(int n, String line) {
        parts.addObject()
                .put("id", "C" + n)
                .put("type", "cylinder")
                .put("cap", line)
                .put("rod", "T")
                .put("boreMm", 63)
                .put("rodMm", 36)
                .put("strokeMm", 400)
                .put("forceN", 20000);
    }

    private void steeredMotor(int n, String supply, double relief, double lowest, double displacement) {
        String a = "A" + n;
        String b = "B" + n;
        line(a, 1.6 * relief);
        line(b, 1.6 * relief);
        ObjectNode valve = parts.addObject()
                .put("id", "DV" + n)
                .put("type", "directional-valve")
                .put("start", "centre");
        valve.putArray("ports").add(supply).add("T").add(a).add(b);
        ObjectNode positions = valve.putObject("positions");
        positions.putArray("centre");
        ArrayNode left = positions.putArray("left");
        left.addArray().add(supply).add(a);
        left.addArray().add(b).add("T");
        ArrayNode right = positions.putArray("right");
        right.addArray().add(supply).add(b);
        right.addArray().add(a).add("T");
        valve.put("ratedFlowLpm", displacement * 3).put("ratedDropBar", 10);
        double cross = Math.min(lowest - 20, relief * (0.55 + 0.2 * random.nextDouble()));
        crossPort("XA" + n, a, b, cross, displacement);
        crossPort("XB" + n, b, a, cross - 4, displacement);
        gauge("GA" + n, a, relief);
        gauge("GB" + n, b, relief);
        parts.addObject()
                .put("id", "H" + n)
                .put("type", "hydraulic-motor")
                .put("a", a)
                .put("b", b)
                .put("displacementCm3", 250)
                .put("torqueNm", 200);
    }

    private void crossPort(String id, String from, String to, double bar, double displacement) {
        valve("relief-valve", id, from, to)
                .put("acting", "direct")
                .put("settingBar", 0.8 * bar)
                .put("overrideBar", 12)
                .put("ratedFlowLpm", displacement * 3)
                .put("role", "cross-port")
                .putArray("rangeBar")
                .add(15)
                .add(Math.round(1.5 * bar));
        target(id, Math.round(bar), 5, false);
    }

    private void branch(int n, String supply, double relief, double lowest, double displacement) {
        String r = "R" + n;
        line(r, 1.6 * relief);
        double bar = Math.round(lowest * (0.35 + 0.3 * random.nextDouble()));
        valve("reducing-valve", "RD" + n, supply, r)
                .put("drain", "T")
                .put("settingBar", 0.7 * bar)
                .put("ratedFlowLpm", displacement * 2)
                .put("ratedDropBar", 8)
                .put("reverseCheck", true)
                .putArray("rangeBar")
                .add(10)
                .add(Math.round(1.5 * bar));
        target("RD" + n, bar, 4, false);
        gauge("GR" + n, r, bar);
        cylinder(n, r);
    }

    private void line(String id, double rating) {
        lines.addObject().put("id", id).put("ratingBar", Math.ceil(rating)).put("volumeL", 1);
    }

    private ObjectNode valve(String type, String id, String inlet, String outlet) {
        return parts.addObject()
                .put("id", id)
                .put("type", type)
                .put("inlet", inlet)
                .put("outlet", outlet);
    }

    private ObjectNode restriction(String type, String id, String a, String from, String b, String to, double lpm) {
        return parts.addObject()
                .put("id", id)
                .put("type", type)
                .put(a, from)
                .put(b, to)
                .put("ratedFlowLpm", lpm)
                .put("ratedDropBar", 10);
    }

    private void gauge(String id, String line, double bar) {
        gauges.addObject()
                .put("id", id)
                .put("line", line)
                .put("rangeBar", bar < 100 ? 160 : bar < 180 ? 315 : 400)
                .put("class", 0.25);
    }

    private void target(String setting, double bar, double tolerance, boolean fullFlow) {
        targets.addObject()
                .put("setting", setting)
                .put("pressureBar", bar)
                .put("toleranceBar", tolerance)
                .put("defined", fullFlow ? "full-flow" : "cracking");
    }
}
