package earlygate.circuit;

/** A needle or throttle valve between two lines; K follows from rated flow (m3/s) at rated drop (Pa). */
public record Throttle(String id, String a, String b, double ratedFlow, double ratedDrop, Purpose purpose)
        implements Component {
    public enum Purpose {
        LOAD,
        ISOLATE,
        BLEED
    }
}
