package earlygate.server.calc;

import static earlygate.quantity.Si.BAR;

import earlygate.ladder.Finding;
import earlygate.ladder.Finding.Suggestion;
import earlygate.server.words.Words;
import java.util.List;
import java.util.Map;

/** Findings in words. */
record LadderView(List<FindingView> findings) {
    /** @param suggestion null where no single value would do */
    record FindingView(
            String rule,
            String severity,
            String setting,
            String message,
            Map<String, Double> figures,
            String fingerprint,
            SuggestionView suggestion) {}

    /** Either a target ({@code setting}, {@code pressureBar}) or another part ({@code part}, {@code key}, {@code value}). */
    record SuggestionView(String setting, Double pressureBar, String part, String key, Double value) {}

    static LadderView of(List<Finding> findings, Words words) {
        return new LadderView(findings.stream()
                .map(f -> new FindingView(
                        f.rule(),
                        f.severity().key(),
                        f.subject(),
                        words.say(f.message()),
                        f.figures(),
                        f.fingerprint(),
                        f.suggestion().map(LadderView::suggestion).orElse(null)))
                .toList());
    }

    private static SuggestionView suggestion(Suggestion s) {
        if (s instanceof Suggestion.SetTarget t) {
            return new SuggestionView(t.setting(), t.pressurePa() / BAR, null, null, null);
        }
        Suggestion.Fit f = (Suggestion.Fit) s;
        return new SuggestionView(null, null, f.part(), f.key(), f.value());
    }
}
