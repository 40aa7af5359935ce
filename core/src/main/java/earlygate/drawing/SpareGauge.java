package earlygate.drawing;

/**
 * A gauge that lies in the workshop and could be fitted.
 *
 * @param reads unit on its dial, as a unit file has it
 */
public record SpareGauge(double rangeBar, double accuracyClass, String reads) {}
