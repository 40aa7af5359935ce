package earlygate.judge;

import java.util.OptionalDouble;

/**
 * Finds the moment a relief valve begins to pass while a compensator holds the line: the pressure that stood still
 * starts to fall and the motor current to rise. One-sided CUSUM on both (Page, 1954), against a baseline learned while
 * it stood; both must have left it. An engine has no current: then the pressure must have left by twice as much. Feed it
 * samples in order; pressure in Pa, current in A.
 */
public final class CrackDetector {
    private static final int BASELINE = 40;
    /** Allowance and decision level, in standard deviations of the baseline. */
    private static final double ALLOWANCE = 1.0;

    private static final double DECISION = 12;

    private final Channel pressure;
    private final Channel current;
    private OptionalDouble cracked = OptionalDouble.empty();

    /**
     * @param pressureNoisePa least standard deviation believed of the gauge
     * @param currentNoiseA least standard deviation believed of the clamp meter
     */
    public CrackDetector(double pressureNoisePa, double currentNoiseA) {
        pressure = new Channel(-1, pressureNoisePa);
        current = new Channel(1, currentNoiseA);
    }

    /** @param currentA of the motors; empty where there is none to read */
    public void add(double pressurePa, OptionalDouble currentA) {
        pressure.add(pressurePa);
        currentA.ifPresent(current::add);
        boolean falls =
                currentA.isPresent() ? pressure.sum > DECISION && current.sum > DECISION : pressure.sum > 2 * DECISION;
        if (cracked.isEmpty() && falls) {
            cracked = OptionalDouble.of(pressure.mean);
        }
    }

    /** The pressure that stood while it was learned, Pa; empty before enough of it was seen. */
    public OptionalDouble stood() {
        return pressure.count < BASELINE ? OptionalDouble.empty() : OptionalDouble.of(pressure.mean);
    }

    /** The pressure that stood just before the fall, Pa; empty while it still stands. */
    public OptionalDouble crackedAt() {
        return cracked;
    }

    private static final class Channel {
        private final double sign;
        private final double leastSd;
        private double mean;
        private double sumOfSquares;
        private int count;
        private double sum;

        Channel(double sign, double leastSd) {
            this.sign = sign;
            this.leastSd = leastSd;
        }

        void add(double x) {
            if (count >= BASELINE) {
                double sd = Math.max(leastSd, Math.sqrt(sumOfSquares / count));
                sum = Math.max(0, sum + sign * (x - mean) / sd - ALLOWANCE);
            }
            // The baseline keeps learning only while nothing has begun to leave it.
            if (count < BASELINE || (sum == 0 && count < 50 * BASELINE)) {
                count++;
                double d = x - mean;
                mean += d / count;
                sumOfSquares += d * (x - mean);
            }
        }
    }
}
