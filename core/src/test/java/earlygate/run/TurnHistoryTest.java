package earlygate.run;

import static org.assertj.core.api.Assertions.assertThat;

import earlygate.judge.NextTurn.Reading;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

/** Turns and what they made the gauge read, put right by hand. Bar here, since a history knows no unit. */
class TurnHistoryTest {
    private final TurnHistory history = new TurnHistory();

    private List<Reading> own() {
        return history.own(Optional.empty());
    }

    private TurnHistory turned(double turns, double reads) {
        history.turned(turns);
        history.read(reads);
        return history;
    }

    @Test
    void everyTurnStandsWithWhatItMadeOfTheGauge() {
        turned(2, 100);
        assertThat(own())
                .as("what was turned before the first reading is nobody's")
                .containsExactly(new Reading(0, 100));
        history.turned(0.25);
        turned(0.25, 120);
        turned(-0.125, 115);
        assertThat(own()).containsExactly(new Reading(0, 100), new Reading(0.5, 120), new Reading(-0.125, 115));
        assertThat(history.turned()).isEqualTo(0.375);
        assertThat(history.lastTurn()).isEqualTo(-0.125);
    }

    @Test
    void whatIsReadAgainWithinAHundredthStandsBeside() {
        history.read(100);
        history.read(101);
        assertThat(own()).containsExactly(new Reading(0, 100), new Reading(0, 101));
        assertThat(history.lastTurn()).isZero();
    }

    @Test
    void aReadingPutRightKeepsTheTurnThatWasAnswered() {
        history.read(100);
        turned(0.25, 150);
        history.read(112);
        assertThat(own()).containsExactly(new Reading(0, 100), new Reading(0.25, 112));
    }

    /** The turn was not answered: whatever moved the gauge later was not this screw. */
    @Test
    void aGaugeThatMovesByItselfAfterATurnThatDidNothingBeginsAnew() {
        history.read(100);
        turned(0.25, 100.5);
        history.read(120);
        assertThat(own()).containsExactly(new Reading(0, 120));
        assertThat(history.turned()).isZero();
    }

    @Test
    void theFirstReadingIsPutRightToo() {
        history.read(100);
        history.read(102);
        assertThat(own()).containsExactly(new Reading(0, 102));
    }
}
