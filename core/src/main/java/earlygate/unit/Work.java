package earlygate.unit;

/** What an actuator needs of a line: pressure in Pa, flow in m3/s. */
public record Work(String id, String name, String line, double pressurePa, double flow) {}
