package earlygate.judge;

import static earlygate.fixture.Units.lg07;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import earlygate.judge.Watch.CurrentScrew;
import earlygate.judge.Watch.Moment;
import earlygate.judge.Watch.Wanted;
import earlygate.solve.Model;
import earlygate.unit.PowerUnit;
import earlygate.unit.Situation;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Random;
import java.util.function.DoubleUnaryOperator;
import org.junit.jupiter.api.Test;

/** What a watch says of streams made up by hand: when a reading can be taken, when a relief has cracked, what begins anew. */
class WatchTest {
    private static final double RATE = 10;

    private final PowerUnit unit = lg07();
    private final Watch watch = new Watch(Model.of(unit));
    private final Random noise = new Random(4);
    private double now;

    private void see(double seconds, DoubleUnaryOperator bar, DoubleUnaryOperator amps, OptionalDouble sinceStop) {
        double begun = now;
        for (int i = 0; i < seconds * RATE; i++) {
            now += 1 / RATE;
            double pa = (bar.applyAsDouble(now - begun) + 0.1 * noise.nextGaussian()) * 1e5;
            double drawn = amps.applyAsDouble(now - begun) + 0.05 * noise.nextGaussian();
            OptionalDouble stopped =
                    sinceStop.isPresent() ? OptionalDouble.of(sinceStop.getAsDouble() + now - begun) : sinceStop;
            watch.sample(new Watch.Sample(now, Map.of("G1", pa), Map.of("M1", drawn), stopped));
        }
    }

    private void see(double seconds, DoubleUnaryOperator bar) {
        see(seconds, bar, t -> 13.4, OptionalDouble.empty());
    }

    private static Wanted looksFor(Moment moment, double afterS) {
        return new Wanted("step", Map.of("G1", moment), afterS, Optional.empty(), false);
    }

    private Wanted cracking(String what) {
        Situation deadhead = Situation.AS_THE_FILE.withSetting("P1.compensator", 176e5);
        return new Wanted(
                what, Map.of(), 0, Optional.of(new CurrentScrew("RV1", "G1", deadhead, Slope.ofData(20e5))), true);
    }

    @Test
    void aReadingIsTakenStandingAndAnewAfterEveryTurn() {
        assertThat(watch.reading("G1")).isEmpty();
        see(1, t -> 120);
        assertThat(watch.reading("G1")).as("too short a look").isEmpty();
        see(5, t -> 120);
        assertThat(watch.reading("G1").getAsDouble()).isCloseTo(120e5, within(0.1e5));
        assertThat(watch.trend("G1")).isCloseTo(0, within(0.1e5));
        watch.turned("RV1", 0.25);
        assertThat(watch.reading("G1")).isEmpty();
        see(6, t -> 120 + 3 * t);
        assertThat(watch.reading("G1")).as("it climbs").isEmpty();
        assertThat(watch.trend("G1")).isCloseTo(3e5, within(0.3e5));
        assertThat(watch.reading("nobody")).isEmpty();
    }

    @Test
    void whatCameToStandWithoutATurnIsTheHighest() {
        watch.seek(looksFor(Moment.PEAK, 0));
        see(4, t -> 188 - 6 * t);
        assertThat(watch.reading("G1")).as("it falls").isEmpty();
        see(10, t -> 164);
        assertThat(watch.reading("G1").getAsDouble()).as("a relief holds it").isCloseTo(164e5, within(0.2e5));
    }

