package earlygate.verify;

import java.util.List;

/** The load opened and shut again, at least three times: does the limit come back to the same pressure? Pa. */
public final class ReturnTest {
    public static final int TIMES = 3;
    /** Largest difference between readings, as a fraction of their mean. */
    public static final double WITHIN = 0.01;

    private ReturnTest() {}

    /** @return largest minus smallest, as a fraction of the mean; 0 for fewer than two readings */
    public static double spread(List<Double> readingsPa) {
        if (readingsPa.size() < 2) {
            return 0;
        }
        double low = readingsPa.stream().min(Double::compare).orElseThrow();
        double high = readingsPa.stream().max(Double::compare).orElseThrow();
        double mean =
                readingsPa.stream().mapToDouble(Double::doubleValue).average().orElseThrow();
        return mean == 0 ? 0 : (high - low) / mean;
    }

    public static boolean returns(List<Double> readingsPa) {
        return readingsPa.size() >= TIMES && spread(readingsPa) <= WITHIN;
    }
}
