package earlygate.unit;

/**
 * Combustion engine; no-load speeds in rev/s.
 *
 * @param droop fall of speed from no load to rated power, as a fraction of high idle
 */
public record Engine(String id, double ratedPower, double lowIdle, double mid, double highIdle, double droop)
        implements Driver {
    @Override
    public double noLoadSpeed() {
        return highIdle;
    }

    @Override
    public double ratedSpeed() {
        return highIdle * (1 - droop);
    }

    @Override
    public double serviceFactor() {
        return 1;
    }
}
