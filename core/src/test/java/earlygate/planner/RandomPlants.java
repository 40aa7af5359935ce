package earlygate.planner;

import earlygate.unit.PowerUnit;
import java.util.Random;
import tools.jackson.databind.node.ObjectNode;

/**
 * Sound power units with a task of their own, of random size and detail: two pumps with an unloading valve, accumulators
 * that are charged, load-sense pumps with needle or sections, sequence, counterbalance and flow-controlled branches, twin
 * pumps on an engine.
 */
final class RandomPlants extends SheetOfParts {
    private RandomPlants(long seed) {
        super("PL-" + seed, new Random(seed));
    }

    static PowerUnit unit(long seed) {
        return plant(seed).read();
    }

    /** Its lists turned round. */
    static PowerUnit reversed(long seed) {
        return plant(seed).turnedRound().read();
    }

    private static RandomPlants plant(long seed) {
        RandomPlants p = new RandomPlants(seed);
        switch ((int) (seed % 7)) {
            case 0 -> p.highLow();
            case 1 -> p.charging();
            case 2 -> p.needle();
            case 3 -> p.sections();
            case 4 -> p.sequence();
            case 5 -> p.hoist();
            default -> p.twins();
        }
        return p;
    }

    private void highLow() {
        double high = between(140, 230);
        double low = between(40, 80);
        double large = between(25, 50);
        double small = between(6, 14);
        boolean ownRelief = maybe();
        line("H", 1.5 * high);
        line("L", ownRelief ? 2.5 * low + 40 : 1.5 * high);
        pump("PA", "M1", "L", large, Math.max(1.7 * low, 120));
        pump("PB", "M1", "H", small, high);
        valve("unloading-valve", "UV1", "L", "T")
                .put("pilot", "H")
                .put("settingBar", Math.round(0.8 * low))
                .put("ratedFlowLpm", Math.round(large * 2.5))
                .put("ratedDropBar", 4)
                .put("bandBar", 5)
                .put("barPerTurn", 20)
                .putArray("rangeBar")
                .add(15)
                .add(Math.round(3 * low + 60));
        target("UV1", low, 4, false);
        restriction("check-valve", "CV1", "inlet", "L", "outlet", "H", large * 3);
        relief("RV1", "H", high, small * 5, "main", true);
        if (ownRelief) {
            relief("RVL", "L", low + 30, large * 3, "main", false);
        }
        gauge("GL", "L", low);
        gauge("GH", "H", high);
        if (maybe()) {
            load("TV1", "H", large * 3);
        }
        cylinder("C1", "H", "T", 50000);
        double transfer = power(large + small, ownRelief ? low + 30 + 14 : low + 6);
        motor(1, 1.2 * Math.max(transfer, power(small, high + 8) + power(large, 6)));
    }

    private void charging() {
        double out = between(110, 160);
        double relief = out + between(18, 30);
        double displacement = between(8, 20);
        boolean second = maybe();
        line("P", 1.6 * relief);
        line("A", 1.6 * relief);
        pump("P1", "M1", "P", displacement, relief);
        relief("RV1", "P", relief, displacement * 4, "main", true);
        if (second) {
            relief("RVA", "A", relief + 35, displacement * 4, "port", true);
        }
        valve("unloading-valve", "UV1", "P", "T")
                .put("pilot", "A")
                .put("settingBar", Math.round(0.85 * out))
                .put("ratedFlowLpm", displacement * 4)
                .put("ratedDropBar", 4)
                .put("differential", 0.15)
                .put("barPerTurn", 20)
                .putArray("rangeBar")
                .add(40)
                .add(Math.round(2 * out));
        target("UV1", out, 4, false);
        restriction("check-valve", "CV1", "inlet", "P", "outlet", "A", displacement * 4);
        line("B", 1.6 * relief);
        restriction("throttle", "IV1", "a", "A", "b", "B", displacement * 8).put("purpose", "isolate");
        parts.addObject()
                .put("id", "AC1")
                .put("type", "accumulator")
                .put("line", "B")
                .put("volumeL", between(4, 10))
                .put("prechargeBar", Math.round(0.75 * out));
        for (String line : new String[] {"A", "B"}) {
            restriction("throttle", "BV" + line, "a", line, "b", "T", 10).put("purpose", "bleed");
        }
        gauge("G1", "P", relief);
        gauge("G2", "A", relief);
        gauge("G3", "B", relief);
        cylinder("C1", "A", "T", 30000);
        motor(1, 1.2 * power(displacement, relief + 48));
    }

