package earlygate.e2e;

import org.junit.jupiter.api.BeforeAll;

/** Begins with nothing but the demo units: the first run is the same machine, whatever other classes have done. */
abstract class OnAFreshServer {
    @BeforeAll
    static void begin() {
        Served.fresh();
    }
}
