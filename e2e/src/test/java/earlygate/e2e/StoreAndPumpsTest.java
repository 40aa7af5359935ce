package earlygate.e2e;

import org.junit.jupiter.api.Test;

/** An accumulator, two pumps with an unloading valve, a power limiter: by the screws and curves, to a signed record. */
class StoreAndPumpsTest {
    @Test
    void anAccumulator() {
        Commissioning.byItsScrews("FB-02", "Volumetric efficiency");
    }

    @Test
    void twoPumpsAndAnUnloadingValve() {
        Commissioning.byItsScrews("BP-11", "Volumetric efficiency", "Override at rated flow");
    }

    @Test
    void aPowerLimiter() {
        Commissioning.byItsScrews("DR-09", "Volumetric efficiency", "Power limit");
    }
}
