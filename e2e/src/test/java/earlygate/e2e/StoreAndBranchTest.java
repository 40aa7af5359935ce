package earlygate.e2e;

import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** An accumulator, a branch: by the screws, to a passed record. */
class StoreAndBranchTest {
    @ParameterizedTest
    @ValueSource(strings = {"FB-02", "WD-05"})
    void isCommissionedByItsScrews(String tag) {
        Commissioning.byItsScrews(tag);
    }
}
