package earlygate.solve;

import java.util.List;
import java.util.Optional;

/** What a solver says; a wrong number is never one of the answers. */
public sealed interface Outcome {
    record Converged(SteadyState state) implements Outcome {}

    /** The state, where there is one; for those who don't ask why there is none. */
    default Optional<SteadyState> answer() {
        return this instanceof Converged c ? Optional.of(c.state()) : Optional.empty();
    }

    /** No answer, and the lines to look at. */
    sealed interface Failed extends Outcome {
        List<String> lines();
    }

    /** No balance was found; the lines that are furthest from one. */
    record NotConverged(List<String> lines) implements Failed {}

    /** A running pump sends the oil of these lines round, and no way leads from them to the tank. */
    record WithoutTank(List<String> lines) implements Failed {}

    /** A balance at a pressure no such machine stands: the oil of these lines has nowhere to go. */
    record Implausible(List<String> lines, double pressurePa) implements Failed {}
}
