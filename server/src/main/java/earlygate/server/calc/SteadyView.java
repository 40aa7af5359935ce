package earlygate.server.calc;

import earlygate.server.words.Words;
import earlygate.solve.SteadyAnswer;
import java.util.List;
import java.util.Map;

/** A steady answer with its warnings in words. */
record SteadyView(
        Map<String, SteadyAnswer.LineAnswer> lines,
        Map<String, Map<String, Object>> components,
        Map<String, SteadyAnswer.Reads> testPoints,
        Map<String, String> inControl,
        Map<String, SteadyAnswer.Next> nextLimiter,
        List<String> warnings) {
    static SteadyView of(SteadyAnswer a, Words words) {
        List<String> warnings = a.warnings().stream().map(words::say).toList();
        return new SteadyView(a.lines(), a.components(), a.testPoints(), a.inControl(), a.nextLimiter(), warnings);
    }
}
