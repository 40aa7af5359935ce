package earlygate.planner.script;

import earlygate.solve.SteadyState;
import earlygate.unit.Situation;
import earlygate.unit.Throttle;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.ToDoubleFunction;

/**
 * What the model says along the way from a load wide open, or as wide as is safe, to shut.
 *
 * @param along safe states only, the shut one last; empty where that is not among them
 */
record LoadSweep(Rehearsal machine, Throttle load, Situation set, List<At> along) {
    /** Openings that are looked at, each so much narrower than the one before. */
    private static final double NARROWER = 0.8;

    private static final double LEAST_OPENING = 0.002;
    /** What is brought to a value must come this near to it, as a share. */
    private static final double NEAR = 0.02;

    record At(double opening, SteadyState state) {}

    static LoadSweep of(Rehearsal machine, Throttle load, Situation set) {
        List<At> along = new ArrayList<>();
        for (double opening = 1; opening > LEAST_OPENING; opening *= NARROWER) {
            double at = opening;
            machine.solved(set.withOpening(load.id(), at))
                    .filter(machine::safe)
                    .ifPresent(s -> along.add(new At(at, s)));
        }
        Optional<SteadyState> shut =
                machine.solved(set.withOpening(load.id(), 0)).filter(machine::safe);
        shut.ifPresent(s -> along.add(new At(0, s)));
        return new LoadSweep(machine, load, set, shut.isEmpty() ? List.of() : List.copyOf(along));
    }

    At shut() {
        return along.get(along.size() - 1);
    }

    double widest() {
        return along.get(0).opening();
    }

    /** What grows as the load is shut, brought to {@code value} by halving; empty where it doesn't come there. */
    Optional<At> bring(ToDoubleFunction<SteadyState> what, double value) {
        double shut = 0;
        double wide = 1;
        Optional<At> best = Optional.empty();
        for (int i = 0; i < 20; i++) {
            double mid = (shut + wide) / 2;
            Optional<SteadyState> s = machine.solved(set.withOpening(load.id(), mid));
            if (s.isEmpty()) {
                return Optional.empty();
            }
            best = s.map(state -> new At(mid, state));
            if (what.applyAsDouble(s.get()) > value) {
                shut = mid;
            } else {
                wide = mid;
            }
        }
        return best.filter(a -> Math.abs(what.applyAsDouble(a.state()) - value) <= NEAR * Math.abs(value));
    }
}
