package earlygate.circuit;

/** Compensated flow control; {@code set} in m3/s. */
public record FlowControl(String id, String inlet, String outlet, double set, double ratedFlow, double ratedDrop)
        implements Component {}
