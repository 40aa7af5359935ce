package earlygate.pattern;

import static earlygate.pattern.Question.ifKnown;
import static earlygate.pattern.Question.needed;

import earlygate.drawing.Draft;
import earlygate.drawing.Part;
import earlygate.drawing.TypicalValues;
import earlygate.pattern.Question.Group;
import earlygate.quantity.Measure;
import java.util.List;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/** What drives, pumps and reliefs have on their plates, and the sheet that begins with it. */
final class Plates {
    private static final double[] SYNCHRONOUS = {600, 750, 900, 1000, 1200, 1500, 1800, 3000, 3600};
    /** Efficiency times power factor of a usual three-phase motor. */
    private static final double EFFECTIVE = 0.77;

    private static final double VOLTS = 400;

    private Plates() {}

    /** An electric motor; with the speeds between which it idles, an engine. */
    static List<Question> drive() {
        return List.of(
                needed("power", Measure.POWER, Group.DRIVE, 0.1, 1000),
                needed("speed", Measure.SPEED, Group.DRIVE, 500, 3600),
                ifKnown("current", Measure.CURRENT, Group.DRIVE, 0.2, 2000),
                ifKnown("voltage", Measure.VOLTAGE, Group.DRIVE, 100, 1000),
                ifKnown("low-idle", Measure.SPEED, Group.DRIVE, 300, 3600),
                ifKnown("high-idle", Measure.SPEED, Group.DRIVE, 500, 4000));
    }

    static List<Question> pump() {
        return List.of(
                needed("displacement", Measure.DISPLACEMENT, Group.PUMP, 0.2, 1000),
                needed("pump-rating", Measure.PRESSURE, Group.PUMP, 20, 700));
    }

    static List<Question> compensatorAndRelief() {
        return Pattern.all(target("compensator", 10, 700), target("relief", 10, 700));
    }

    /** A pressure beside a valve, with its tolerance. */
    static List<Question> target(String key, double least, double most) {
        return List.of(
                needed(key, Measure.PRESSURE, Group.SCHEMATIC, least, most),
                ifKnown(key + "-tolerance", Measure.PRESSURE, Group.SCHEMATIC, 0.5, 50));
    }

    static List<Question> lineAndGauge() {
        return List.of(
                ifKnown("line-rating", Measure.PRESSURE, Group.SCHEMATIC, 20, 1000),
                ifKnown("gauge", Measure.PRESSURE, Group.SCHEMATIC, 10, 1000));
    }

    static List<Question> work() {
        return List.of(
                needed("work-pressure", Measure.PRESSURE, Group.WORK, 1, 700),
                needed("work-flow", Measure.FLOW, Group.WORK, 0.1, 2000));
    }

    static List<Question> oil() {
        return List.of(
                ifKnown("tank", Measure.VOLUME, Group.OIL, 1, 20000),
                ifKnown("oil", Measure.GRADE, Group.OIL, 10, 460));
    }

    /** @return its name */
    static String drive(Draft d, Answers a) {
        return a.has("high-idle") || a.has("low-idle") ? engine(d, a) : electricMotor(d, a);
    }

    private static String engine(Draft d, Answers a) {
        double speed = a.get("speed");
        Part engine = d.part("E1", "engine").set("ratedPowerKw", a.get("power"));
        engine.group("speedsRpm")
                .answered("lowIdle", a.asked("low-idle"), Math.round(0.6 * speed))
                .set("mid", speed)
                .answered("highIdle", a.asked("high-idle"), Math.round(1.4 * speed));
        return "E1";
    }

    private static String electricMotor(Draft d, Answers a) {
        double power = a.get("power");
        double speed = a.get("speed");
        double synchronous = SYNCHRONOUS[SYNCHRONOUS.length - 1];
        for (int i = SYNCHRONOUS.length - 1; i >= 0 && SYNCHRONOUS[i] > speed; i--) {
            synchronous = SYNCHRONOUS[i];
        }
        double voltage = a.asked("voltage").orElse(VOLTS);
        double current = TypicalValues.tenths(1000 * power / (Math.sqrt(3) * voltage * EFFECTIVE));
        d.part("M1", "electric-motor")
                .set("ratedPowerKw", power)
                .set("ratedSpeedRpm", speed)
                .assume("syncSpeedRpm", Math.max(synchronous, speed + 1))
                .answered("ratedCurrentA", a.asked("current"), current)
                .answered("voltageV", a.asked("voltage"), VOLTS);
        return "M1";
    }

    /** A sheet with its oil and nothing drawn on it yet. */
    static Draft begin(Answers a, double grade, double low, double high, double tankL) {
        ObjectNode unit = JsonNodeFactory.instance.objectNode();
        unit.put("format", "early-gate/unit/1").put("tag", a.tag()).put("name", a.name());
        unit.putObject("display").put("pressure", "bar").put("flow", "L/min").put("temperature", "C");
        unit.putObject("fluid");
        List.of("lines", "components", "testPoints", "targets", "work").forEach(unit::putArray);
        Draft draft = new Draft(unit, a.gauges());
        double viscosity = a.asked("oil").orElse(grade);
        draft.fluid()
                .set("name", "ISO VG " + Math.round(viscosity))
                .answered("viscosity40", a.asked("oil"), grade)
                .assume("viscosityIndex", 100)
                .assume("bandC", low, high)
                .answered("tankL", a.asked("tank"), tankL);
        return draft;
    }

    static Pattern.Sheet sheet(Draft draft) {
        return new Pattern.Sheet(draft.unit(), draft.assumed());
    }
}
