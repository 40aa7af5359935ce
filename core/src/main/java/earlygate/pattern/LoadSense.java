package earlygate.pattern;

import static earlygate.pattern.Question.ifKnown;
import static earlygate.pattern.Question.needed;

import earlygate.drawing.Draft;
import earlygate.drawing.Part;
import earlygate.drawing.TypicalValues;
import earlygate.pattern.Question.Group;
import earlygate.quantity.Measure;
import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;

/** A pump that stands a margin above the load that is felt through a signal line: over a needle valve, or a sectional one. */
final class LoadSense implements Pattern {
    /** Class of the gauges whose difference is a margin. */
    private static final double FINE = 0.25;

    private static final double DROP = 14;

    private final int sections;

    /** @param sections 0 for a needle valve */
    LoadSense(int sections) {
        this.sections = sections;
    }

    @Override
    public String id() {
        return sections == 0 ? "load-sense-needle" : "load-sense-" + sections;
    }

    @Override
    public List<Question> questions() {
        List<Question> schematic = new ArrayList<>(List.of(
                needed("margin", Measure.PRESSURE, Group.SCHEMATIC, 3, 60),
                ifKnown("margin-tolerance", Measure.PRESSURE, Group.SCHEMATIC, 0.5, 10)));
        for (int i = 1; i <= sections; i++) {
            schematic.add(needed("s" + i + "-flow", Measure.FLOW, Group.SCHEMATIC, 1, 1000));
            schematic.add(ifKnown("s" + i + "-a", Measure.PRESSURE, Group.SCHEMATIC, 10, 700));
            schematic.add(ifKnown("s" + i + "-b", Measure.PRESSURE, Group.SCHEMATIC, 10, 700));
        }
        return Pattern.all(
                Plates.drive(),
                Plates.pump(),
                Plates.compensatorAndRelief(),
                schematic,
                Plates.lineAndGauge(),
                Plates.work(),
                Plates.oil());
    }

    @Override
    public String often() {
        String often = "power 55, speed 1500, displacement 63, pump-rating 280, compensator 200, relief 225, "
                + "margin 20, work-pressure 140, work-flow 45, low-idle 900, high-idle 2200";
        for (int i = 1; i <= sections; i++) {
            often += ", s%d-flow %d, s%d-a %d".formatted(i, i == 1 ? 60 : 35, i, 165 - 10 * i);
        }
        return often;
    }

    @Override
    public Sheet draw(Answers a) {
        Compensated c = Compensated.draw(a, 150);
        Draft d = c.draft;
        double rating = c.rating;
        d.line("LS", "signal line", a.asked("line-rating"), rating, 0.1);
        d.target("P1.loadSense", a.get("margin"), a.asked("margin-tolerance"), "");
        TypicalValues.loadSense(c.pump, a.get("margin"), "LS");
        TypicalValues.bleed(d, "OR1", "LS");
        d.fineGauge("GP", "P", a.asked("gauge"), a.get("relief"), FINE);
        d.fineGauge("GL", "LS", a.asked("gauge"), a.get("relief"), FINE);
        if (sections == 0) {
            needle(d, a, c.flow, rating);
        } else {
            for (int i = 1; i <= sections; i++) {
                section(d, a, i, rating);
            }
            TypicalValues.load(d, "TV1", "A1", "B1", 1.3 * a.get("s1-flow"));
        }
        d.work("W1", "work", sections == 0 ? "W" : "A1", a.get("work-pressure"), a.get("work-flow"));
        return Plates.sheet(d);
    }

    private static void needle(Draft d, Answers a, double flow, double rating) {
        d.line("W", "work line", a.asked("line-rating"), rating, 0.8);
        double drop = Math.max(2, Math.round(0.8 * a.get("margin")));
        TypicalValues.restriction(d, "NV1", "throttle", "P", "W", TypicalValues.size(flow), drop);
        TypicalValues.restriction(d, "OR2", "orifice", "W", "LS", 6, 4);
        TypicalValues.load(d, "TV1", "W", "T", flow);
    }

    private static void section(Draft d, Answers a, int i, double rating) {
        String portA = "A" + i;
        String portB = "B" + i;
        double flow = a.get("s" + i + "-flow");
        d.line(portA, "section " + i + ", A", a.asked("line-rating"), rating, 0.8);
        d.line(portB, "section " + i + ", B", a.asked("line-rating"), rating, 0.8);
        Part section = d.part("S" + i, "section")
                .set("supply", "P")
                .set("return", "T")
                .set("signal", "LS")
                .set("portA", portA)
                .set("portB", portB)
                .assume("ratedFlowLpm", TypicalValues.size(1.4 * flow))
                .assume("ratedDropBar", DROP)
                .set("flowLpm", flow);
        relief(d, section, "S" + i, "reliefA", portA, a.asked("s" + i + "-a"));
        relief(d, section, "S" + i, "reliefB", portB, a.asked("s" + i + "-b"));
        d.part("C" + i, "cylinder")
                .set("cap", portA)
                .set("rod", portB)
                .assume("boreMm", 80)
                .assume("rodMm", 45);
    }

    private static void relief(Draft d, Part section, String id, String which, String line, OptionalDouble asked) {
        if (asked.isEmpty()) {
            return;
        }
        double bar = asked.getAsDouble();
        TypicalValues.screw(section.group(which), bar, Math.min(40, bar / 3), TypicalValues.fits(1.3 * bar));
        d.target(id + "." + which, bar, OptionalDouble.empty(), "");
        d.gauge("G" + line, line, OptionalDouble.empty(), bar);
    }
}
