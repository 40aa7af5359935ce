package earlygate.unit;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.function.Consumer;

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
        return withDrive(id, new Drive(running, OptionalDouble.empty()));
    }

    public Situation withDrive(String id, Drive drive) {
        return with(c -> c.drivers = and(drivers, id, drive));
    }

    /** @param speed rev/s; of an engine, its speed without load */
    public Situation withSpeed(String id, double speed) {
        return withDrive(id, new Drive(true, OptionalDouble.of(speed)));
    }

    public Situation withOpening(String id, double opening) {
        return with(c -> c.openings = and(openings, id, opening));
    }

    public Situation withSetting(String id, double setting) {
        return with(c -> c.settings = and(settings, id, setting));
    }

    /** Levers, hand valves and actuators as in another situation; drives that are stopped there are stopped. */
    public Situation withHandsOf(Situation other) {
        Map<String, Drive> driven = new LinkedHashMap<>(drivers);
        other.drivers.forEach((id, drive) -> {
            if (!drive.running()) {
                driven.put(id, drive);
            }
        });
        return with(c -> {
            c.drivers = driven;
            c.openings = other.openings;
            c.positions = other.positions;
            c.blocked = other.blocked;
        });
    }

    /** A line held at a pressure, Pa. */
    public Situation withPressure(String line, double pressurePa) {
        return with(c -> c.pressures = and(pressures, line, pressurePa));
    }

    public Situation withOil(double temperatureK) {
        return with(c -> c.oil = OptionalDouble.of(temperatureK));
    }

    /** The oil as warm as it happens to be. */
    public Situation withoutOil() {
        return with(c -> c.oil = OptionalDouble.empty());
    }

    /** No line held any more. */
    public Situation freed() {
        return with(c -> c.pressures = Map.of());
    }

    /** Every valve with positions where it rests. */
    public Situation centred(PowerUnit unit) {
        Map<String, String> centred = new LinkedHashMap<>(positions);
        unit.all(Positioned.class).forEach(v -> centred.put(v.id(), v.rest()));
        return with(c -> c.positions = centred);
    }

    public Situation withPosition(String valve, String position) {
        return with(c -> c.positions = and(positions, valve, position));
    }

    /** @param reliefs those whose vent is open */
    public Situation withVented(Set<String> reliefs) {
        return with(c -> c.vented = reliefs);
    }

    public Situation withGear(String id, Between between) {
        return with(c -> c.gear = and(gear, id, between));
    }

    /** The gear of another situation in place of this one's. */
    public Situation withGearOf(Situation other) {
        return with(c -> {
            c.gear = other.gear;
            c.metered = other.metered;
        });
    }

    /** The flow meters of another situation in place of this one's. */
    public Situation withMetersOf(Situation other) {
        return with(c -> c.metered = other.metered);
    }

    /** A flow meter fitted in series with a component, or with a fitted load valve. */
    public Situation withMeter(String id, String component) {
        return with(c -> c.metered = and(metered, id, component));
    }

    public Situation withoutGear(String id) {
        return with(c -> {
            c.gear = without(gear, id);
            c.metered = without(metered, id);
        });
    }

    /** Every fitted load valve opened as far as that, 0 to 1. */
    public Situation withGearOpen(double opening) {
        Map<String, Between> all = new LinkedHashMap<>();
        gear.forEach((id, at) -> all.put(id, new Between(at.a(), at.b(), opening)));
        return with(c -> c.gear = all);
    }

    /** No actuator can move. */
    public Situation allBlocked() {
        return with(c -> c.blocked = Optional.empty());
    }

    /** @param ids the actuators that can't move */
    public Situation withBlocked(Set<String> ids) {
        return with(c -> c.blocked = Optional.of(ids));
    }

    private Situation with(Consumer<Changing> change) {
        Changing c = new Changing(this);
        change.accept(c);
        return new Situation(
                c.drivers,
                c.openings,
                c.positions,
                c.settings,
                c.vented,
                c.blocked,
                c.suctionShut,
                c.pressures,
                c.oil,
                c.gear,
                c.metered);
    }

    /** A situation while one thing in it is changed. */
    private static final class Changing {
        private Map<String, Drive> drivers;
        private Map<String, Double> openings;
        private Map<String, String> positions;
        private Map<String, Double> settings;
        private Set<String> vented;
        private Optional<Set<String>> blocked;
        private final Set<String> suctionShut;
        private Map<String, Double> pressures;
        private OptionalDouble oil;
        private Map<String, Between> gear;
        private Map<String, String> metered;

        private Changing(Situation s) {
            drivers = s.drivers;
            openings = s.openings;
            positions = s.positions;
            settings = s.settings;
            vented = s.vented;
            blocked = s.blocked;
            suctionShut = s.suctionShut;
            pressures = s.pressures;
            oil = s.oil;
            gear = s.gear;
            metered = s.metered;
        }
    }

    private static <V> Map<String, V> without(Map<String, V> map, String key) {
        Map<String, V> left = new LinkedHashMap<>(map);
        left.remove(key);
        return left;
    }

    private static <V> Map<String, V> and(Map<String, V> map, String key, V value) {
        Map<String, V> more = new LinkedHashMap<>(map);
        more.put(key, value);
        return more;
    }
}
