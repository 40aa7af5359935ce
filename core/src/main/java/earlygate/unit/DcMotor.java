package earlygate.unit;

/** Battery motor; its speed falls linearly with torque. On-time and cycle in s: its duty. */
public record DcMotor(
        String id,
        double ratedPower,
        double noLoadSpeed,
        double ratedSpeed,
        double ratedCurrent,
        double noLoadCurrent,
        double voltage,
        double onTime,
        double cycle)
        implements Electric {
    /** N·m. */
    public double ratedTorque() {
        return ratedPower / (2 * Math.PI * ratedSpeed);
    }

    @Override
    public double serviceFactor() {
        return 1;
    }
}
