package earlygate.judge;

import static org.assertj.core.api.Assertions.assertThat;

import earlygate.fixture.Effort;
import org.junit.jupiter.api.Test;

/** Streams whose truth is known: a creep is never called still, and what rests is read where it rests, in time. */
class SettledStreamsTest {
    private static final int STREAMS = Effort.of("streams", 200, 3000);

    @Test
    void whatStandsIsToldFromWhatMoves() {
        SettledTally t = SettledTally.of(STREAMS);
        assertThat(t.creeps).as("a creep called still").isLessThanOrEqualTo(STREAMS / 2000);
        assertThat(t.off).as("off by more than 0.5 %").isLessThan(STREAMS / 100);
        assertThat(t.late).as("not settled in time").isLessThanOrEqualTo(STREAMS / 20);
        assertThat(t.stillLate).as("a still one").isLessThanOrEqualTo(STREAMS / 20);
    }
}