    @Test
    void thePeakTheValleyAndWhatIsLeftAfterAWhile() {
        watch.seek(looksFor(Moment.PEAK, 0));
        see(10, t -> t < 5 ? 100 + 8 * t : 140 - 6 * (t - 5));
        assertThat(watch.reading("G1").getAsDouble()).isCloseTo(140e5, within(1e5));
        watch.turned("UV1", 0.1);
        see(30, t -> Math.max(124, 128 - 0.4 * t));
        assertThat(watch.reading("G1"))
                .as("it has only gone down since it was turned")
                .isEmpty();
        see(20, t -> Math.min(135, 124 + 2 * t));
        assertThat(watch.reading("G1").getAsDouble()).as("come up, it stands").isCloseTo(135e5, within(0.5e5));
        watch.seek(new Wanted("next", Map.of("G1", Moment.VALLEY), 0, Optional.empty(), false));
        assertThat(watch.reading("G1")).as("the old swing is none of this step").isEmpty();
        see(10, t -> t < 5 ? 120 - 6 * t : 90 + 6 * (t - 5));
        assertThat(watch.reading("G1").getAsDouble()).isCloseTo(90e5, within(1e5));
        watch.seek(new Wanted("hold", Map.of("G1", Moment.AFTER), 60, Optional.empty(), false));
        see(50, t -> 100 - 0.1 * t, t -> 0, OptionalDouble.of(0));
        assertThat(watch.reading("G1")).as("not due").isEmpty();
        see(20, t -> 95 - 0.1 * t, t -> 0, OptionalDouble.of(50));
        assertThat(watch.reading("G1").getAsDouble()).as("at the minute").isCloseTo(94e5, within(0.5e5));
        watch.runs();
        assertThat(watch.reading("G1")).as("the drive runs again").isEmpty();
    }

    @Test
    void aCrackIsFoundAgainstWhatStood() {
        watch.seek(cracking("crack"));
        assertThat(watch.cracks().held()).isEmpty();
        see(12, t -> 176);
        assertThat(watch.cracks().held().getAsDouble()).isCloseTo(176e5, within(0.2e5));
        assertThat(watch.cracks().found()).isFalse();
        watch.turned("RV1", -0.0625);
        see(8, t -> 175, t -> 15.2, OptionalDouble.empty());
        Watch.Cracks seen = watch.cracks();
        assertThat(seen.found()).isTrue();
        assertThat(seen.held().getAsDouble()).isCloseTo(176e5, within(0.3e5));
        assertThat(seen.fallPa().getAsDouble()).isCloseTo(1e5, within(0.4e5));
        assertThat(seen.stands().orElseThrow().settingPa()).isBetween(170e5, 176e5);
        assertThat(watch.placeAtTap())
                .as("marked too, it stands where it was found")
                .isEqualTo(seen.stands());
        assertThat(watch.sought().what()).isEqualTo("crack");
    }

    /**
     * What was held is what stood before the screw was touched, not what came while it was turned; and a gauge that jumps
     * up, because somebody turned the pump in, has not cracked.
     */
    @Test
    void whatIsHeldIsFromBeforeTheFirstTurn() {
        watch.seek(cracking("crack"));
        see(12, t -> 176);
        watch.turned("RV1", -0.0625);
        assertThat(watch.stands("G1")).isFalse();
        see(3, t -> 177.5);
        assertThat(watch.cracks().found()).isFalse();
        assertThat(watch.cracks().held().getAsDouble()).isCloseTo(176e5, within(0.08e5));
        assertThat(watch.stands("nobody")).isFalse();
        see(9, t -> 177.5);
        assertThat(watch.stands("G1")).isTrue();
    }

    /** Come in again: the same gauge has to stand before the next fall means anything. */
    @Test
    void aTurnInwardAndAnyOtherMoveBeginItAnew() {
        watch.seek(cracking("crack"));
        see(12, t -> 176);
        watch.turned("RV1", -0.125);
        see(8, t -> 174, t -> 16, OptionalDouble.empty());
        assertThat(watch.cracks().found()).isTrue();
        watch.turned("RV1", 0.125);
        assertThat(watch.cracks().found()).isFalse();
        assertThat(watch.cracks().held()).isEmpty();
        see(10, t -> 176);
        assertThat(watch.cracks().held()).isPresent();
        watch.moved();
        assertThat(watch.cracks().held()).isEmpty();
        see(10, t -> 176);
        watch.turned("P1.compensator", -0.25);
        assertThat(watch.cracks().held()).as("another screw").isEmpty();
        see(10, t -> 166);
        assertThat(watch.cracks().found()).isFalse();
    }

