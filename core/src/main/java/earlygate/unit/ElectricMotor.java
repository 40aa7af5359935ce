package earlygate.unit;

/** Three-phase motor; speeds in rev/s, power in W. */
public record ElectricMotor(
        String id,
        double ratedPower,
        double syncSpeed,
        double ratedSpeed,
        double ratedCurrent,
        double noLoadCurrent,
        double voltage,
        double serviceFactor)
        implements Electric {
    @Override
    public double noLoadSpeed() {
        return syncSpeed;
    }
}
