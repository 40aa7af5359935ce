package earlygate.unit;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;

/**
 * The state a unit is put in for a calculation. What is left out stands as the unit file has it.
 *
 * @param drivers by driver id
 * @param openings throttle openings, 0 to 1, by component id
 * @param positions by directional valve or section
 * @param settings Pa, or W for a power limiter, by setting id
 * @param vented relief valves whose vent is open
 * @param blocked actuators that can't move; empty for all of them
 * @param suctionShut pumps whose suction valve is shut
 * @param pressures lines held at a pressure, Pa, by line id
 * @param oil oil temperature, K; empty for the middle of the band
 * @param gear load valves that are fitted, by the id of the gear
 * @param metered what a fitted flow meter stands in series with, by the id of the gear
 */
public record Situation(
        Map<String, Drive> drivers,
        Map<String, Double> openings,
        Map<String, String> positions,
        Map<String, Double> settings,
        Set<String> vented,
        Optional<Set<String>> blocked,
        Set<String> suctionShut,
        Map<String, Double> pressures,
        OptionalDouble oil,
        Map<String, Between> gear,
        Map<String, String> metered) {

    /** @param speed rev/s, in place of the motor's own slip; empty for the slip model */
    public record Drive(boolean running, OptionalDouble speed) {}

    /** Where a portable load valve is fitted, and how far it is open, 0 to 1. */
    public record Between(String a, String b, double opening) {}

    public Situation(
            Map<String, Drive> drivers,
            Map<String, Double> openings,
            Map<String, String> positions,
            Map<String, Double> settings,
            Set<String> vented,
            Optional<Set<String>> blocked,
            Set<String> suctionShut,
            Map<String, Double> pressures,
            OptionalDouble oil) {
        this(drivers, openings, positions, settings, vented, blocked, suctionShut, pressures, oil, Map.of(), Map.of());
    }

    /** Situations that were stored before there was gear have none. */
    public Situation {
        gear = gear == null ? Map.of() : gear;
        metered = metered == null ? Map.of() : metered;
    }

    public static final Situation AS_THE_FILE = new Situation(
            Map.of(),
            Map.of(),
            Map.of(),
            Map.of(),
            Set.of(),
            Optional.empty(),
            Set.of(),
            Map.of(),
            OptionalDouble.empty());

    public Situation withDriver(String id, boolean running) {
        return with(and(drivers, id, new Drive(running, OptionalDouble.empty())), openings, settings, pressures, oil);
    }

    public Situation withDrive(String id, Drive drive) {
        return with(and(drivers, id, drive), openings, settings, pressures, oil);
    }

    /** @param speed rev/s; of an engine, its speed without load */
    public Situation withSpeed(String id, double speed) {
        Drive drive = new Drive(true, OptionalDouble.of(speed));
        return with(and(drivers, id, drive), openings, settings, pressures, oil);
    }

    /** This situation with openings and positions of another put over it. */
    public Situation over(Situation other) {
        Map<String, Double> opened = new LinkedHashMap<>(openings);
        opened.putAll(other.openings);
        Situation s = with(drivers, opened, settings, pressures, oil);
        for (Map.Entry<String, String> e : other.positions.entrySet()) {
            s = s.withPosition(e.getKey(), e.getValue());
        }
        return s;
    }

    public Situation withOpening(String id, double opening) {
        return with(drivers, and(openings, id, opening), settings, pressures, oil);
    }

    public Situation withSetting(String id, double setting) {
        return with(drivers, openings, and(settings, id, setting), pressures, oil);
    }

    /** A line held at a pressure, Pa. */
    public Situation withPressure(String line, double pressurePa) {
        return with(drivers, openings, settings, and(pressures, line, pressurePa), oil);
    }

    public Situation withOil(double temperatureK) {
        return with(drivers, openings, settings, pressures, OptionalDouble.of(temperatureK));
    }

    /** The oil as warm as it happens to be. */
    public Situation withoutOil() {
        return with(drivers, openings, settings, pressures, OptionalDouble.empty());
    }

    /** No line held any more. */
    public Situation freed() {
        return with(drivers, openings, settings, Map.of(), oil);
    }

    /** Every valve with positions where it rests. */
    public Situation centred(PowerUnit unit) {
        Situation s = this;
        for (Positioned v : unit.all(Positioned.class)) {
            s = s.withPosition(v.id(), v.rest());
        }
        return s;
    }

    public Situation withPosition(String valve, String position) {
        return new Situation(
                drivers,
                openings,
                and(positions, valve, position),
                settings,
                vented,
                blocked,
                suctionShut,
                pressures,
                oil,
                gear,
                metered);
    }

    public Situation withGear(String id, Between between) {
        return new Situation(
                drivers,
                openings,
                positions,
                settings,
                vented,
                blocked,
                suctionShut,
                pressures,
                oil,
                and(gear, id, between),
                metered);
    }

    /** The load valves of another situation in place of this one's. */
    public Situation withGearOf(Situation other) {
        return new Situation(
                drivers,
                openings,
                positions,
                settings,
                vented,
                blocked,
                suctionShut,
                pressures,
                oil,
                other.gear,
                other.metered);
    }

    public Situation withoutGear(String id) {
        Map<String, Between> left = new LinkedHashMap<>(gear);
        left.remove(id);
        return new Situation(
                drivers, openings, positions, settings, vented, blocked, suctionShut, pressures, oil, left, metered);
    }

    /** What is fitted stays, shut. */
    public Situation withGearShut() {
        Situation s = this;
        for (Map.Entry<String, Between> e : gear.entrySet()) {
            s = s.withGear(
                    e.getKey(), new Between(e.getValue().a(), e.getValue().b(), 0));
        }
        return s;
    }

    /** No actuator can move. */
    public Situation allBlocked() {
        return new Situation(
                drivers,
                openings,
                positions,
                settings,
                vented,
                Optional.empty(),
                suctionShut,
                pressures,
                oil,
                gear,
                metered);
    }

    /** @param ids the actuators that can't move */
    public Situation withBlocked(Set<String> ids) {
        return new Situation(
                drivers,
                openings,
                positions,
                settings,
                vented,
                Optional.of(ids),
                suctionShut,
                pressures,
                oil,
                gear,
                metered);
    }

    /** @param ids the relief valves whose vent is open */
    public Situation withVented(Set<String> ids) {
        return new Situation(
                drivers, openings, positions, settings, ids, blocked, suctionShut, pressures, oil, gear, metered);
    }

    private Situation with(
            Map<String, Drive> drives,
            Map<String, Double> opened,
            Map<String, Double> set,
            Map<String, Double> held,
            OptionalDouble temperature) {
        return new Situation(
                drives, opened, positions, set, vented, blocked, suctionShut, held, temperature, gear, metered);
    }

    private static <V> Map<String, V> and(Map<String, V> map, String key, V value) {
        Map<String, V> more = new LinkedHashMap<>(map);
        more.put(key, value);
        return more;
    }
}
