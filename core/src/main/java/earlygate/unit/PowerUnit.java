package earlygate.unit;

import earlygate.explain.Value;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.NoSuchElementException;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.function.ToDoubleFunction;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** A hydraulic power unit as its schematic shows it. Immutable; references between its parts are known to hold. */
public final class PowerUnit {
    private final String tag;
    private final String name;
    private final Drawing drawing;
    private final Fluid fluid;
    private final List<Line> lines;
    private final List<Component> components;
    private final List<TestPoint> testPoints;
    private final List<Target> targets;
    private final List<Work> work;
    private final Extras extras;
    private final List<Setting> settings;

    private final Map<String, Component> componentById;
    private final Map<String, Line> lineById;
    private final Map<String, TestPoint> testPointById;
    private final Map<String, Setting> settingById;
    private final Map<String, Target> targetBySetting;

    public record Drawing(String number, String revision) {}

    /** What is not a pressure, and what the workshop brings. */
    public record Extras(List<Meter> meters, List<RateTarget> rateTargets, List<Gear> testGear) {
        public static final Extras NONE = new Extras(List.of(), List.of(), List.of());
    }

    public PowerUnit(
            String tag,
            String name,
            Drawing drawing,
            Fluid fluid,
            List<Line> lines,
            List<Component> components,
            List<TestPoint> testPoints,
            List<Target> targets,
            List<Work> work,
            Extras extras) {
        this.tag = tag;
        this.name = name;
        this.drawing = drawing;
        this.fluid = fluid;
        this.lines = List.copyOf(lines);
        this.components = List.copyOf(components);
        this.testPoints = List.copyOf(testPoints);
        this.targets = List.copyOf(targets);
        this.work = List.copyOf(work);
        this.extras = extras;
        settings = components.stream().flatMap(c -> c.settings().stream()).toList();
        componentById = byId(components, Component::id);
        lineById = byId(lines, Line::id);
        testPointById = byId(testPoints, TestPoint::id);
        settingById = byId(settings, Setting::id);
        targetBySetting = byId(targets, Target::setting);
    }

    private static <T> Map<String, T> byId(List<T> all, Function<T, String> id) {
        Map<String, T> byId = new HashMap<>();
        all.forEach(t -> byId.putIfAbsent(id.apply(t), t));
        return byId;
    }

    public String tag() {
        return tag;
    }

    public String name() {
        return name;
    }

    public Drawing drawing() {
        return drawing;
    }

    public Fluid fluid() {
        return fluid;
    }

    public List<Line> lines() {
        return lines;
    }

    public List<Component> components() {
        return components;
    }

    public List<TestPoint> testPoints() {
        return testPoints;
    }

    public List<Target> targets() {
        return targets;
    }

    public List<Work> work() {
        return work;
    }

    /** Flow meters and clamp meters. */
    public List<Meter> meters() {
        return extras.meters();
    }

    public List<RateTarget> rateTargets() {
        return extras.rateTargets();
    }

    public List<Gear> testGear() {
        return extras.testGear();
    }

    public Optional<RateTarget> rateTarget(String setting) {
        return rateTargets().stream().filter(t -> t.setting().equals(setting)).findFirst();
    }

    /** What an instrument of the unit, or one that is at hand, shows; a drive shows its current. Empty for anything else. */
    public Optional<Value.Kind> shows(String instrument) {
        if (testPointById.containsKey(instrument)) {
            return Optional.of(Value.Kind.PRESSURE);
        }
        boolean flow = testGear().stream().anyMatch(g -> g instanceof Gear.FlowMeter && g.id().equals(instrument))
                || meters().stream().anyMatch(m -> m.kind() == Meter.Kind.FLOW && m.id().equals(instrument));
        if (flow) {
            return Optional.of(Value.Kind.FLOW);
        }
        return componentById.get(instrument) instanceof Driver ? Optional.of(Value.Kind.CURRENT) : Optional.empty();
    }

