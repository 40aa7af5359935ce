package earlygate.unit;

/** Laminar, at 40 C: {@code flow} m3/s at {@code drop} Pa. */
public record Leak(String id, String a, String b, double flow, double drop) implements Component {}
