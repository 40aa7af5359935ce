package earlygate.solve;

import earlygate.curve.Bisection;
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
        return Bisection.zero(
                        0,
                        1,
                        HALVINGS,
                        at -> opened.apply(at).stream()
                                .mapToDouble(s -> pressurePa - s.pressure(line))
                                .findFirst())
                .map(Bisection::above)
                .filter(opening -> opening < 1);
    }
}