    private ObjectNode loadSense(double displacement, double cutOff) {
        double relief = cutOff + between(18, 28);
        line("P", 1.5 * relief);
        line("X", 1.5 * relief);
        ObjectNode pump = pump("P1", "M1", "P", displacement, cutOff);
        compensator(pump, cutOff);
        pump.putObject("loadSense")
                .put("marginBar", between(12, 24))
                .put("signal", "X")
                .put("barPerTurn", 8)
                .putArray("rangeBar")
                .add(8)
                .add(40);
        target("P1.loadSense", between(16, 22), 2.5, false);
        relief("RV1", "P", relief, displacement * 3, "main", false);
        restriction("orifice", "BL1", "a", "X", "b", "T", 0.6);
        gauge("GP", "P", relief);
        gauge("GX", "X", relief);
        motor(1, 1.2 * power(displacement, relief + 12));
        return pump;
    }

    private void needle() {
        double displacement = between(25, 60);
        double cutOff = between(140, 220);
        loadSense(displacement, cutOff);
        line("W", 2 * cutOff);
        restriction("throttle", "NV1", "a", "P", "b", "W", displacement * 1.6);
        restriction("orifice", "LT1", "a", "W", "b", "X", 6);
        if (maybe()) {
            load("TV1", "W", displacement * 2);
        } else {
            cylinder("C1", "W", "T", 30000);
        }
    }

    private void sections() {
        double displacement = between(28, 63);
        double cutOff = between(180, 240);
        loadSense(displacement, cutOff);
        int count = between(1, 4);
        for (int i = 1; i <= count; i++) {
            line("A" + i, 1.6 * cutOff);
            line("B" + i, 1.6 * cutOff);
            ObjectNode section = parts.addObject()
                    .put("id", "S" + i)
                    .put("type", "section")
                    .put("supply", "P")
                    .put("return", "T")
                    .put("signal", "X")
                    .put("portA", "A" + i)
                    .put("portB", "B" + i)
                    .put("ratedFlowLpm", 60)
                    .put("ratedDropBar", 10)
                    .put("flowLpm", between(15, 50));
            for (String port : new String[] {"reliefA", "reliefB"}) {
                // One port at least lets the pump come to its cut-off.
                if (maybe() && !(i == count && port.equals("reliefB"))) {
                    double bar = between((int) (0.45 * cutOff), (int) (0.8 * cutOff));
                    section.putObject(port)
                            .put("settingBar", Math.round(0.8 * bar))
                            .put("barPerTurn", 25)
                            .putArray("rangeBar")
                            .add(30)
                            .add(Math.round(1.5 * bar));
                    target("S" + i + "." + port, bar, 4, false);
                }
            }
            cylinder("C" + i, "A" + i, "B" + i, 20000);
        }
    }

