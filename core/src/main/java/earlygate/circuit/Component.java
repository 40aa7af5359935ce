package earlygate.circuit;

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
                DirectionalValve,
                Shuttle,
                Section,
                Cylinder,
                HydraulicMotor,
                Accumulator,
                Filter,
                Leak {
    String id();
}
