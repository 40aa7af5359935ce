package earlygate.unit;

/** Areas in m2, force and friction in N; a positive force resists extension. */
public record Cylinder(String id, String cap, String rod, double capArea, double rodArea, double force, double friction)
        implements Component {}
