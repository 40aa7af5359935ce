package earlygate.quantity;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Figures as they are shown and typed, in every unit; conversions by their definitions. */
class QuantityTest {
    @ParameterizedTest
    @CsvSource({"143.5, 143.5", "'143,5', 143.5", "' 12 ', 12", ".5, 0.5", "0, 0"})
    void acceptsNumbersAsTyped(String typed, double value) {
        assertThat(TypedNumber.parse(typed, 250)).isEqualTo(new TypedNumber.Accepted(value));
    }

    @ParameterizedTest
    @CsvSource({
        "'', empty",
        "-3, negative",
        "9999, too-large",
        "12a, not-a-number",
        "'1,2,3', not-a-number",
        "NaN, not-a-number"
    })
    void refusesTheRestWithItsReason(String typed, String code) {
        assertThat(((TypedNumber.Refused) TypedNumber.parse(typed, 250)).code()).isEqualTo(code);
    }

    @Test
    void showsPressureInEachUnit() {
        assertThat(PressureUnit.BAR.show(176e5)).isEqualTo("176 bar");
        assertThat(PressureUnit.BAR.show(175.66e5)).isEqualTo("175.7 bar");
        assertThat(PressureUnit.PSI.show(176e5)).isEqualTo("2553 psi");
        assertThat(PressureUnit.MPA.show(176e5)).isEqualTo("17.60 MPa");
        for (PressureUnit u : PressureUnit.values()) {
            assertThat(u.toPa(u.fromPa(1.234e7))).isCloseTo(1.234e7, within(1e-3));
        }
    }
}
