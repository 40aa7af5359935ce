package earlygate.planner.script;

import earlygate.solve.LoadOpening;
import earlygate.unit.Situation;
import earlygate.unit.TestPoint;
import earlygate.unit.Throttle;
import java.util.Optional;

/** How far a load is opened until a line shows a pressure. */
final class Opening {
    private Opening() {}

    /** Empty where wide open is not wide enough, or nothing solves. */
    static Optional<Double> until(Site site, Throttle load, Situation set, String line, double pressurePa) {
        return LoadOpening.until(
                opening -> site.rehearsal().solved(set.withOpening(load.id(), opening)), line, pressurePa);
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
