package earlygate.unit;

/** Gas over oil: p V^n constant; gas volume in m3 at precharge (Pa, gauge). */
public record Accumulator(String id, String line, double volume, double prechargePa, double polytropic)
        implements Component {}
