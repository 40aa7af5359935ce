package earlygate.planner;

import earlygate.unit.PowerUnit;
import java.util.Random;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * Sound power units of random structure: one or two circuits on one shaft or two, fixed or compensated or load-sense
 * pumps, a check behind the pump or none, and behind it a capped port, a cylinder, a steered motor with cross-ports, a
 * reducing branch or an orifice with its load. Ratings, drives and gauges fit what is asked of them.
 */
final class RandomCircuits extends SheetOfParts {
    private RandomCircuits(long seed) {
        super("RC-" + seed, new Random(seed));
    }

    static PowerUnit unit(long seed) {
        RandomCircuits c = new RandomCircuits(seed);
        c.build();
        return c.read();
    }

    /** The same with its parts and lines listed the other way round. */
    static PowerUnit reversed(long seed) {
        RandomCircuits c = new RandomCircuits(seed);
        c.build();
        return c.turnedRound().read();
    }

    private void build() {
        int circuits = 1 + random.nextInt(2);
        boolean together = random.nextBoolean();
        double power = 0;
        for (int i = 1; i <= circuits; i++) {
            power += circuit(i, together ? 1 : i);
            if (!together || i == circuits) {
                motor(together ? 1 : i, power * (1.08 + 0.12 * random.nextDouble()));
                power = 0;
            }
        }
    }

    /** Gives the power in kW that its motor is made for. */
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
        boolean pilot = random.nextBoolean();
        double share = pilot ? 0.02 + 0.04 * random.nextDouble() : 0.1 + 0.15 * random.nextDouble();
        double override = Math.ceil(share * relief);
        valve("relief-valve", "RV" + n, p, "T")
                .put("acting", pilot ? "pilot" : "direct")
                .put("settingBar", 0.7 * relief)
                .put("overrideBar", override)
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
        // A motor for the corner of the pump alone can't carry full flow over its relief.
        double most = compensated && random.nextBoolean() ? cutOff : relief + override / 2 + 8;
        return displacement * 1.5 * most / 600 / 0.9;
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
}
