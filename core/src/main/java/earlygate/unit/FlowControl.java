package earlygate.unit;

import java.util.List;
import java.util.Optional;

/** Compensated flow control; {@code set} in m3/s, adjustable where it has a screw. */
public record FlowControl(
        String id, String inlet, String outlet, double set, double ratedFlow, double ratedDrop, Optional<Screw> screw)
        implements Component {
    @Override
    public List<Setting> settings() {
        return screw.map(s -> new Setting(id, id, Setting.Kind.FLOW, outlet, set, s)).stream()
                .toList();
    }

    @Override
    public List<Way> ways() {
        return List.of(new Way(inlet, outlet, false));
    }
}
