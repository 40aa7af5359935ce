package earlygate.unit;

/** Displacement in m3/rev, torque in N·m against its turning, either way. */
public record HydraulicMotor(String id, String a, String b, double displacement, double torque, double efficiency)
        implements Component {}
