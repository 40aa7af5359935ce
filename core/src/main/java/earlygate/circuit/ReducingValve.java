package earlygate.circuit;

/** Normally open, closed by its own outlet; {@code drainFlow} in m3/s is what its pilot takes when shut. */
public record ReducingValve(
        String id,
        String inlet,
        String outlet,
        String drain,
        double settingPa,
        double ratedFlow,
        double ratedDrop,
        double bandPa,
        double drainFlow,
        boolean reverseCheck,
        boolean relieving,
        Screw screw)
        implements Component {}
