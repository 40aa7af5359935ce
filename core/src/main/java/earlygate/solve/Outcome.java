package earlygate.solve;

import java.util.List;

/** What a solver says; a wrong number is never one of the answers. */
public sealed interface Outcome {
    record Converged(SteadyState state) implements Outcome {}

    /** No balance was found; the lines that are furthest from one. */
    record NotConverged(List<String> lines) implements Outcome {}

    /** A balance at a pressure no such machine stands: the oil of these lines has nowhere to go. */
    record Implausible(List<String> lines, double pressurePa) implements Outcome {}
}
