package earlygate.solve;

import java.util.Arrays;

/**
 * What is left over at every line, m3/s, and its Jacobian, m3/(s Pa), at the pressures given. Dense and reused: circuits
 * have at most some forty lines. Line 0 is the tank.
 */
final class Balance {
    /** A drain of 1e-6 L/min per bar that every line has, so that a sealed one has a pressure: none. */
    static final double SEEPAGE = 1e-6 * 1e-3 / 60 / 1e5;

    /** Gauge pressure at which oil begins to part, Pa; below it a void opens at 100 L/min per bar. */
    private static final double VAPOUR = -0.9e5;

    private static final double VOID = 100e-3 / 60 / 1e5;

    final int lines;
    final double[] pressure;
    final double[] excess;
    final double[] jacobian;
    /** Pressures a step ago, Pa, and the inverse of the step, 1/s (0: steady), during an evaluation. */
    double[] old;

    double rate;

    /** Stroke of each pump before this step, by pump index; NaN: no history, the stroke is what its controls say. */
    final double[] strokeBefore;

    /** Stroke of each pump at the end of the last step taken. */
    final double[] strokeNow;

    /** W; what the shafts put in, and what flows lose from line to line (negative: pumped up). */
    double shaftPower;

    private double throttled;

    /** Scratch of one shaft and of one pump: derivatives by line. */
    final double[] torqueSlope;

    final double[] strokeSlope;

    Balance(int lines, int pumps) {
        this.lines = lines;
        this.pressure = new double[lines];
        this.excess = new double[lines];
        this.jacobian = new double[lines * lines];
        this.strokeBefore = new double[pumps];
        this.strokeNow = new double[pumps];
        Arrays.fill(strokeBefore, Double.NaN);
        Arrays.fill(strokeNow, Double.NaN);
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
    double heat() {
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
    void evaluate(Network network, Conditions c, double[] from, double perSecond) {
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
}