    /** Full scale of a flow meter, m3/s, and its class in percent of it; empty for what is none. */
    public Optional<Gear.FlowMeter> flowMeter(String id) {
        return Stream.concat(
                        testGear().stream()
                                .filter(Gear.FlowMeter.class::isInstance)
                                .map(Gear.FlowMeter.class::cast),
                        meters().stream()
                                .filter(m -> m.kind() == Meter.Kind.FLOW)
                                .map(m -> new Gear.FlowMeter(m.id(), m.range(), m.accuracyClass())))
                .filter(m -> m.id().equals(id))
                .findFirst();
    }

    /** Every adjuster, in the order of the components. */
    public List<Setting> settings() {
        return settings;
    }

    public SetUp at(Situation situation) {
        return new SetUp(this, situation);
    }

    public PowerUnit withTargets(List<Target> other) {
        return new PowerUnit(tag, name, drawing, fluid, lines, components, testPoints, other, work, extras);
    }

    public <C extends Component> List<C> all(Class<C> type) {
        return components.stream().filter(type::isInstance).map(type::cast).toList();
    }

    /** Everything with a hand wheel: throttles that are shut where nothing is said of them. */
    public List<Throttle> handValves() {
        return all(Throttle.class).stream().filter(t -> t.atRest() == 0).toList();
    }

    /** Ids of what can move or be blocked. */
    public Set<String> actuators() {
        return components.stream()
                .filter(c -> c instanceof Cylinder || c instanceof HydraulicMotor)
                .map(Component::id)
                .collect(Collectors.toCollection(LinkedHashSet::new));
    }

    public Component component(String id) {
        return found(componentById, id);
    }

    /** The part that a setting is a screw of. */
    public Component partOf(String setting) {
        return component(setting(setting).part());
    }

    public Driver driverOf(Pump pump) {
        return (Driver) component(pump.driver());
    }

    public Line line(String id) {
        return found(lineById, id);
    }

    public List<Pump> pumpsInto(String line) {
        return all(Pump.class).stream().filter(p -> p.outlet().equals(line)).toList();
    }

    public List<TestPoint> gaugesOn(String line) {
        return testPoints.stream().filter(t -> t.line().equals(line)).toList();
    }

    /** @throws NoSuchElementException for an id that is no test point */
    public TestPoint testPoint(String id) {
        return found(testPointById, id);
    }

    public Optional<TestPoint> findTestPoint(String id) {
        return Optional.ofNullable(testPointById.get(id));
    }

    public Setting setting(String id) {
        return found(settingById, id);
    }

    /** Whether a setting of this name is there and can be turned: a power limiter may have no screw, a flow control no setting. */
    public boolean hasScrew(String setting) {
        Setting s = settingById.get(setting);
        return s != null
                && !(s.kind() == Setting.Kind.POWER_LIMITER
                        && ((Pump) component(s.part()))
                                .powerLimiter()
                                .flatMap(Pump.PowerLimiter::screw)
                                .isEmpty());
    }

    public Optional<Target> target(String setting) {
        return Optional.ofNullable(targetBySetting.get(setting));
    }

    /** Lowest pressure, Pa, that a part on this line stands: hose or pipe, pump housing, fitted gauge. */
    public Rating weakest(String line) {
        return weakest(line, Pump::maxPressure);
    }

    /**
     * The same for a moment, as when a screw is turned past its target: a pump of which only the rated pressure is known,
     * at which it may run for good, stands a tenth more then.
     */
    public Rating weakestForAMoment(String line) {
        return weakest(line, p -> Math.max(p.maxPressure(), 1.1 * p.ratedPressure()));
    }

    private Rating weakest(String line, ToDoubleFunction<Pump> stands) {
        Rating weakest = new Rating(line, line(line).ratingPa());
        for (Pump p : pumpsInto(line)) {
            weakest = weakest.or(p.id(), stands.applyAsDouble(p));
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

    /** Whether this adjuster's thread is sealed by a cap that must be on before there is pressure. */
    public boolean capped(String setting) {
        return partOf(setting) instanceof ReliefValve r && r.sealedByCap();
    }

    private <T> T found(Map<String, T> map, String id) {
        T t = map.get(id);
        if (t == null) {
            throw new NoSuchElementException("'" + id + "' is not part of " + tag);
        }
        return t;
    }
}
