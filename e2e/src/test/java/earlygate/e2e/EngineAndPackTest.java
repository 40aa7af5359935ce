package earlygate.e2e;

import org.junit.jupiter.api.Test;

/** An engine with load sense, a battery pack: by the screws, to a signed record. */
class EngineAndPackTest {
    @Test
    void anEngineWithLoadSense() {
        Commissioning.byItsScrews("NH-04", "Margin");
    }

    @Test
    void aBatteryPack() {
        Commissioning.byItsScrews("PL-01");
    }
}
