package earlygate.circuit;

import java.util.ArrayList;
import java.util.List;
import java.util.NoSuchElementException;
import java.util.Optional;

/** A hydraulic power unit as its schematic shows it. Immutable; references between its parts are known to hold. */
public record PowerUnit(
        String tag,
        String name,
        Drawing drawing,
        Fluid fluid,
        List<Line> lines,
        List<Component> components,
        List<TestPoint> testPoints,
        List<Target> targets,
        List<Work> work) {

    public record Drawing(String number, String revision) {}

    public PowerUnit {
        lines = List.copyOf(lines);
        components = List.copyOf(components);
        testPoints = List.copyOf(testPoints);
        targets = List.copyOf(targets);
        work = List.copyOf(work);
    }

    public <C extends Component> List<C> all(Class<C> type) {
        return components.stream().filter(type::isInstance).map(type::cast).toList();
    }

    public Component component(String id) {
        return components.stream().filter(c -> c.id().equals(id)).findFirst().orElseThrow(() -> missing(id));
    }

    public ElectricMotor driverOf(Pump pump) {
        return (ElectricMotor) component(pump.driver());
    }

    public Line line(String id) {
        return lines.stream().filter(l -> l.id().equals(id)).findFirst().orElseThrow(() -> missing(id));
    }

    public List<Pump> pumpsInto(String line) {
        return all(Pump.class).stream().filter(p -> p.outlet().equals(line)).toList();
    }

    public List<TestPoint> gaugesOn(String line) {
        return testPoints.stream().filter(t -> t.line().equals(line)).toList();
    }

    /** Every adjuster, in the order of the components. */
    public List<Setting> settings() {
        List<Setting> settings = new ArrayList<>();
        for (Component c : components) {
            if (c instanceof Pump p) {
                p.compensator()
                        .ifPresent(k -> settings.add(new Setting(
                                p.compensatorId(), Setting.Kind.COMPENSATOR, p.outlet(), k.settingPa(), k.screw())));
            } else if (c instanceof ReliefValve r) {
                settings.add(new Setting(r.id(), Setting.Kind.RELIEF, r.inlet(), r.settingPa(), r.screw()));
            }
        }
        return settings;
    }

    public Setting setting(String id) {
        return settings().stream().filter(s -> s.id().equals(id)).findFirst().orElseThrow(() -> missing(id));
    }

    public Optional<Target> target(String setting) {
        return targets.stream().filter(t -> t.setting().equals(setting)).findFirst();
    }

    /** Lowest pressure, Pa, that a part on this line stands: hose or pipe, pump housing, fitted gauge. */
    public Rating weakest(String line) {
        Rating weakest = new Rating(line, line(line).ratingPa());
        for (Pump p : pumpsInto(line)) {
            weakest = weakest.or(p.id(), p.maxPressure());
        }
        for (TestPoint t : gaugesOn(line)) {
            weakest = weakest.or(t.id(), t.rangePa());
        }
        return weakest;
    }

    /** The part that gives way first, and at what pressure (Pa). */
    public record Rating(String part, double pressurePa) {
        Rating or(String other, double otherPa) {
            return otherPa < pressurePa ? new Rating(other, otherPa) : this;
        }
    }

    private NoSuchElementException missing(String id) {
        return new NoSuchElementException("'" + id + "' is not part of " + tag);
    }
}
