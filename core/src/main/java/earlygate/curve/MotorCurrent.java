package earlygate.curve;

/** Line current of an induction motor: I = sqrt(I0^2 + (Ir^2 - I0^2) (P/Pr)^2); amperes, load P/Pr. */
public final class MotorCurrent {
    private MotorCurrent() {}

    public static double at(double load, double noLoadCurrent, double ratedCurrent) {
        return Math.sqrt(noLoadCurrent * noLoadCurrent
                + (ratedCurrent * ratedCurrent - noLoadCurrent * noLoadCurrent) * load * load);
    }
}
