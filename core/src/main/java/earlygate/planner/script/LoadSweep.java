package earlygate.planner.script;

import earlygate.solve.SteadyState;
import earlygate.unit.Situation;
import earlygate.unit.Throttle;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.ToDoubleFunction;

/**
 * What the model says along the way from a load wide open to shut.
 *
 * @param along the shut one last; empty unless the model knows every one of them and all are safe
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
        for (double opening = 1; opening >= 0; opening = opening > LEAST_OPENING ? opening * NARROWER : opening - 1) {
            double at = opening > LEAST_OPENING ? opening : 0;
            Optional<SteadyState> state =
                    machine.solved(set.withOpening(load.id(), at)).filter(machine::safe);
            if (state.isEmpty()) {
                return new LoadSweep(machine, load, set, List.of());
            }
            along.add(new At(at, state.get()));
        }
        return new LoadSweep(machine, load, set, List.copyOf(along));
    }

    At shut() {
        return along.get(along.size() - 1);
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
