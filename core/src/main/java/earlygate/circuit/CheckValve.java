package earlygate.circuit;

/** Opens at its cracking pressure, Pa; the rated drop includes it. */
public record CheckValve(String id, String inlet, String outlet, double ratedFlow, double ratedDrop, double crackingPa)
        implements Component {}
