package earlygate.unit;

import java.util.List;

/** One part of the circuit as the schematic shows it; numbers in SI. */
public sealed interface Component
        permits Driver,
                Pump,
                ReliefValve,
                UnloadingValve,
                ReducingValve,
                SequenceValve,
                CheckValve,
                Throttle,
                FlowControl,
                Positioned,
                Shuttle,
                Cylinder,
                HydraulicMotor,
                Accumulator,
                Filter,
                Leak {
    String id();

    /** Its adjusters, in the order in which they are told. */
    default List<Setting> settings() {
        return List.of();
    }

    /** How oil of one line gets through it to another, in any position. */
    default List<Way> ways() {
        return List.of();
    }

    /**
     * A way from line to line.
     *
     * @param tied oil passes freely: at rest both ends are at one pressure, but for a check's
     */
    record Way(String from, String to, boolean tied) {}
}
