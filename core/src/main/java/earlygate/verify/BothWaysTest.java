package earlygate.verify;

import java.util.List;

/** The same limit with the lever to either side: a difference points to a port relief or a shuttle. Source: handbook 8. */
public final class BothWaysTest {
    /** Largest difference of the two, as a fraction of their mean. */
    public static final double WITHIN = 0.03;

    private BothWaysTest() {}

    /** @return their difference as a fraction of their mean */
    public static double apart(double onePa, double otherPa) {
        return ReturnTest.spread(List.of(onePa, otherPa));
    }
}
