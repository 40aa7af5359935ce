package earlygate.unit;

import java.util.List;

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
        implements Component {
    @Override
    public List<Setting> settings() {
        return List.of(new Setting(id, id, Setting.Kind.REDUCING, outlet, settingPa, screw));
    }

    @Override
    public List<Way> ways() {
        return List.of(new Way(inlet, outlet, false));
    }
}
