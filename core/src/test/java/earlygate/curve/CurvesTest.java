package earlygate.curve;

import static earlygate.quantity.Si.BAR;
import static earlygate.quantity.Si.MM2_S;
import static earlygate.quantity.Si.ZERO_C;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.function.DoubleUnaryOperator;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;

/** Each characteristic against its slope, its corners and the standard it comes from. */
class CurvesTest {
    private static final double K = Orifice.coefficient(1e-3, 20 * BAR);

    static Stream<Arguments> slopes() {
        return Stream.of(
                curve("orifice", p -> Orifice.flow(K, p), p -> Orifice.slope(K, p), 37 * BAR, 10),
                curve("orifice, laminar end", p -> Orifice.flow(K, p), p -> Orifice.slope(K, p), 0.03 * BAR, 1),
                curve("orifice, backward", p -> Orifice.flow(K, p), p -> Orifice.slope(K, p), -4 * BAR, 10),
                curve("relief open", p -> Relief.flow(p, 1e7, 1e-9), p -> Relief.slope(p, 1e7, 1e-9), 1.2e7, 10),
                curve("relief shut", p -> Relief.flow(p, 1e7, 1e-9), p -> Relief.slope(p, 1e7, 1e-9), 0.9e7, 10),
                curve("ramp", p -> Ramp.value(p, 1e7, 4e5), p -> Ramp.slope(p, 1e7, 4e5), 0.98e7, 10),
                curve("ramp, past", p -> Ramp.value(p, 1e7, 4e5), p -> Ramp.slope(p, 1e7, 4e5), 1.1e7, 10),
                curve("slip", m -> Slip.speed(25, 0.6, 18500, m), m -> Slip.slope(25, 0.6, 18500, m), 90, 1e-3));
    }

    private static Arguments curve(
            String name, DoubleUnaryOperator f, DoubleUnaryOperator slope, double at, double step) {
        return Arguments.of(name, f, slope, at, step);
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("slopes")
    void slopeIsTheDerivative(String name, DoubleUnaryOperator f, DoubleUnaryOperator slope, double at, double step) {
        double difference = (f.applyAsDouble(at + step) - f.applyAsDouble(at - step)) / (2 * step);
        double scale = Math.max(Math.abs(difference), 1e-18);
        assertThat(slope.applyAsDouble(at)).isCloseTo(difference, within(1e-4 * scale));
    }

    @Test
    void corners() {
        assertThat(Ramp.value(0, 1e7, 4e5)).isEqualTo(1);
        assertThat(Ramp.value(1e7, 1e7, 4e5)).isZero();
        assertThat(Relief.flow(1e7, 1e7, 1e-9)).isZero();
        assertThat(Orifice.flow(K, 20 * BAR)).isCloseTo(1e-3, within(1e-7));
        assertThat(Orifice.flow(K, -20 * BAR)).isEqualTo(-Orifice.flow(K, 20 * BAR));
        assertThat(MotorCurrent.at(0, 13, 34)).isEqualTo(13);
        assertThat(MotorCurrent.at(1, 13, 34)).isEqualTo(34);
        double ratedTorque = 18500 / (2 * Math.PI * 24.4);
        assertThat(Slip.speed(25, 0.6, 18500, ratedTorque)).isCloseTo(24.4, within(0.02));
    }

    /** Worked example of ASTM D2270: 73.30 and 8.86 mm2/s give an index of 92. */
    @Test
    void viscosityIndexAsInTheStandard() {
        assertThat(Viscosity.index(73.30, 8.86)).isCloseTo(92, within(0.5));
        assertThat(Viscosity.index(22.83, 5.05)).isCloseTo(156, within(0.7));
        assertThat(Viscosity.at100(73.30, 92)).isCloseTo(8.86, within(0.02));
    }

    @Test
    void viscosityGoesThroughItsTwoPoints() {
        Viscosity oil = Viscosity.of(46 * MM2_S, 100);
        assertThat(oil.at(40 + ZERO_C) / MM2_S).isCloseTo(46, within(1e-9));
        assertThat(oil.at(100 + ZERO_C) / MM2_S).isCloseTo(Viscosity.at100(46, 100), within(1e-9));
        assertThat(oil.at(0 + ZERO_C)).isGreaterThan(5 * oil.at(40 + ZERO_C));
    }
}
