package earlygate.pattern;

import static earlygate.pattern.Question.ifKnown;
import static earlygate.pattern.Question.needed;

import earlygate.pattern.Question.Group;
import earlygate.quantity.Measure;
import java.util.List;

/** Drives, pumps and reliefs as their plates tell them, and the rules of thumb for what plates don't. */
final class Plates {
    private static final double[] SYNCHRONOUS = {600, 750, 900, 1000, 1200, 1500, 1800, 3000, 3600};
    private static final double[] RATINGS = {160, 210, 250, 280, 315, 350, 400, 500, 700};
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
        double current = tenths(1000 * power / (Math.sqrt(3) * voltage * EFFECTIVE));
        d.part("M1", "electric-motor")
                .set("ratedPowerKw", power)
                .set("ratedSpeedRpm", speed)
                .assume("syncSpeedRpm", Math.max(synchronous, speed + 1))
                .answered("ratedCurrentA", a.asked("current"), current)
                .answered("voltageV", a.asked("voltage"), VOLTS);
        return "M1";
    }

    /** A pump without a control. */
    static Part pump(Draft d, String id, String driver, String outlet, double displacement, double rating) {
        return d.part(id, "pump")
                .set("driver", driver)
                .set("inlet", "T")
                .set("outlet", outlet)
                .set("displacementCm3", displacement)
                .set("ratedPressureBar", rating)
                .assume("volumetricEfficiency", 0.93);
    }

    /** The rating, of those that are made, that carries so much. */
    static double fits(double bar) {
        for (double r : RATINGS) {
            if (r >= bar) {
                return r;
            }
        }
        return Math.ceil(bar);
    }

    /** Stands at its target until somebody reads it; six turns from end to end. */
    static Part screw(Part valve, double target, double least, double most) {
        return valve.assume("settingBar", target)
                .assume("rangeBar", least, most)
                .assume("barPerTurn", Math.max(2, Math.round((most - least) / 6)));
    }

    static void compensator(Part pump, double target, double rating) {
        screw(pump.group("compensator"), target, 20, Math.max(rating, Math.ceil(1.2 * target)));
    }

    /** @param flow L/min that may go over it */
    static Part relief(Draft d, String id, String inlet, String outlet, double target, double flow, boolean pilot) {
        Part relief = d.part(id, "relief-valve")
                .set("acting", pilot ? "pilot" : "direct")
                .set("inlet", inlet)
                .set("outlet", outlet)
                .assume("overrideBar", Math.max(1, Math.round((pilot ? 0.035 : 0.12) * target)))
                .assume("ratedFlowLpm", size(1.5 * flow));
        return screw(relief, target, Math.min(10, target / 4), fits(1.25 * target));
    }

    /** @param flow L/min that it lets go to tank */
    static Part unloading(Draft d, String inlet, String pilot, double target, double flow, double least, double most) {
        Part valve = d.part("UV1", "unloading-valve")
                .set("inlet", inlet)
                .set("outlet", "T")
                .set("pilot", pilot)
                .assume("ratedFlowLpm", size(1.3 * flow))
                .assume("ratedDropBar", 4);
        return screw(valve, target, least, most);
    }

    static void check(Draft d, String from, String to, double flow) {
        d.part("CV1", "check-valve")
                .set("inlet", from)
                .set("outlet", to)
                .assume("ratedFlowLpm", size(1.3 * flow))
                .assume("ratedDropBar", 3);
    }

    /** A throttle or an orifice of so much flow at a drop. */
    static Part restriction(Draft d, String id, String type, String from, String to, double flow, double dropBar) {
        return d.part(id, type)
                .set("a", from)
                .set("b", to)
                .assume("ratedFlowLpm", flow)
                .assume("ratedDropBar", dropBar);
    }

    /** A load that the unit works against while it is set: a throttle of the bench or of the unit. */
    static void load(Draft d, String id, String from, String to, double flow) {
        restriction(d, id, "throttle", from, to, size(flow), 20).set("purpose", "load");
    }

    /** L/min of a pump at a speed. */
    static double flow(double displacementCm3, double rpm) {
        return displacementCm3 * rpm / 1000;
    }

    /** A size of which valves are made: two figures, upwards. */
    static double size(double flow) {
        double step = Math.pow(10, Math.floor(Math.log10(flow)) - 1);
        return Math.max(1, Math.ceil(flow / step - 1e-9) * step);
    }

    static double tenths(double value) {
        return Math.round(10 * value) / 10.0;
    }
}
