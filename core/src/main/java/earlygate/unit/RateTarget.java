package earlygate.unit;

/** What the schematic asks of a setting that is no pressure: m3/s of a flow, W of a power limit. */
public record RateTarget(String setting, double value, double tolerance) {}