    @Test
    void whatAHandMarksIsPlacedToo() {
        watch.seek(cracking("crack"));
        assertThat(watch.placeAtTap()).isEmpty();
        see(12, t -> 176);
        assertThat(watch.placeAtTap()).as("nothing bears it out").isEmpty();
        watch.turned("RV1", -0.0625);
        see(2, t -> 175.8);
        assertThat(watch.placeAtTap().orElseThrow().settingPa()).isBetween(168e5, 176.2e5);
        watch.seek(Wanted.NOTHING);
        assertThat(watch.placeAtTap()).isEmpty();
        assertThat(watch.cracks()).isEqualTo(Watch.Cracks.NONE);
    }

    /** Drift of warming oil and a knocked hose over minutes: nothing cracked. */
    @Test
    void driftAndKnocksAreNoCrack() {
        watch.seek(cracking("crack"));
        for (int i = 0; i < 6; i++) {
            double from = 176 - 0.25 * i;
            see(29, t -> from - 0.25 * t / 30);
            double knocked = 0.04 * 176;
            see(1, t -> from - 0.25 + knocked * Math.exp(-t / 0.2));
        }
        assertThat(watch.cracks().found()).isFalse();
    }

    /** A gauge alone that falls by so little may have drifted; with the current rising beside it, it has cracked. */
    @Test
    void theCurrentBearsOutALittleFall() {
        watch.seek(cracking("crack"));
        see(12, t -> 176);
        watch.turned("RV1", -0.0625);
        see(8, t -> 175.9);
        assertThat(watch.cracks().found()).isFalse();
        watch.moved();
        see(12, t -> 176);
        watch.turned("RV1", -0.0625);
        see(8, t -> 175.9, t -> 15.2, OptionalDouble.empty());
        assertThat(watch.cracks().found()).isTrue();
    }

    /** What happens to the line later is no more of the crack. */
    @Test
    void aMinuteAfterTheCrackNothingIsLearnedOfIt() {
        watch.seek(cracking("crack"));
        see(12, t -> 176);
        watch.turned("RV1", -0.0625);
        see(70, t -> 175, t -> 15.2, OptionalDouble.empty());
        Watch.Cracks then = watch.cracks();
        see(10, t -> 150, t -> 14, OptionalDouble.empty());
        assertThat(watch.cracks().fallPa().getAsDouble()).isCloseTo(1e5, within(0.4e5));
        assertThat(watch.cracks().stands()).isEqualTo(then.stands());
    }

    /** The screw at hand, its gauge at 120: a pump at its limit draws little, a relief that passes all it gives draws much. */
    @Test
    void whoHasTheGaugeIsToldWhileItStands() {
        Situation deadhead = Situation.AS_THE_FILE.withSetting("RV1", 176e5).withSetting("P1.compensator", 160e5);
        CurrentScrew pump = new CurrentScrew("P1.compensator", "G1", deadhead, Slope.ofData(20e5));
        watch.seek(new Wanted("set", Map.of(), 0, Optional.of(pump), false));
        assertThat(watch.holders()).as("nothing seen").isEmpty();
        see(6, t -> 120, t -> 11.5, OptionalDouble.empty());
        assertThat(watch.holders()).extracting(Holder::setting).containsExactly("P1.compensator");
        see(6, t -> 120 + 4 * t, t -> 11.5, OptionalDouble.empty());
        assertThat(watch.holders()).as("it climbs").isEmpty();
        see(8, t -> 144, t -> 34, OptionalDouble.empty());
        assertThat(watch.holders()).extracting(Holder::setting).containsExactly("RV1");
        assertThat(watch.holders().get(0).standsPa()).isBetween(134e5, 145e5);
        watch.turned("RV1", 0.25);
        assertThat(watch.holders()).as("turned").isEmpty();
        watch.seek(Wanted.NOTHING);
        see(8, t -> 144, t -> 34, OptionalDouble.empty());
        assertThat(watch.holders()).as("no screw is at hand").isEmpty();
    }
}