    private void sequence() {
        double displacement = between(16, 40);
        double cutOff = between(120, 200);
        line("P", 1.6 * cutOff);
        line("A", 1.6 * cutOff);
        line("B", 1.6 * cutOff);
        line("S", 1.6 * cutOff);
        ObjectNode pump = pump("P1", "M1", "P", displacement, cutOff);
        compensator(pump, cutOff);
        relief("RV1", "P", cutOff + between(16, 26), displacement * 3, "main", false);
        ObjectNode lever = lever("DV1", displacement * 3, "P", "A", "B", "T");
        if (maybe()) {
            way(lever, "rest", "A", "T", "B", "T");
        }
        way(lever, "clamp", "P", "A", "B", "T");
        way(lever, "release", "P", "B", "A", "T");
        double bar = Math.round(cutOff * (0.45 + 0.3 * random.nextDouble()));
        valve("sequence-valve", "SQ1", "A", "S")
                .put("settingBar", Math.round(0.7 * bar))
                .put("ratedFlowLpm", displacement * 2)
                .put("ratedDropBar", 6)
                .put("bandBar", 5)
                .put("drain", "T")
                .put("reverseCheck", true)
                .put("barPerTurn", 20)
                .putArray("rangeBar")
                .add(15)
                .add(Math.round(1.5 * bar));
        target("SQ1", bar, 3, false);
        cylinder("C1", "A", "B", 10000);
        cylinder("C2", "S", "T", 40000);
        gauge("G1", "P", cutOff);
        gauge("GA", "A", cutOff);
        if (maybe()) {
            load("TV1", "S", displacement * 2);
        }
        motor(1, 1.2 * power(displacement, cutOff + 38));
    }

    private void hoist() {
        double displacement = between(12, 28);
        double relief = between(140, 200);
        line("P", 1.5 * relief);
        line("V", 1.5 * relief);
        line("A", 1.7 * relief);
        line("B", 1.5 * relief);
        pump("P1", "M1", "P", displacement, relief);
        relief("RV1", "P", relief, displacement * 4, "main", true);
        ObjectNode lever = lever("DV1", displacement * 3, "P", "V", "B", "T");
        if (maybe()) {
            way(lever, "rest", "P", "T", "V", "T", "B", "T");
        }
        way(lever, "up", "P", "V", "B", "T");
        way(lever, "down", "P", "B", "V", "T");
        double bar = Math.round(relief * (0.5 + 0.2 * random.nextDouble()));
        valve("counterbalance-valve", "CB1", "A", "V")
                .put("settingBar", Math.round(0.8 * bar))
                .put("ratedFlowLpm", displacement * 3)
                .put("ratedDropBar", 6)
                .put("bandBar", 5)
                .put("reverseCheck", true)
                .put("barPerTurn", 25)
                .putArray("rangeBar")
                .add(30)
                .add(Math.round(1.5 * bar));
        target("CB1", bar, 3, false);
        cylinder("C1", "A", "B", (int) (0.6 * bar * 1e5 * Math.PI / 4 * 0.08 * 0.08));
        gauge("G1", "P", relief);
        gauge("GA", "A", relief);
        motor(1, 1.2 * power(displacement, relief + 14));
    }

    /** Two pumps on an engine, each with its own circuit, flow controls behind them or not. */
    private void twins() {
        double displacement = between(30, 70);
        double cutOff = between(180, 260);
        for (int i = 1; i <= 2; i++) {
            line("P" + i, 1.5 * cutOff + 40);
            ObjectNode pump = pump("PU" + i, "E1", "P" + i, displacement, cutOff);
            compensator(pump, cutOff + 4 * i);
            relief("RV" + i, "P" + i, cutOff + 30, displacement * 4, "main", false);
            gauge("G" + i, "P" + i, cutOff + 50);
            if (maybe()) {
                load("TV" + i, "P" + i, displacement * 2);
            }
            if (maybe()) {
                branch(i, displacement);
            }
        }
        parts.addObject()
                .put("id", "E1")
                .put("type", "engine")
                .put("ratedPowerKw", Math.ceil(2.6 * power(displacement, cutOff + 40)))
                .putObject("speedsRpm")
                .put("lowIdle", 900)
                .put("mid", 1450)
                .put("highIdle", 2000);
    }

    /** A low-pressure circuit fed through a flow control, with a relief of its own. */
    private void branch(int n, double displacement) {
        double bar = between(35, 90);
        line("S" + n, 3 * bar);
        restriction("flow-control", "FC" + n, "inlet", "P" + n, "outlet", "S" + n, displacement)
                .put("setLpm", between(6, 14));
        relief("RS" + n, "S" + n, bar, displacement, "port", false);
        gauge("GS" + n, "S" + n, bar);
        cylinder("CS" + n, "S" + n, "T", 8000);
    }
}
