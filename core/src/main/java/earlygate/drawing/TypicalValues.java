package earlygate.drawing;

/** Parts as they usually are: the rules of thumb for what neither plate nor schematic tells. */
public final class TypicalValues {
    private static final double[] RATINGS = {160, 210, 250, 280, 315, 350, 400, 500, 700};

    private TypicalValues() {}

    /** A pump without a control. */
    public static Part pump(Draft d, String id, String driver, String outlet, double displacement, double rating) {
        return d.part(id, "pump")
                .set("driver", driver)
                .set("inlet", "T")
                .set("outlet", outlet)
                .set("displacementCm3", displacement)
                .set("ratedPressureBar", rating)
                .assume("volumetricEfficiency", 0.93);
    }

    /** The rating, of those that are made, that carries so much. */
    public static double fits(double bar) {
        for (double r : RATINGS) {
            if (r >= bar) {
                return r;
            }
        }
        return Math.ceil(bar);
    }

    /** Stands at its target until somebody reads it; six turns from end to end. */
    public static Part screw(Part valve, double target, double least, double most) {
        return valve.assume("settingBar", target)
                .assume("rangeBar", least, most)
                .assume("barPerTurn", Math.max(2, Math.round((most - least) / 6)));
    }

    public static void compensator(Part pump, double target, double rating) {
        screw(pump.group("compensator"), target, 20, Math.max(rating, Math.ceil(1.2 * target)));
    }

    /** @param signal the line on which the load is felt */
    public static void loadSense(Part pump, double margin, String signal) {
        pump.group("loadSense")
                .assume("marginBar", margin)
                .set("signal", signal)
                .assume("rangeBar", Math.max(2, Math.floor(margin / 2)), Math.ceil(1.8 * margin))
                .assume("barPerTurn", 8);
    }

    /** Lets a signal line go to tank where nobody holds it. */
    public static void bleed(Draft d, String id, String signal) {
        restriction(d, id, "orifice", signal, "T", 1, 100).set("purpose", "bleed");
    }

    /** @param flow L/min that may go over it */
    public static Part relief(
            Draft d, String id, String inlet, String outlet, double target, double flow, boolean pilot) {
        Part relief = d.part(id, "relief-valve")
                .set("acting", pilot ? "pilot" : "direct")
                .set("inlet", inlet)
                .set("outlet", outlet)
                .assume("overrideBar", Math.max(1, Math.round((pilot ? 0.035 : 0.12) * target)))
                .assume("ratedFlowLpm", size(1.5 * flow));
        return screw(relief, target, Math.min(10, target / 4), fits(1.25 * target));
    }

    /** @param flow L/min that it lets go to tank */
    public static Part unloading(
            Draft d, String inlet, String pilot, double target, double flow, double least, double most) {
        Part valve = d.part("UV1", "unloading-valve")
                .set("inlet", inlet)
                .set("outlet", "T")
                .set("pilot", pilot)
                .assume("ratedFlowLpm", size(1.3 * flow))
                .assume("ratedDropBar", 4);
        return screw(valve, target, least, most);
    }

    public static void check(Draft d, String from, String to, double flow) {
        d.part("CV1", "check-valve")
                .set("inlet", from)
                .set("outlet", to)
                .assume("ratedFlowLpm", size(1.3 * flow))
                .assume("ratedDropBar", 3);
    }

    /** A throttle or an orifice of so much flow at a drop. */
    public static Part restriction(
            Draft d, String id, String type, String from, String to, double flow, double dropBar) {
        return d.part(id, type)
                .set("a", from)
                .set("b", to)
                .assume("ratedFlowLpm", flow)
                .assume("ratedDropBar", dropBar);
    }

    /** A load that the unit works against while it is set: a throttle of the bench or of the unit. */
    public static Part load(Draft d, String id, String from, String to, double flow) {
        return restriction(d, id, "throttle", from, to, size(flow), 20).set("purpose", "load");
    }

    /** L/min of a pump at a speed. */
    public static double flow(double displacementCm3, double rpm) {
        return displacementCm3 * rpm / 1000;
    }

    /** A size of which valves are made: two figures, upwards. */
    public static double size(double flow) {
        double step = Math.pow(10, Math.floor(Math.log10(flow)) - 1);
        return Math.max(1, Math.ceil(flow / step - 1e-9) * step);
    }

    public static double tenths(double value) {
        return Math.round(10 * value) / 10.0;
    }
}
