package earlygate.server.calc;

import static earlygate.quantity.Si.BAR;
import static earlygate.quantity.Si.LPM;

import earlygate.ladder.Acceptance;
import earlygate.ladder.Finding;
import earlygate.ladder.Finding.Suggestion;
import earlygate.server.api.Wire;
import earlygate.server.words.Words;
import java.util.List;
import java.util.Map;

/** Findings in words. */
record LadderView(List<FindingView> findings) {
    /**
     * @param acceptedAs the fingerprint under which it was let stand, of those that were asked about; null while it does
     *     not stand
     * @param release whether only a second person may let it stand
     * @param suggestion null where no single value would do
     */
    record FindingView(
            String rule,
            String severity,
            String setting,
            String message,
            Map<String, Double> figures,
            String fingerprint,
            String acceptedAs,
            boolean release,
            SuggestionView suggestion) {}

    /** Either a target ({@code setting}, {@code pressureBar}) or another part ({@code part}, {@code key}, {@code value}). */
    record SuggestionView(String setting, Double pressureBar, String part, String key, Double value) {}

    /** @param accepted what was let stand, as the unit keeps it */
    static LadderView of(List<Finding> findings, List<Acceptance> accepted, Words words) {
        return new LadderView(findings.stream()
                .map(f -> new FindingView(
                        f.rule().name(),
                        f.severity().key(),
                        f.subject(),
                        words.say(f.message()),
                        Figures.of(f.message()),
                        Acceptance.of(f).text(),
                        accepted.stream()
                                .filter(a -> a.covers(f))
                                .map(Acceptance::text)
                                .findFirst()
                                .orElse(null),
                        f.needsRelease(),
                        f.suggestion().map(LadderView::suggestion).orElse(null)))
                .toList());
    }

    /** Another part's key and value as the unit file has them. */
    private static SuggestionView suggestion(Suggestion s) {
        if (s instanceof Suggestion.SetTarget t) {
            return new SuggestionView(t.setting(), Wire.figure(t.pressurePa() / BAR), null, null, null);
        } else if (s instanceof Suggestion.RatedFlow f) {
            return fit(f.valve(), "ratedFlowLpm", f.flow() / LPM);
        } else if (s instanceof Suggestion.Differential f) {
            return fit(f.valve(), "differential", f.ratio());
        } else if (s instanceof Suggestion.Precharge f) {
            return fit(f.accumulator(), "prechargeBar", f.pressurePa() / BAR);
        } else if (s instanceof Suggestion.FullScale f) {
            return fit(f.testPoint(), "rangeBar", f.pressurePa() / BAR);
        }
        Suggestion.AccuracyClass f = (Suggestion.AccuracyClass) s;
        return fit(f.testPoint(), "class", f.percent());
    }

    private static SuggestionView fit(String part, String key, double value) {
        return new SuggestionView(null, null, part, key, Wire.figure(value));
    }
}
