package earlygate.solve;

import static earlygate.fixture.Units.circuit;
import static earlygate.fixture.Units.read;
import static earlygate.quantity.Si.BAR;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import earlygate.unit.PowerUnit;
import earlygate.unit.Situation;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tools.jackson.databind.node.ObjectNode;

/** What moves freely adds no drop of its own: pressure is load over size, whatever the speed. */
class ActuatorsTest {
    private static SteadyState solve(PowerUnit unit, Situation s) {
        return ((Outcome.Converged) Model.of(unit).outcome(s.withBlocked(Set.of()))).state();
    }

    /** dp = 2 pi T / (D eta); turned fast, slow, and hardly at all. */
    @ParameterizedTest
    @CsvSource({"10, 5", "12, 14", "200, 150", "2000, 900"})
    void aMotorStandsAtWhatItsTorqueAsks(double displacementCm3, double torqueNm) {
        ObjectNode circuit = circuit("BR");
        circuit.get("components").forEach(c -> {
            if (c.get("type").asString().equals("hydraulic-motor")) {
                ((ObjectNode) c).put("displacementCm3", displacementCm3).put("torqueNm", torqueNm);
            }
        });
        PowerUnit unit = read(circuit);
        double asked = 2 * Math.PI * torqueNm / (displacementCm3 * 1e-6 * 0.92) / BAR;
        for (double opening : new double[] {0, 0.3}) {
            SteadyState s =
                    solve(unit, Situation.AS_THE_FILE.withPosition("DV1", "a").withOpening("TV1", opening));
            assertThat((s.pressure("X") - s.pressure("Y")) / BAR).isCloseTo(asked, within(0.002 * asked));
        }
    }

    /** p_cap A_cap = F + friction. */
    @Test
    void aCylinderStandsAtWhatItsLoadAsks() {
        SteadyState s = solve(read(circuit("DC")), Situation.AS_THE_FILE);
        double asked = 15500 / (Math.PI / 4 * 0.05 * 0.05) / BAR;
        assertThat(s.pressure("A") / BAR).isCloseTo(asked, within(0.002 * asked));
    }
}
