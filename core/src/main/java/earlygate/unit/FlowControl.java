package earlygate.unit;

import java.util.List;

/** Compensated flow control; {@code set} in m3/s. */
public record FlowControl(String id, String inlet, String outlet, double set, double ratedFlow, double ratedDrop)
        implements Component {
    @Override
    public List<Way> ways() {
        return List.of(new Way(inlet, outlet, false));
    }
}
