package earlygate.unit;

import java.util.List;
import java.util.OptionalDouble;

/**
 * Normally closed, opened by another line.
 *
 * @param settingPa pilot pressure at which it begins to open
 * @param differential fraction of the setting by which the pilot must fall before it closes; empty for the plain type
 */
public record UnloadingValve(
        String id,
        String inlet,
        String outlet,
        String pilot,
        double settingPa,
        double ratedFlow,
        double ratedDrop,
        double bandPa,
        OptionalDouble differential,
        Screw screw)
        implements Component {
    @Override
    public List<Setting> settings() {
        return List.of(new Setting(id, id, Setting.Kind.UNLOADING, pilot, settingPa, screw));
    }
}
