package earlygate.gauge;

import earlygate.curve.Bisection;
import earlygate.solve.Model;
import earlygate.solve.SteadyState;
import earlygate.unit.Setting;
import earlygate.unit.Situation;
import java.util.Optional;
import java.util.function.ToDoubleFunction;
import java.util.stream.DoubleStream;
import java.util.stream.Stream;

/** A load opened by degrees, as far as a setting needs it to be seen. */
final class LoadDegrees {
    private static final double[] DEGREES = {0.01, 0.02, 0.05, 0.1, 0.2, 0.35, 0.6, 1};

    private static final double FINE = 1.15;

    private final ManualSetups hands;
    private final Observability sight;
    private final Model model;

    LoadDegrees(ManualSetups hands, Observability sight, Model model) {
        this.hands = hands;
        this.sight = sight;
        this.model = model;
    }

    /** The candidate's hands put on a situation, its load opened as this setting needs it. */
    Optional<Situation> stand(Setting sought, ManualSetups.Candidate candidate, Situation s) {
        Situation put = hands.apply(candidate.way(), s);
        return candidate.opener().isEmpty()
                ? Optional.of(put)
                : byDegrees(sought, put, candidate.opener().get());
    }

    /** A load opened by degrees until the setting is seen, as well as may be. */
    private Optional<Situation> byDegrees(Setting sought, Situation s, ManualSetups.Opener load) {
        Optional<ToDoubleFunction<SteadyState>> measure = sight.measure(sought, s);
        double low = 0;
        Optional<Situation> seen = Optional.empty();
        double off = Double.POSITIVE_INFINITY;
        for (double opening : DEGREES) {
            Situation at = load.at(s, opening);
            Optional<SteadyState> state = model.solve(at);
            if (state.isEmpty()) {
                continue;
            }
            double by = measure.map(m -> m.applyAsDouble(state.get())).orElse(0.0);
            if (sight.shows(sought, state.get())
                    && !sight.gauges(sought, state.get()).isEmpty()
                    && Math.abs(by) < off) {
                seen = Optional.of(at);
                off = Math.abs(by);
            }
            if (measure.isPresent() && by > 0) {
                Optional<Situation> exact = between(s, load, measure.get(), low, opening);
                return exact.flatMap(model::solve)
                                .filter(x -> sight.shows(sought, x)
                                        && !sight.gauges(sought, x).isEmpty())
                                .isPresent()
                        ? exact
                        : seen;
            }
            low = opening;
        }
        return seen;
    }

    /** The least opening first, each a little more than the one before. */
    Stream<Situation> degrees(Situation s, ManualSetups.Opener load) {
        return DoubleStream.iterate(DEGREES[0], opening -> opening <= 1, opening -> FINE * opening)
                .mapToObj(opening -> load.at(s, opening));
    }

    private Optional<Situation> between(
            Situation s, ManualSetups.Opener load, ToDoubleFunction<SteadyState> measure, double from, double to) {
        return Bisection.zero(
                        from,
                        to,
                        20,
                        at -> model.solve(load.at(s, at)).stream()
                                .mapToDouble(measure)
                                .findFirst())
                .map(opening -> load.at(s, Math.round(opening.above() * 1e4) / 1e4));
    }
}
