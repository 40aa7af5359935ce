package earlygate.ladder;

import static org.assertj.core.api.Assertions.assertThat;

import earlygate.explain.Reason;
import earlygate.ladder.Finding.Severity;
import java.util.Optional;
import org.junit.jupiter.api.Test;

/** What is let stand stays so while its figures do, and no longer. */
class AcceptanceTest {
    private static Finding tooShort(double gapBar, double load) {
        Reason message = Reason.of("ladder.L1.short")
                .pressure("gap", gapBar * 1e5)
                .said("cost", Reason.of("part.ladder-cost").ratio("motorLoad", load));
        return new Finding(Rung.L1, Severity.WARN, "RV1", message, Optional.empty());
    }

    @Test
    void aRoundingEdgeBringsNothingBack() {
        Acceptance kept = Acceptance.of(tooShort(6.49, 0.704));
        assertThat(kept.covers(tooShort(6.51, 0.706))).isTrue();
        assertThat(kept.covers(tooShort(7.4, 0.71))).isTrue();
    }

    @Test
    void otherFiguresMakeItANewFindingAlsoThoseOfAPhrase() {
        Acceptance kept = Acceptance.of(tooShort(6, 0.70));
        assertThat(kept.covers(tooShort(4.5, 0.70))).isFalse();
        assertThat(kept.covers(tooShort(6, 0.80))).isFalse();
        Reason unsolved = Reason.of("ladder.L1.short").pressure("gap", 6e5);
        assertThat(kept.covers(new Finding(Rung.L1, Severity.WARN, "RV1", unsolved, Optional.empty())))
                .isFalse();
    }

    /** Small steps do not add up: the figures that were accepted stay the measure. */
    @Test
    void itDoesNotCreep() {
        Acceptance kept = Acceptance.of(tooShort(6, 0.70));
        assertThat(kept.covers(tooShort(5.2, 0.70))).isTrue();
        assertThat(kept.covers(tooShort(4.4, 0.70))).isFalse();
    }

    @Test
    void itIsReadAsItWasWrittenAndNothingElseIsRead() {
        Acceptance kept = Acceptance.of(tooShort(6.25, 0.7));
        assertThat(Acceptance.read(kept.text())).contains(kept);
        assertThat(Acceptance.read("")).isEmpty();
        assertThat(Acceptance.read("ladder.L1.short")).isEmpty();
        assertThat(Acceptance.read("ladder.L13.higher|RV1|made=up")).isEmpty();
        Optional<Acceptance> older = Acceptance.read("ladder.L1.short|RV1|gapBar=6|motorLoad=70");
        assertThat(older.orElseThrow().covers(tooShort(6, 0.70))).isFalse();
    }
}
