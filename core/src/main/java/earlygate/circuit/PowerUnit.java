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

    public PowerUnit withTargets(List<Target> other) {
        return new PowerUnit(tag, name, drawing, fluid, lines, components, testPoints, other, work);
    }

    public <C extends Component> List<C> all(Class<C> type) {
        return components.stream().filter(type::isInstance).map(type::cast).toList();
    }

    public Component component(String id) {
        return components.stream().filter(c -> c.id().equals(id)).findFirst().orElseThrow(() -> missing(id));
    }

    /** The part that a setting is a screw of. */
    public Component partOf(String setting) {
        int dot = setting.indexOf('.');
        return component(dot < 0 ? setting : setting.substring(0, dot));
    }

    public Driver driverOf(Pump pump) {
        return (Driver) component(pump.driver());
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

    /** @throws NoSuchElementException for an id that is no test point */
    public TestPoint testPoint(String id) {
        return findTestPoint(id).orElseThrow(() -> missing(id));
    }

    public Optional<TestPoint> findTestPoint(String id) {
        return testPoints.stream().filter(t -> t.id().equals(id)).findFirst();
    }

    /** Every adjuster, in the order of the components. */
    public List<Setting> settings() {
        List<Setting> settings = new ArrayList<>();
        for (Component c : components) {
            if (c instanceof Pump p) {
                of(p, settings);
            } else if (c instanceof ReliefValve r) {
                settings.add(new Setting(r.id(), Setting.Kind.RELIEF, r.inlet(), r.settingPa(), r.screw()));
            } else if (c instanceof UnloadingValve u) {
                settings.add(new Setting(u.id(), Setting.Kind.UNLOADING, u.pilot(), u.settingPa(), u.screw()));
            } else if (c instanceof ReducingValve r) {
                settings.add(new Setting(r.id(), Setting.Kind.REDUCING, r.outlet(), r.settingPa(), r.screw()));
            } else if (c instanceof SequenceValve v) {
                Setting.Kind kind = v.counterbalance() ? Setting.Kind.COUNTERBALANCE : Setting.Kind.SEQUENCE;
                settings.add(new Setting(v.id(), kind, v.pilot().orElse(v.inlet()), v.settingPa(), v.screw()));
            } else if (c instanceof Section x) {
                x.reliefA().ifPresent(r -> settings.add(portRelief(x.id() + ".reliefA", x.portA(), r)));
                x.reliefB().ifPresent(r -> settings.add(portRelief(x.id() + ".reliefB", x.portB(), r)));
            }
        }
        return settings;
    }

    private static void of(Pump p, List<Setting> settings) {
        p.compensator()
                .ifPresent(k -> settings.add(new Setting(
                        p.compensatorId(), Setting.Kind.COMPENSATOR, p.outlet(), k.settingPa(), k.screw())));
        p.loadSense()
                .ifPresent(k -> settings.add(
                        new Setting(p.loadSenseId(), Setting.Kind.LOAD_SENSE, p.outlet(), k.marginPa(), k.screw())));
        // A power limiter has no pressure and, on these units, no screw that is turned against a gauge.
        p.powerLimiter()
                .ifPresent(k -> settings.add(new Setting(
                        p.powerLimiterId(),
                        Setting.Kind.POWER_LIMITER,
                        p.outlet(),
                        k.limit(),
                        new Screw(0, 2 * k.limit(), k.limit(), ""))));
    }

    private static Setting portRelief(String id, String line, Section.PortRelief r) {
        return new Setting(id, Setting.Kind.PORT_RELIEF, line, r.settingPa(), r.screw());
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
