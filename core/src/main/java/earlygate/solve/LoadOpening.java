package earlygate.solve;

import java.util.Optional;
import java.util.function.DoubleFunction;

/** How far a load is opened until a line shows a pressure: it falls as the load opens, so halving finds it. */
public final class LoadOpening {
    private static final int HALVINGS = 24;

    private LoadOpening() {}

    /**
     * @param opened the machine with the load opened so far, 0 to 1
     * @return 0 to 1, near 0 where the line never comes so high; empty where wide open is not wide enough, or nothing solves
     */
    public static Optional<Double> until(DoubleFunction<Optional<SteadyState>> opened, String line, double pressurePa) {
        double low = 0;
        double high = 1;
        for (int i = 0; i < HALVINGS; i++) {
            double mid = (low + high) / 2;
            Optional<SteadyState> s = opened.apply(mid);
            if (s.isEmpty()) {
                return Optional.empty();
            }
            if (s.get().pressure(line) > pressurePa) {
                low = mid;
            } else {
                high = mid;
            }
        }
        return high < 1 ? Optional.of(high) : Optional.empty();
    }
}
