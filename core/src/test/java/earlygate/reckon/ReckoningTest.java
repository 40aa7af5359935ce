package earlygate.reckon;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import earlygate.quantity.Keyed;
import java.util.LinkedHashMap;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

/** Each calculator against a sum by hand, and what it refuses. */
class ReckoningTest {
    /** Worked by hand. */
    @ParameterizedTest
    @CsvSource({
        "cylinder-pressure, force=100000;bore=100;rod=56, pushing, 127.3",
        "cylinder-pressure, force=100000;bore=100;rod=56, pulling, 185.5",
        "cylinder-force, pressure=160;bore=80, pushing, 80425",
        "cylinder-speed, flow=30;bore=80;rod=45, extending, 0.0995",
        "cylinder-speed, flow=30;bore=80;rod=45, retracting, 0.1455",
        "motor-pressure, torque=500;displacement=400;efficiency=0.9, drop, 87.27",
        "pump-flow, displacement=40;speed=1465;efficiency=0.94, flow, 55.08",
        "shaft-power, pressure=160;flow=55;efficiency=0.87, power, 16.86",
        "shaft-power, pressure=160;flow=55;efficiency=0.87, current, 31.90",
        "throttle-flow, ratedFlow=60;ratedDrop=20;opening=50;drop=80, flow, 60",
        "throttle-drop, ratedFlow=60;ratedDrop=20;flow=30, drop, 5",
        "viscosity, viscosity40=46;viscosityIndex=100;temperature=40, viscosity, 46",
        "accumulator, volume=10;precharge=90;low=100;high=150;polytropic=1, usable, 3",
        "heat, flow=60;drop=100;tank=100;density=870, heat, 10",
        "heat, flow=60;drop=100;tank=100;density=870, rate, 3.63",
        "pressure-units, bar=100, psi, 1450.4",
        "psi, psi=3000, bar, 206.8",
        "gallons, gallons=10, flow, 37.85",
        "fahrenheit, fahrenheit=212, temperature, 100",
        "horsepower, horsepower=20, power, 14.91"
    })
    void agreesWithTheSumOnTheRag(String key, String given, String result, double expected) {
        Map<String, Double> figures = new LinkedHashMap<>();
        for (String pair : given.split(";")) {
            figures.put(pair.split("=")[0], Double.parseDouble(pair.split("=")[1]));
        }
        Reckoning r = Keyed.of(Reckoning.class, key);
        assertThat(r.wrong(figures)).isEmpty();
        Figure found = r.results(figures).stream()
                .filter(f -> f.key().equals(result))
                .findFirst()
                .orElseThrow();
        assertThat(found.value()).isCloseTo(expected, within(Math.max(1e-3, 2e-3 * expected)));
    }

    /** With any figure at either end of its range nothing comes out that is no number. */
    @ParameterizedTest
    @EnumSource(Reckoning.class)
    void theEndsOfEveryRangeGiveNumbers(Reckoning r) {
        for (Figure in : r.inputs()) {
            for (double end : new double[] {in.min(), in.max()}) {
                Map<String, Double> figures = Map.of(in.key(), end);
                if (r.wrong(figures).isEmpty()) {
                    assertThat(r.results(figures))
                            .as("%s %s", in.key(), end)
                            .allSatisfy(f -> assertThat(f.value()).isFinite());
                }
            }
            assertThat(r.wrong(Map.of(in.key(), in.max() * 2 + 1))).isNotEmpty();
            assertThat(r.wrong(Map.of(in.key(), Double.NaN))).isNotEmpty();
        }
    }

    @Test
    void aRodAsThickAsItsBoreIsRefused() {
        assertThat(Reckoning.CYLINDER_PRESSURE.wrong(Map.of("bore", 50.0, "rod", 50.0)))
                .extracting(w -> w.input().key())
                .containsExactly("rod");
    }
}
