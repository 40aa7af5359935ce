package earlygate.e2e;

import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** An engine with load sense, a battery pack: by the screws, to a passed record. */
class EngineAndPackTest {
    @ParameterizedTest
    @ValueSource(strings = {"NH-04", "PL-01"})
    void isCommissionedByItsScrews(String tag) {
        Commissioning.byItsScrews(tag);
    }
}
