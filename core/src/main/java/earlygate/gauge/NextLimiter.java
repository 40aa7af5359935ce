package earlygate.gauge;

import earlygate.solve.SteadyState;
import earlygate.unit.PowerUnit;
import java.util.Comparator;
import java.util.Optional;

/**
 * The limiter of a line that would take it next.
 *
 * @param above Pa by which it stands above the pressure now
 */
public record NextLimiter(String setting, double above) {
    /** Empty where no other limiter stands above. */
    public static Optional<NextLimiter> of(PowerUnit unit, SteadyState state, String line) {
        double now = state.pressure(line);
        Optional<String> holder = state.limiterOf(line);
        return unit.settings().stream()
                .filter(s -> s.line().equals(line) && s.limitsPressure())
                .filter(s -> holder.filter(s.id()::equals).isEmpty())
                .map(s -> new NextLimiter(s.id(), state.settings().get(s.id()) - now))
                .filter(n -> n.above() > 0)
                .min(Comparator.comparingDouble(NextLimiter::above));
    }
}
