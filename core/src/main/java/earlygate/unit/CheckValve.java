package earlygate.unit;

import java.util.List;

/** Opens at its cracking pressure, Pa; the rated drop includes it. */
public record CheckValve(String id, String inlet, String outlet, double ratedFlow, double ratedDrop, double crackingPa)
        implements Component {
    @Override
    public List<Way> ways() {
        return List.of(new Way(inlet, outlet, true));
    }
}
