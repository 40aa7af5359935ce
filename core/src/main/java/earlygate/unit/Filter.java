package earlygate.unit;

import java.util.List;
import java.util.OptionalDouble;

/** Laminar drop; above the bypass pressure (Pa) its bypass adds ten times that slope. */
public record Filter(
        String id, String inlet, String outlet, double ratedFlow, double ratedDrop, OptionalDouble bypassPa)
        implements Component {
    @Override
    public List<Way> ways() {
        return List.of(new Way(inlet, outlet, true));
    }
}
