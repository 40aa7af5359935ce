package earlygate.planner.script;

import earlygate.solve.SteadyState;
import earlygate.unit.Situation;
import earlygate.unit.TestPoint;
import earlygate.unit.Throttle;
import java.util.Optional;

/** How far a load is opened until a line shows a pressure. */
final class Opening {
    private Opening() {}

    /** Pressure falls as the load opens, so halving finds it; empty where wide open is not wide enough, or nothing solves. */
    static Optional<Double> until(Site site, Throttle load, Situation set, String line, double pressurePa) {
        double low = 0;
        double high = 1;
        for (int i = 0; i < 24; i++) {
            double mid = (low + high) / 2;
            Optional<SteadyState> s = site.rehearsal().solved(set.withOpening(load.id(), mid));
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

    /** The machine with the load opened so far, where the model has that line there, safely. */
    static Optional<Situation> at(Site site, Throttle load, Situation set, TestPoint gauge, double pressurePa) {
        return until(site, load, set, gauge.line(), pressurePa)
                .map(o -> set.withOpening(load.id(), o))
                .filter(s -> site.rehearsal()
                        .solved(s)
                        .filter(site.rehearsal()::safe)
                        .filter(state -> Math.abs(state.pressure(gauge.line()) - pressurePa) < 0.02 * pressurePa)
                        .isPresent());
    }
}
