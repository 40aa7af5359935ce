package earlygate.curve;

import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.DoubleFunction;

/**
 * Where a rising function passes zero, by halving an interval.
 *
 * @param below where it is still negative; {@code above} where it no longer is
 */
public record Bisection(double below, double above) {
    /**
     * @param rising negative at {@code low}, not at {@code high}
     * @return an interval at {@code high} where it is negative everywhere; empty where the function has no value
     */
    public static Optional<Bisection> zero(
            double low, double high, int halvings, DoubleFunction<OptionalDouble> rising) {
        double below = low;
        double above = high;
        for (int i = 0; i < halvings; i++) {
            double middle = (below + above) / 2;
            OptionalDouble value = rising.apply(middle);
            if (value.isEmpty() || Double.isNaN(value.getAsDouble())) {
                return Optional.empty();
            }
            if (value.getAsDouble() < 0) {
                below = middle;
            } else {
                above = middle;
            }
        }
        return Optional.of(new Bisection(below, above));
    }

    public double middle() {
        return (below + above) / 2;
    }
}
