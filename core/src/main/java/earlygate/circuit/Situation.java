package earlygate.circuit;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.OptionalDouble;

/**
 * The state a unit is put in for a calculation. What is left out stands as the unit file has it.
 *
 * @param drivers by driver id
 * @param openings throttle openings, 0 to 1, by component id
 * @param settings Pa, by setting id
 * @param pressures lines held at a pressure, Pa, by line id
 * @param oil oil temperature, K; empty for the middle of the band
 */
public record Situation(
        Map<String, Drive> drivers,
        Map<String, Double> openings,
        Map<String, Double> settings,
        Map<String, Double> pressures,
        OptionalDouble oil) {

    /** @param speed rev/s, in place of the motor's own slip; empty for the slip model */
    public record Drive(boolean running, OptionalDouble speed) {}

    public static final Situation AS_THE_FILE =
            new Situation(Map.of(), Map.of(), Map.of(), Map.of(), OptionalDouble.empty());

    public Situation withDriver(String id, boolean running) {
        return new Situation(
                and(drivers, id, new Drive(running, OptionalDouble.empty())), openings, settings, pressures, oil);
    }

    public Situation withOpening(String id, double opening) {
        return new Situation(drivers, and(openings, id, opening), settings, pressures, oil);
    }

    public Situation withSetting(String id, double settingPa) {
        return new Situation(drivers, openings, and(settings, id, settingPa), pressures, oil);
    }

    public Situation withOil(double temperatureK) {
        return new Situation(drivers, openings, settings, pressures, OptionalDouble.of(temperatureK));
    }

    private static <V> Map<String, V> and(Map<String, V> map, String key, V value) {
        Map<String, V> more = new LinkedHashMap<>(map);
        more.put(key, value);
        return more;
    }
}
