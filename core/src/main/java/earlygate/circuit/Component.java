package earlygate.circuit;

/** One part of the circuit as the schematic shows it; numbers in SI. */
public sealed interface Component permits ElectricMotor, Pump, ReliefValve, Throttle {
    String id();
}
