package earlygate.network;

import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.Map;

/**
 * What is left over at every line, m3/s, and its Jacobian, m3/(s Pa), at the pressures given. Dense and reused: circuits
 * have at most some forty lines. Line 0 is the tank. One for each thread: its arrays are what the numerics work on.
 */
public final class Balance {
    /** A drain of 1e-6 L/min per bar that every line has, so that a sealed one has a pressure: none. */
    static final double SEEPAGE = 1e-6 * 1e-3 / 60 / 1e5;

    /** Gauge pressure at which oil begins to part, Pa; below it a void opens at 100 L/min per bar. */
    private static final double VAPOUR = -0.9e5;

    private static final double VOID = 100e-3 / 60 / 1e5;

    private final Network network;
    final int lines;
    final double[] pressure;
    final double[] excess;
    final double[] jacobian;
    /** Pressures a step ago, Pa, and the inverse of the step, 1/s (0: steady), during an evaluation. */
    double[] old;

    double rate;

    /** Stroke of each pump before this step, by pump index; without a history it is what its controls say. */
    final double[] strokeBefore;

    boolean strokeIsKnown;

    /** Stroke of each pump at the end of the last step taken. */
    final double[] strokeNow;

    private boolean stepTaken;

    /** W; what the shafts put in, and what flows lose from line to line (negative: pumped up). */
    double shaftPower;

    private double throttled;

    /** Scratch of one shaft and of one pump: derivatives by line. */
    final double[] torqueSlope;

    final double[] strokeSlope;

    public Balance(Network network) {
        this.network = network;
        this.lines = network.lineIds.length;
        int pumps = network.pumpCount();
        this.pressure = new double[lines];
        this.excess = new double[lines];
        this.jacobian = new double[lines * lines];
        this.strokeBefore = new double[pumps];
        this.strokeNow = new double[pumps];
        this.torqueSlope = new double[lines];
        this.strokeSlope = new double[lines];
    }

    /** Oil goes from one line to another, m3/s. */
    void flow(int from, int to, double flow) {
        excess[from] -= flow;
        excess[to] += flow;
        throttled += flow * (pressure[from] - pressure[to]);
    }

    /** Heat into the oil, W: what the shafts put in and no actuator takes out. */
    public double heat() {
        return shaftPower + throttled;
    }

    /** That flow's derivative by the pressure of a line, m3/(s Pa). */
    void slope(int from, int to, int byLine, double slope) {
        jacobian[from * lines + byLine] -= slope;
        jacobian[to * lines + byLine] += slope;
    }

    /** A flow that depends on the difference of its two ends alone. */
    void flow(int from, int to, double flow, double slope) {
        flow(from, to, flow);
        slope(from, to, from, slope);
        slope(from, to, to, -slope);
    }

    /**
     * Fills excess and Jacobian.
     *
     * @param from pressures a step ago, Pa, for a transient; ignored when {@code perSecond} is 0
     * @param perSecond 1/s, the inverse of the time step; 0 for a steady state
     */
    public void evaluate(Conditions c, double[] from, double perSecond) {
        old = from;
        rate = perSecond;
        Arrays.fill(excess, 0);
        Arrays.fill(jacobian, 0);
        shaftPower = 0;
        throttled = 0;
        for (Element e : network.elements) {
            e.stamp(this, c);
        }
        for (int i = 0; i < lines; i++) {
            if (c.held[i]) {
                Arrays.fill(jacobian, i * lines, (i + 1) * lines, 0);
                jacobian[i * lines + i] = -1;
                excess[i] = c.heldAt[i] - pressure[i];
            } else {
                double capacity = network.compliance[i] * rate;
                excess[i] -= SEEPAGE * pressure[i] + (rate == 0 ? 0 : capacity * (pressure[i] - old[i]));
                jacobian[i * lines + i] -= SEEPAGE + capacity;
                if (pressure[i] < VAPOUR) {
                    excess[i] += VOID * (VAPOUR - pressure[i]);
                    jacobian[i * lines + i] -= VOID;
                }
            }
        }
    }

    /** Where a search may begin: held lines as they are held, the others at their lowest limiter. */
    public void guess(Conditions c) {
        Arrays.fill(pressure, 0);
        for (int line = 0; line < lines; line++) {
            if (c.held[line]) {
                pressure[line] = c.heldAt[line];
                continue;
            }
            double lowest = Double.POSITIVE_INFINITY;
            for (Element e : network.elements) {
                lowest = Math.min(lowest, e.limitOf(line, c));
            }
            pressure[line] = Double.isInfinite(lowest) ? 0 : lowest;
        }
    }

    /** A step in time begins: strokes follow their controls from where they stand now. */
    public void beginStep() {
        System.arraycopy(strokeNow, 0, strokeBefore, 0, strokeNow.length);
        strokeIsKnown = stepTaken;
    }

    /** A step in time is taken: what has a history keeps it. */
    public void endStep(Conditions c) {
        stepTaken = true;
        for (Element e : network.elements) {
            e.after(this, c);
        }
    }

    /** How every component stands at these pressures, by id. */
    public Map<String, ComponentState> components(Conditions c) {
        Map<String, ComponentState> components = new LinkedHashMap<>();
        for (Element e : network.elements) {
            e.report(this, c, components);
        }
        return components;
    }

    /** These pressures, Pa by line id, tank left out. */
    public Map<String, Double> pressures() {
        Map<String, Double> pressures = new LinkedHashMap<>();
        for (int i = 1; i < lines; i++) {
            pressures.put(network.lineIds[i], pressure[i]);
        }
        return pressures;
    }

    public int lines() {
        return lines;
    }

    /** Pa by line index; the numerics write it. */
    public double[] pressure() {
        return pressure;
    }

    /** m3/s by line index: what flows in and does not flow out. */
    public double[] excess() {
        return excess;
    }

    /** m3/(s Pa), row by row: how the excess of a line follows each pressure. */
    public double[] jacobian() {
        return jacobian;
    }
}
