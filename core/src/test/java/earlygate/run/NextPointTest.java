package earlygate.run;

import static earlygate.quantity.Si.BAR;
import static earlygate.quantity.Si.LPM;
import static org.assertj.core.api.Assertions.assertThat;

import earlygate.plan.Curve;
import earlygate.plan.Curve.Aim;
import earlygate.verify.CurvePoint;
import earlygate.verify.Fit;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Which point of a step is asked next, whatever order the readings came in. */
class NextPointTest {
    /** A relief that gains 0.13 bar a litre, up to 18 L/min and back. */
    private static final Curve RELIEF = new Curve(
            Fit.Kind.RELIEF,
            "RV1",
            "GH",
            Optional.empty(),
            "RV1",
            "TV1",
            List.of(
                    aim(2, false),
                    aim(6, false),
                    aim(10, false),
                    aim(14, false),
                    aim(18, false),
                    aim(12, true),
                    aim(4, true)));

    private static Aim aim(double lpm, boolean back) {
        return new Aim((182 + 0.13 * lpm) * BAR, lpm * LPM, 0, 0.1 - 0.005 * lpm, back);
    }

    /** What that relief shows where the aim is, standing so many bar off its target: the load takes the rest. */
    private static CurvePoint taken(Aim a, double offBar, boolean struck) {
        double lpm = Math.max(0, a.flow() / LPM - 1.2 * offBar);
        return new CurvePoint(
                (182 + offBar + 0.13 * lpm) * BAR,
                lpm * LPM,
                OptionalDouble.empty(),
                OptionalDouble.empty(),
                OptionalDouble.empty(),
                a.back(),
                struck);
    }

    /** Five points at full stroke, then three where the compensator, set at so many bar, gives back the stroke. */
    private static final Curve PUMP = new Curve(
            Fit.Kind.PUMP,
            "P1",
            "G1",
            Optional.empty(),
            "TV1",
            "TV1",
            List.of(
                    pumpAim(12.5),
                    pumpAim(9.1),
                    pumpAim(7.3),
                    pumpAim(6.2),
                    pumpAim(5.5),
                    pumpAim(2.55),
                    pumpAim(1.7),
                    pumpAim(0.85)));

    private static final double SET_BAR = 160;
    private static final double NEW_LPM = 60;

    private static Aim pumpAim(double opening) {
        CurvePoint p = pump(opening, SET_BAR, NEW_LPM);
        return new Aim(p.pressurePa(), p.flow(), 0, opening, false);
    }

    /**
     * Where a load that passes {@code opening sqrt(bar)} L/min meets a pump of so many L/min that leaks 0.03 L/min a bar and,
     * within 3 bar of its setting, gives back its stroke.
     */
    private static CurvePoint pump(double opening, double setBar, double lpm) {
        double low = 0;
        double high = setBar;
        while (high - low > 1e-9) {
            double bar = (low + high) / 2;
            double gives = Math.min(lpm - 0.03 * bar, 20 * (setBar - bar));
            if (gives > opening * Math.sqrt(bar)) {
                low = bar;
            } else {
                high = bar;
            }
        }
        return new CurvePoint(
                low * BAR,
                opening * Math.sqrt(low) * LPM,
                OptionalDouble.empty(),
                OptionalDouble.empty(),
                OptionalDouble.empty(),
                false,
                false);
    }

    private static int at(OptionalInt next) {
        return next.orElseThrow();
    }

    /** Whoever does what is asked comes to the end, wherever the part stands within its tolerance and beyond. */
    @ParameterizedTest
    @ValueSource(doubles = {0, 0.5, -0.5, 1, -1, 2, -2, -5})
    void eachIsAskedOnceInTurn(double offBar) {
        List<CurvePoint> read = new ArrayList<>();
        for (int i = 0; i < RELIEF.aims().size(); i++) {
            assertThat(at(NextPoint.of(RELIEF, read))).isEqualTo(i);
            read.add(taken(RELIEF.aims().get(i), offBar, false));
        }
        assertThat(NextPoint.of(RELIEF, read)).isEmpty();
    }

    /** In the cut-off all pressures lie together, and a compensator that stands a little off reads like another aim's. */
    @ParameterizedTest
    @ValueSource(doubles = {0, 0.7, 1.7, -0.7, -1.7, 4, -4})
    void aPumpThatStandsOffItsTargetIsAskedForNoPointTwice(double offBar) {
        asksForEachInTurn(SET_BAR + offBar, NEW_LPM);
    }

    /** At full stroke all flows lie together, and what one that is worn gives at a low pressure reads like another aim's. */
    @ParameterizedTest
    @ValueSource(doubles = {0.98, 0.96, 0.94, 0.9})
    void aWornPumpIsAskedForNoPointTwice(double wear) {
        asksForEachInTurn(SET_BAR, wear * NEW_LPM);
    }

    private static void asksForEachInTurn(double setBar, double lpm) {
        List<CurvePoint> read = new ArrayList<>();
        for (int i = 0; i < PUMP.aims().size(); i++) {
            assertThat(at(NextPoint.of(PUMP, read))).isEqualTo(i);
            read.add(pump(PUMP.aims().get(i).opening(), setBar, lpm));
        }
        assertThat(NextPoint.of(PUMP, read)).isEmpty();
    }

    @Test
    void oneTakenOutOfTurnIsNotAskedAgain() {
        List<CurvePoint> read = new ArrayList<>(List.of(taken(RELIEF.aims().get(3), 0.1, false)));
        List<Integer> asked = new ArrayList<>();
        for (OptionalInt next = NextPoint.of(RELIEF, read); next.isPresent(); next = NextPoint.of(RELIEF, read)) {
            asked.add(at(next));
            read.add(taken(RELIEF.aims().get(at(next)), 0.1, false));
        }
        assertThat(asked).containsExactly(0, 1, 2, 4, 5, 6);
    }

    @Test
    void oneTakenTwiceAnswersOnceAndOneLeftOutIsAskedAgain() {
        CurvePoint first = taken(RELIEF.aims().get(0), 0.5, false);
        assertThat(at(NextPoint.of(RELIEF, List.of(first, first)))).isEqualTo(1);
        assertThat(at(NextPoint.of(RELIEF, List.of(taken(RELIEF.aims().get(0), 0.5, true)))))
                .isZero();
    }
}
