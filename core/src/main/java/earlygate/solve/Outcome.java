package earlygate.solve;

import java.util.List;

/** What a solver says; a wrong number is never one of the answers. */
public sealed interface Outcome {
    record Converged(SteadyState state) implements Outcome {}

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
