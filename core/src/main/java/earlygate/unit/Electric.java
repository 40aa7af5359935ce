package earlygate.unit;

/** A driver with a current that can be read; A and V. */
public sealed interface Electric extends Driver permits ElectricMotor, DcMotor {
    double ratedCurrent();

    double noLoadCurrent();

    double voltage();
}
