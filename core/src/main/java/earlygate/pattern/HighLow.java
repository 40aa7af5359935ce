package earlygate.pattern;

import static earlygate.pattern.Question.needed;

import earlygate.drawing.Draft;
import earlygate.drawing.TypicalValues;
import earlygate.pattern.Question.Group;
import earlygate.quantity.Measure;
import java.util.List;
import java.util.OptionalDouble;

/** A large pump that helps at low pressure and is unloaded above it; a small one that goes on to the top. */
final class HighLow implements Pattern {
    @Override
    public String id() {
        return "high-low";
    }

    @Override
    public List<Question> questions() {
        return Pattern.all(
                Plates.drive(),
                List.of(
                        needed("large-displacement", Measure.DISPLACEMENT, Group.PUMP, 0.2, 1000),
                        needed("small-displacement", Measure.DISPLACEMENT, Group.PUMP, 0.2, 1000),
                        needed("large-rating", Measure.PRESSURE, Group.PUMP, 20, 700),
                        needed("pump-rating", Measure.PRESSURE, Group.PUMP, 20, 700)),
                Plates.target("unload", 5, 300),
                Plates.target("relief", 10, 700),
                Plates.lineAndGauge(),
                List.of(
                        needed("fast-pressure", Measure.PRESSURE, Group.WORK, 1, 700),
                        needed("work-pressure", Measure.PRESSURE, Group.WORK, 1, 700)),
                Plates.oil());
    }

    @Override
    public String often() {
        return "power 11, speed 1460, large-displacement 45, small-displacement 11, unload 60, "
                + "large-rating 160, pump-rating 250, relief 180, fast-pressure 35, work-pressure 155";
    }

    @Override
    public Sheet draw(Answers a) {
        Draft d = Plates.begin(a, 46, 40, 60, 160);
        double relief = a.get("relief");
        double unload = a.get("unload");
        double large = TypicalValues.flow(a.get("large-displacement"), a.get("speed"));
        double small = TypicalValues.flow(a.get("small-displacement"), a.get("speed"));
        double largeRating = a.get("large-rating");
        double smallRating = a.get("pump-rating");
        d.line("L", "large pump line", OptionalDouble.empty(), largeRating, 1);
        d.line("P", "pressure line", a.asked("line-rating"), smallRating, 2);
        String drive = Plates.drive(d, a);
        TypicalValues.pump(d, "P1", drive, "L", a.get("large-displacement"), largeRating);
        TypicalValues.pump(d, "P2", drive, "P", a.get("small-displacement"), smallRating);
        TypicalValues.unloading(d, "L", "P", unload, large, Math.min(15, unload / 3), TypicalValues.fits(2 * unload));
        TypicalValues.check(d, "L", "P", large);
        TypicalValues.relief(d, "RV1", "P", "T", relief, small + large, true).set("role", "main");
        TypicalValues.load(d, "TV1", "P", "T", large + small);
        d.gauge("G1", "L", OptionalDouble.empty(), unload);
        d.gauge("G2", "P", a.asked("gauge"), relief);
        d.target("RV1", relief, a.asked("relief-tolerance"), "full-flow");
        d.target("UV1", unload, a.asked("unload-tolerance"), "");
        d.work("W1", "fast approach", "P", a.get("fast-pressure"), Math.floor(0.9 * (large + small)));
        d.work("W2", "pressing", "P", a.get("work-pressure"), TypicalValues.tenths(0.85 * small));
        return Plates.sheet(d);
    }
}
