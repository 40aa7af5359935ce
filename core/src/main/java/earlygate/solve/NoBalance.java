package earlygate.solve;

/** The machine in time has no balance of flows, even over a step of a nanosecond. */
public final class NoBalance extends IllegalStateException {
    NoBalance(double seconds) {
        super("No balance of flows, even over " + seconds + " s");
    }
}
