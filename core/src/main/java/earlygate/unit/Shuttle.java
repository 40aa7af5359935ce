package earlygate.unit;

/** Its outlet follows the higher of its inlets. */
public record Shuttle(String id, String a, String b, String out) implements Component {}
