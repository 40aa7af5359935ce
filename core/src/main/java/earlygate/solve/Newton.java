package earlygate.solve;

import earlygate.network.Balance;
import earlygate.network.Conditions;
import earlygate.network.Network;
import earlygate.work.WorkBound;
import java.util.Arrays;

/**
 * Damped Newton on the balance of all lines, with pseudo-transient continuation where a kinked characteristic defeats
 * it: implicit steps in time that grow until time no longer matters. Holds its arrays; not for two threads at once.
 */
final class Newton {
    private static final int ITERATIONS = 40;
    /** m3/s; 6e-7 L/min. */
    private static final double FLOW_TOLERANCE = 1e-11;
    /** Pa. */
    private static final double PRESSURE_TOLERANCE = 1;

    final Balance balance;
    final Lu lu;
    private final double[] step;
    private final double[] start;
    private final double[] old;

    Newton(Network network) {
        int n = network.lineCount();
        balance = new Balance(network);
        lu = new Lu(n);
        step = new double[n];
        start = new double[n];
        old = new double[n];
    }

    /** Solves from the pressures now in {@link #balance}; false leaves them where the search stopped. */
    boolean steady(Conditions c) {
        WorkBound.ask();
        System.arraycopy(balance.pressure(), 0, start, 0, start.length);
        if (iterate(c, old, 0)) {
            return true;
        }
        System.arraycopy(start, 0, balance.pressure(), 0, start.length);
        if (throughTime(c)) {
            return true;
        }
        // A line behind a check that was guessed too high leaks down for ever; from empty it is charged at once.
        Arrays.fill(balance.pressure(), 0);
        return throughTime(c);
    }

    /** One implicit Euler step of {@code seconds} from the pressures now in {@link #balance}. */
    boolean advance(Conditions c, double seconds) {
        System.arraycopy(balance.pressure(), 0, old, 0, old.length);
        balance.beginStep();
        if (iterate(c, old, 1 / seconds)) {
            return true;
        }
        System.arraycopy(old, 0, balance.pressure(), 0, old.length);
        return false;
    }

    private boolean throughTime(Conditions c) {
        double seconds = 1e-5;
        for (int i = 0; i < 300; i++) {
            if (advance(c, seconds)) {
                seconds *= 3;
                if (seconds > 1e3 && iterate(c, old, 0)) {
                    return true;
                }
            } else {
                seconds /= 8;
            }
        }
        return false;
    }

    private boolean iterate(Conditions c, double[] from, double rate) {
        balance.evaluate(c, from, rate);
        double left = norm();
        for (int i = 0; i < ITERATIONS; i++) {
            if (!lu.factor(balance.jacobian())) {
                return false;
            }
            double largest = newtonStep();
            if (left < FLOW_TOLERANCE && largest < PRESSURE_TOLERANCE) {
                return true;
            }
            double next = damped(c, from, rate, left);
            if (!(next < Double.POSITIVE_INFINITY)) {
                return false;
            }
            left = next;
        }
        return false;
    }

    /** Fills {@link #step} and returns its largest entry, Pa. */
    private double newtonStep() {
        double largest = 0;
        for (int i = 0; i < step.length; i++) {
            step[i] = -balance.excess()[i];
        }
        lu.solve(step);
        for (double s : step) {
            largest = Math.max(largest, Math.abs(s));
        }
        return largest;
    }

    /** Takes as much of the step as lessens what is left over; infinite when nothing does. */
    private double damped(Conditions c, double[] from, double rate, double left) {
        double taken = 0;
        for (double fraction = 1; fraction > 1e-4; fraction /= 2) {
            for (int i = 0; i < step.length; i++) {
                balance.pressure()[i] += (fraction - taken) * step[i];
            }
            taken = fraction;
            balance.evaluate(c, from, rate);
            double next = norm();
            if (next < left * (1 - 1e-4 * fraction) || next < FLOW_TOLERANCE) {
                return next;
            }
        }
        return Double.POSITIVE_INFINITY;
    }

    private double norm() {
        double sum = 0;
        for (int i = 0; i < balance.lines(); i++) {
            sum += balance.excess()[i] * balance.excess()[i];
        }
        return Math.sqrt(sum);
    }
}
