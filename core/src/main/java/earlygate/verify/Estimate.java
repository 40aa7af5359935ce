package earlygate.verify;

/** A fitted value with its 95 % bounds, {@code half} to either side, in the value's own SI unit. */
public record Estimate(double value, double half) {
    public double low() {
        return value - half;
    }

    public double high() {
        return value + half;
    }

    /** The same of {@code offset + factor * value}. */
    Estimate mapped(double offset, double factor) {
        return new Estimate(offset + factor * value, Math.abs(factor) * half);
    }
}
