package earlygate.unit;

import java.util.List;
import java.util.Optional;

/**
 * Sequence or counterbalance valve: normally closed, opened by its own inlet or a remote pilot.
 *
 * @param drain where its spring chamber drains; empty for internal or to tank
 */
public record SequenceValve(
        String id,
        boolean counterbalance,
        String inlet,
        String outlet,
        Optional<String> pilot,
        Optional<String> drain,
        double settingPa,
        double ratedFlow,
        double ratedDrop,
        double bandPa,
        boolean reverseCheck,
        Screw screw)
        implements Component {
    @Override
    public List<Setting> settings() {
        return List.of(new Setting(
                id,
                id,
                counterbalance ? Setting.Kind.COUNTERBALANCE : Setting.Kind.SEQUENCE,
                pilot.orElse(inlet),
                settingPa,
                screw));
    }

    @Override
    public List<Way> ways() {
        return List.of(new Way(inlet, outlet, false));
    }
}
